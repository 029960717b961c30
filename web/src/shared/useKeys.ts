import { useEffect, useRef } from "react";

/** Listens to keys for as long as it is shown; the newest of what they do counts. Keys go by while something is being typed. */
export function useKeys<T extends string>(
  keys: Record<T, () => void>,
  actionFor: (event: KeyboardEvent, typing: boolean) => T | undefined,
) {
  const latest = useRef({ keys, actionFor });
  useEffect(() => {
    latest.current = { keys, actionFor };
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const typing =
        event.target instanceof HTMLElement &&
        event.target.matches("input:not([type=checkbox]), select, textarea");
      const act = latest.current.actionFor(event, typing);
      if (!act) return;
      event.preventDefault();
      latest.current.keys[act]();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
}
