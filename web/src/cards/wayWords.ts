import type { CardWay } from "../api/client";

export const wayWords: Record<CardWay["kind"], string> = {
  planned: "As planned",
  oneBigPair: "One big pair",
  twoJoins: "Two changes",
  perPart: "A card for each part",
};
