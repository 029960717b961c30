import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { answer, api, type CopyTask, type CardCopyRequest } from "../api/client";

const queryKey = ["copies"];
const everyMs = 600;

export const isUnderWay = (task: CopyTask) => ["waiting", "copying", "reading"].includes(task.phase);

/** Copies of cards, looked at again as long as one is under way. */
export function useCopies() {
  const client = useQueryClient();
  const { data } = useQuery({
    queryKey,
    queryFn: ({ signal }) => answer(api.GET("/api/copies", { signal })),
    refetchInterval: ({ state }) => (state.data?.tasks.some(isUnderWay) ? everyMs : false),
  });
  const safe = data?.tasks.filter((j) => j.phase === "safe").length ?? 0;
  // What is safe is in the book of cards.
  useEffect(() => {
    if (safe > 0) void client.invalidateQueries({ queryKey: ["book"] });
  }, [safe, client]);
  const onSettled = () => client.invalidateQueries({ queryKey });
  const begin = useMutation({
    mutationFn: (body: CardCopyRequest) => answer(api.POST("/api/copies", { body })),
    onSettled,
  });
  const stop = useMutation({
    mutationFn: (id: number) => answer(api.DELETE("/api/copies/{id}", { params: { path: { id } } })),
    onSettled,
  });
  return { page: data, begin, stop };
}
