import { useIsMutating, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { answer, api, ProblemError, type CheckedLists } from "../api/client";

export interface Ticking {
  line: string;
  done: boolean;
  who: string | null;
}

/** Whether nobody answered at all. */
const isGone = (error: unknown) =>
  error instanceof TypeError || (error instanceof ProblemError && error.status === 0);

/** Another phone may tick as well. */
const lookAgainMs = 5_000;

const keyOf = (key: string) => ["board", key, "lists"];

/** The lists of a day, and what is done with them. */
export function useLists(key: string) {
  const client = useQueryClient();
  const queryKey = keyOf(key);
  const { data, error, fetchStatus } = useQuery({
    queryKey,
    refetchInterval: () => (client.isMutating({ mutationKey: queryKey }) > 0 ? false : lookAgainMs),
    queryFn: ({ signal }) =>
      answer(api.GET("/api/assignments/{key}/lists", { signal, params: { path: { key } } })),
  });
  const tick = useTick(key);
  const depart = useMutation({
    mutationFn: (body: { words: string | null; who: string | null }) =>
      answer(api.POST("/api/assignments/{key}/lists/departures", { params: { path: { key } }, body })),
    onSuccess: (lists) => client.setQueryData(queryKey, lists),
  });
  return {
    data,
    error,
    tick: tick.mutate,
    waiting: useIsMutating({ mutationKey: queryKey }),
    isCut: fetchStatus === "paused" || isGone(tick.failureReason) || isGone(error),
    depart,
    refused: tick.error ?? depart.error,
  };
}

/** A tick is seen at once; while the network is gone it waits, and is sent when that is back. */
function useTick(key: string) {
  const client = useQueryClient();
  const queryKey = keyOf(key);
  return useMutation({
    mutationKey: queryKey,
    // One after the other, so that none overtakes another.
    scope: { id: queryKey.join("/") },
    networkMode: "always",
    retry: (_, e) => isGone(e),
    retryDelay: 2_000,
    mutationFn: (body: Ticking) =>
      answer(api.POST("/api/assignments/{key}/lists/ticks", { params: { path: { key } }, body })),
    onMutate: async (ticking) => {
      await client.cancelQueries({ queryKey });
      client.setQueryData<CheckedLists>(queryKey, (lists) => lists && asTicked(lists, ticking));
    },
    onSuccess: (lists) => {
      // Those that wait are seen as done already.
      if (client.isMutating({ mutationKey: queryKey }) === 1) client.setQueryData(queryKey, lists);
    },
    onError: () => client.invalidateQueries({ queryKey }),
  });
}

const asTicked = (lists: CheckedLists, { line, done, who }: Ticking): CheckedLists => ({
  ...lists,
  lists: lists.lists.map((list) => ({
    ...list,
    lines: list.lines.map((l) =>
      l.line.id === line
        ? { ...l, ticked: done ? { text: l.line.text, who, at: new Date().toISOString() } : null, was: null }
        : l,
    ),
  })),
});
