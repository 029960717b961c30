import type { LossKind, WhatIfRow } from "../api/client";

/**
 * Something pulled: a thing, or of another kind all that is on a camera or in a place, a person, a radio system. From which part on
 * (without one, all day) and by which part it is mended or replaced (without one, not that day).
 */
export interface Pull {
  kind?: Exclude<LossKind, "item">;
  item: string;
  part?: string;
  until?: string;
}

const prefixed = /^(rig|place|person|radio|batteries|own):(.+)$/;

/** As addresses and the server say it: `item`, `item@part`, `item@part..part`, `item@..part`, each perhaps after `kind:`. */
export const pullText = ({ kind, item, part, until }: Pull) =>
  (kind ? `${kind}:` : "") + (until ? `${item}@${part ?? ""}..${until}` : part ? `${item}@${part}` : item);

export function readPull(text: string): Pull {
  const [, kind, rest] = prefixed.exec(text) ?? [undefined, undefined, text];
  const at = rest.lastIndexOf("@");
  const named = kind ? { kind: kind as Pull["kind"] } : {};
  if (at < 0) return { ...named, item: rest };
  const [part, until] = rest.slice(at + 1).split("..");
  return { ...named, item: rest.slice(0, at), part: part || undefined, until };
}

export const isSamePull = (a: Pull, b: Pull) => a.item === b.item && a.kind === b.kind;

/** The kind as a pull has it: a thing by itself names none. */
export const kindOf = (kind: LossKind): Pick<Pull, "kind"> => (kind === "item" ? {} : { kind });

/** The pull that does on the day what a row of the what-if table tells, from a part on or as the row says. */
export const pullOf = ({ kind, id, fromPart, untilPart }: WhatIfRow, part?: string): Pull => ({
  ...kindOf(kind),
  item: id,
  part: part ?? fromPart ?? undefined,
  until: untilPart ?? undefined,
});
