import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { refused } from "../shared/refusals";
import { answer, api, ProblemError, type WhenPlanned } from "../api/client";

/** The locker on a day, its glass seen through a body. */
export function useLocker(day: string | undefined, body: string | undefined) {
  return useQuery({
    queryKey: ["locker", day, body],
    queryFn: () => answer(api.GET("/api/locker", { params: { query: { day, body } } })),
    placeholderData: keepPreviousData,
  });
}

/** One thing with everything known of it. */
export function useThing(id: string) {
  return useQuery({
    queryKey: ["locker-thing", id],
    queryFn: () => answer(api.GET("/api/locker/things/{id}", { params: { path: { id } } })),
    placeholderData: (old) => (old?.id === id ? old : undefined),
  });
}

/** Makes changes of the locker one after the other, and looks at it anew after each. */
export function useLockerChange() {
  const client = useQueryClient();
  return useMutation({
    scope: { id: "locker" },
    mutationFn: (change: () => Promise<{ followed?: string[] | null } | void>) => change(),
    onError: (error) =>
      refused(error instanceof ProblemError ? (error.fields[0]?.message ?? error.message) : error.message),
    onSettled: () =>
      Promise.all(
        [["locker"], ["locker-thing"], ["board"]].map((queryKey) => client.invalidateQueries({ queryKey })),
      ),
  });
}

export const changes = {
  add: (text: string) => answer(api.POST("/api/locker/things", { body: { text } })),
  set: (things: { id: string; revision: number }[], set: Record<string, string>) =>
    answer(api.POST("/api/locker/figures", { body: { things, set } })),
  copy: (id: string, copies: number) => answer(api.POST("/api/locker/copies", { body: { id, copies } })),
  remove: (things: { id: string; revision: number }[], planned: WhenPlanned) =>
    answer(api.POST("/api/locker/removals", { body: { things, planned } })),
  drop: (key: string) => answer(api.DELETE("/api/locker/rows/{key}", { params: { path: { key } } })),
  undo: () => answer(api.POST("/api/locker/undo")),
  redo: () => answer(api.POST("/api/locker/redo")),
  demo: () => answer(api.POST("/api/locker/demo")),
};
