import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { answer, api, type FactRequest } from "../api/client";

const queryKey = ["book"];

export const bookQuery = {
  queryKey,
  queryFn: ({ signal }: { signal: AbortSignal }) => answer(api.GET("/api/cards", { signal })),
};

/** What happened to every card, and how more is added to it. */
export function useBook(assignment: string) {
  const client = useQueryClient();
  const { data } = useQuery(bookQuery);
  // A card that is not clear is not free for another day, so that every day may have changed.
  const onSuccess = (pages: typeof data) => {
    client.setQueryData(queryKey, pages);
    void client.invalidateQueries({ queryKey: ["board"] });
  };
  const fact = useMutation({
    mutationFn: (happened: Omit<FactRequest, "day" | "onTheWay"> & { onTheWay?: boolean }) =>
      answer(api.POST("/api/cards/facts", { body: { onTheWay: false, ...happened, day: assignment } })),
    onSuccess,
  });
  const lived = useMutation({
    mutationFn: (part: string | null) =>
      answer(
        api.POST("/api/assignments/{key}/cards/lived", {
          params: { path: { key: assignment } },
          body: { part },
        }),
      ),
    onSuccess,
  });
  return { pages: data, fact, lived, error: fact.error ?? lived.error };
}

export type BookOfCards = ReturnType<typeof useBook>;
