import { useEffect, useSyncExternalStore } from "react";

/** Something a page can do, to be found by name. */
export interface Action {
  name: string;
  /** What it is for, or its key. */
  hint?: string;
  run: () => void;
}

const pages = new Map<symbol, Action[]>();

/** What a page can do, for as long as it is shown. */
export function useActions(actions: Action[]) {
  useEffect(() => {
    const page = Symbol();
    pages.set(page, actions);
    return () => void pages.delete(page);
  });
}

export const allActions = () => [...pages.values()].flat();

let open = false;
const watching = new Set<() => void>();

export function setFinding(next: boolean) {
  open = next;
  watching.forEach((tell) => tell());
}

/** Whether the line that finds things is open. */
export function useFinding() {
  return useSyncExternalStore(
    (tell) => {
      watching.add(tell);
      return () => void watching.delete(tell);
    },
    () => open,
  );
}
