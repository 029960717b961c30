import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { answer, api } from "../api/client";

const everyMs = 500;

/** What a day used: looked at again as long as its pictures are being read. */
// Long: one day and every answer that can be given about it.
export function useAfter(key: string) {
  const client = useQueryClient();
  const queryKey = ["board", key, "after"];
  const at = { path: { key } };
  const query = useQuery({
    queryKey,
    queryFn: ({ signal }) => answer(api.GET("/api/assignments/{key}/after", { params: at, signal })),
    refetchInterval: ({ state }) => (state.data?.reading?.running ? everyMs : false),
  });
  const read = query.data?.used?.at;
  // What else speaks of the pictures is asked again once they are read.
  useEffect(() => {
    void client.invalidateQueries({ queryKey: ["was", key] });
    void client.invalidateQueries({ queryKey: ["board", key, "seldom"] });
  }, [client, key, read]);
  const again = () => {
    void client.invalidateQueries({ queryKey: ["was", key] });
    return client.invalidateQueries({ queryKey: ["board", key] });
  };
  const begin = useMutation({
    mutationFn: (body: { folder: string; delivered?: string | null }) =>
      answer(api.POST("/api/assignments/{key}/after/pictures", { params: at, body })),
    onSettled: again,
  });
  const stop = useMutation({
    mutationFn: () => answer(api.DELETE("/api/assignments/{key}/after/pictures", { params: at })),
    onSettled: again,
  });
  const thing = useMutation({
    mutationFn: (body: { key: string; thing: string | null }) =>
      answer(api.PUT("/api/assignments/{key}/after/thing", { params: at, body })),
    onSettled: again,
  });
  const batteries = useMutation({
    mutationFn: (body: { type: string; changed: number | null; left?: number | null }) =>
      answer(api.PUT("/api/assignments/{key}/after/batteries", { params: at, body })),
    onSettled: again,
  });
  const clock = useMutation({
    mutationFn: (body: { camera: string; seconds: number | null }) =>
      answer(api.PUT("/api/assignments/{key}/after/clock", { params: at, body })),
    onSettled: again,
  });
  const learnt = useUseLearnt(again);
  return { ...query, begin, stop, thing, batteries, clock, learnt };
}

/** Says whether a figure that past assignments taught is used. */
export function useUseLearnt(then: () => unknown) {
  return useMutation({
    mutationFn: (body: { id: string; use: boolean }) => answer(api.PUT("/api/learnt", { body })),
    onSettled: then,
  });
}

export type AfterDay = ReturnType<typeof useAfter>;
