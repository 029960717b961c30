import type { QueryClient } from "@tanstack/react-query";
import type { components } from "../api/schema";
import type { BoardView } from "../api/client";

/** The board of an assignment with the latest revision the page has, whatever is pulled from it. */
export function latest(client: QueryClient, key: string): BoardView | undefined {
  const known = client.getQueriesData<BoardView>({
    queryKey: ["board", key],
    // What else is asked of a day has its name where a board has what is pulled.
    predicate: (q) => Array.isArray(q.queryKey[2]),
  });
  return known
    .map(([, board]) => board)
    .filter((board) => !!board)
    .sort((a, b) => b.revision - a.revision)[0];
}

/** An answer with its plan: the one that came along, else the one the page has of that revision. */
export function boardWithPlan(answer: components["schemas"]["BoardView"], known?: BoardView): BoardView {
  const plan = answer.plan ?? known?.plan;
  if (!plan || (!answer.plan && known?.revision !== answer.revision))
    throw new Error("The server sent no plan, and the page has none of that revision.");
  return { ...answer, plan };
}

export const hasSameItems = (a: unknown, b: string[]) =>
  Array.isArray(a) && a.length === b.length && a.every((item, i) => item === b[i]);
