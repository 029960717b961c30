import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { answer, api, type FactRequest } from "../api/client";

const queryKey = ["book"];

export const bookQuery = {
  queryKey,
  queryFn: ({ signal }: { signal: AbortSignal }) => answer(api.GET("/api/cards", { signal })),
};

type Happened = Omit<FactRequest, "day" | "onTheWay"> & { onTheWay?: boolean };

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
    mutationFn: (happened: Happened) =>
      answer(api.POST("/api/cards/facts", { body: { onTheWay: false, ...happened, day: assignment } })),
    onSuccess,
  });
  /** One after the other, as each is told as the one before leaves it. */
  const happen = async (all: Happened[]) => {
    for (const one of all) await fact.mutateAsync(one).catch(() => undefined);
  };
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
  return {
    pages: data,
    fact,
    happen: (all: Happened[]) => void happen(all),
    lived,
    error: fact.error ?? lived.error,
  };
}

export type BookOfCards = ReturnType<typeof useBook>;
