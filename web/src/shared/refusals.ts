import { useSyncExternalStore } from "react";

let last = { count: 0, why: "" };
const watching = new Set<() => void>();

/** Says that a change was refused, and why; whoever had asked for it hears it. */
export function refused(why: string) {
  last = { count: last.count + 1, why };
  watching.forEach((tell) => tell());
}

/** How often a change was refused so far, and why the last one was. */
export const useRefusals = () =>
  useSyncExternalStore(
    (tell) => {
      watching.add(tell);
      return () => void watching.delete(tell);
    },
    () => last,
  );
