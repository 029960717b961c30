import type { Item } from "../api/client";

/** The number on a card, else its name. */
export const cardFace = (items: Item[]) => (id: string) => {
  const card = items.find((i) => i.id === id);
  return String(card?.number ?? /\d+\s*$/.exec(card?.name ?? "")?.[0].trim() ?? card?.name ?? id);
};
