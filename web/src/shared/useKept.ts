import { useState } from "react";

/** A text that is being typed, kept in this browser: neither a reload nor a closed tab loses it. */
export function useKept(name: string) {
  const [text, set] = useState(() => localStorage.getItem(name) ?? "");
  const keep = (typed: string) => {
    set(typed);
    if (typed === "") localStorage.removeItem(name);
    else localStorage.setItem(name, typed);
  };
  return [text, keep] as const;
}
