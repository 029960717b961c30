import { useEffect, useRef } from "react";

interface Keys {
  pull: () => void;
  undo: () => void;
  redo: () => void;
  help: () => void;
  escape: () => void;
}

/** The board's shortcuts; none while something is being typed. */
export function useBoardKeys(keys: Keys) {
  const latest = useRef(keys);
  useEffect(() => {
    latest.current = keys;
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const typing =
        event.target instanceof HTMLElement &&
        event.target.matches("input:not([type=checkbox]), select, textarea");
      const act = actionFor(event, typing);
      if (!act) return;
      event.preventDefault();
      latest.current[act]();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
}

function actionFor(event: KeyboardEvent, typing: boolean): keyof Keys | undefined {
  if (event.defaultPrevented) return undefined;
  if (event.key === "Escape") return "escape";
  if (typing || event.altKey) return undefined;
  const key = event.key.toLowerCase();
  if (event.ctrlKey || event.metaKey) {
    if (key === "z") return event.shiftKey ? "redo" : "undo";
    return key === "y" ? "redo" : undefined;
  }
  if (key === "p") return "pull";
  return key === "?" ? "help" : undefined;
}
