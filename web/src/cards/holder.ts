import type { CardStay } from "../api/client";

/** What a card is in, in words. */
export const holder = (stay: CardStay | undefined, name: (id: string) => string) =>
  stay == null
    ? "the wallet"
    : stay.kind === "wallet"
      ? `the wallet of ${name(stay.where)}`
      : `the ${name(stay.where)}`;
