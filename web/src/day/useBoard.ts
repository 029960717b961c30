import {
  keepPreviousData,
  queryOptions,
  useMutation,
  useQuery,
  useQueryClient,
  type QueryClient,
} from "@tanstack/react-query";
import { useCallback, useState } from "react";
import type { Trial } from "./DayContext";
import { answer, api, ProblemError, type PlanEdit } from "../api/client";
import { refused } from "../shared/refusals";
import { boardWithPlan, hasSameItems, latest } from "./boardAnswers";
import { editsOn, type PlanChange } from "./planChange";

/** Something the photographer must know about a change that was not made. */
export interface Notice {
  title: string;
  lines: string[];
  /** The edits that were refused because the plan had moved on; they can be made on the new one. */
  again?: PlanChange[];
}

type Change = { edits: PlanChange[]; inForm?: boolean } | { step: "undo" | "redo" };

/** The board of an assignment with what is pulled from it. */
export const boardQuery = (client: QueryClient, key: string, pull: string[]) =>
  queryOptions({
    queryKey: ["board", key, pull],
    queryFn: async ({ signal }) => {
      // The plan travels only when the page does not have that revision.
      const known = latest(client, key);
      const params = { path: { key }, query: { pull, have: known?.revision } };
      return boardWithPlan(await answer(api.GET("/api/assignments/{key}/board", { params, signal })), known);
    },
  });

/** The board of one assignment and every way of changing it. Each change is one round trip that brings the new verdict. */
// Long: one life of a change: asked, answered, refused, asked again.
export function useBoard(key: string, pull: string[]) {
  const client = useQueryClient();
  const [notice, setNotice] = useState<Notice | null>(null);
  const asked = boardQuery(client, key, pull);
  const { queryKey } = asked;
  const query = useQuery({ ...asked, placeholderData: keepPreviousData });

  const change = useMutation({
    // Changes wait for one another, so that each is made on the revision the one before it left.
    scope: { id: key },
    mutationFn: async (wanted: Change) => {
      const board = latest(client, key);
      if (!board) throw new Error("The day is not read yet; make the change once it is.");
      const params = { path: { key } };
      const body = { baseRevision: board.revision, pull };
      const asked =
        "edits" in wanted
          ? api.POST("/api/assignments/{key}/edits", {
              params,
              body: { ...body, edits: editsOn(board.plan, wanted.edits) },
            })
          : wanted.step === "undo"
            ? api.POST("/api/assignments/{key}/undo", { params, body })
            : api.POST("/api/assignments/{key}/redo", { params, body });
      return boardWithPlan(await answer(asked));
    },
    onSuccess: (board) => {
      setNotice(null);
      client.setQueryData(queryKey, board);
      void client.invalidateQueries({
        queryKey: ["board", key],
        predicate: (q) => !hasSameItems(q.queryKey[2], pull),
      });
    },
    onError: (error, wanted) => {
      const problem = error instanceof ProblemError ? error : new ProblemError(0, error.message, []);
      const stale = problem.status === 409;
      // A form shows at its fields what is wrong with them.
      if ("edits" in wanted && wanted.inForm && problem.fields.length > 0) return;
      refused(problem.fields[0]?.message ?? problem.lines[0] ?? problem.message);
      setNotice({
        title: problem.message,
        lines: problem.lines,
        again: stale && "edits" in wanted ? wanted.edits : undefined,
      });
      if (stale) void client.invalidateQueries({ queryKey: ["board", key] });
    },
  });

  const trial = useMutation({
    mutationFn: async (wanted: Trial) =>
      boardWithPlan(
        await answer(
          api.POST("/api/assignments/{key}/preview", {
            params: { path: { key } },
            body: {
              baseRevision: latest(client, key)?.revision ?? 0,
              edits: wanted.edits,
              pull,
            },
          }),
        ),
      ),
    onError: (error) =>
      setNotice({ title: error.message, lines: error instanceof ProblemError ? error.lines : [] }),
  });
  const { mutate } = change;
  const { mutate: tryOut, reset: endTrial } = trial;
  // Whatever is really done ends what is only tried.
  const edit = useCallback(
    (...edits: PlanChange[]) => {
      endTrial();
      mutate({ edits });
    },
    [mutate, endTrial],
  );
  /** For forms: what was typed is cleared only when the change was made, and what is wrong with it is theirs to show. */
  const editThen = useCallback(
    (edits: PlanEdit[], made: () => void, refused?: (error: ProblemError) => void) => {
      endTrial();
      const onError = (error: Error) => error instanceof ProblemError && refused?.(error);
      mutate({ edits, inForm: !!refused }, { onSuccess: made, onError });
    },
    [mutate, endTrial],
  );
  const step = useCallback(
    (step: "undo" | "redo") => {
      endTrial();
      mutate({ step });
    },
    [mutate, endTrial],
  );

  return {
    board: query.data,
    loadError: query.error,
    /** A verdict is on its way: what is shown is the last one. */
    pending: change.isPending || query.isPlaceholderData,
    notice,
    dismiss: () => setNotice(null),
    edit,
    editThen,
    step,
    tryOut: useCallback((wanted: Trial) => tryOut(wanted), [tryOut]),
    endTrial,
    trial: trial.data && trial.variables ? { ...trial.variables, board: trial.data } : null,
  };
}
