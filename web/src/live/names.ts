import { createContext, useContext } from "react";

/** What things, people and places are called. */
export const PocketNames = createContext<Record<string, string>>({});

export function usePocketNames() {
  const names = useContext(PocketNames);
  return { name: (id: string) => names[id] ?? id };
}
