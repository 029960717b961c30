import type { PocketDay } from "../api/client";

/** Something that happened on the day, as a phone notes it. */
export interface Noted {
  /** Which phone noted it, and its number there: told twice it is kept once. */
  origin: string;
  kind: "ticked" | "unticked" | "changed" | "failed" | "mended" | "slid" | "read" | "put";
  thing: string;
  /** UTC. */
  at: string;
  who: string;
  words?: string;
  /** Of a card, the camera it went into. */
  where?: string;
  left?: number;
}

/** A record as a small file. */
export interface RecordFile {
  format: "yoke-pair/record";
  version: 1;
  assignment: string;
  facts: Noted[];
}

/**
 * Keeps notes where the viewer lets it: some keep nothing, as what opens files from mail. What is noted in a rehearsal is kept apart and
 * never goes home: nobody has got the kiss the evening before.
 */
export function recordOf(day: Pick<PocketDay, "key" | "person">, isRehearsal: boolean) {
  const place = `yoke-pair/${isRehearsal ? "rehearsal" : "record"}/${day.key}/${day.person}`;
  const isKept = tryKeep();
  let facts: Noted[] = isKept ? read(place) : [];
  const phone =
    (isKept && localStorage.getItem("yoke-pair/phone")) ||
    crypto.getRandomValues(new Uint32Array(2)).join("");
  if (isKept) localStorage.setItem("yoke-pair/phone", phone);
  return {
    isKept,
    all: () => facts,
    add(fact: Omit<Noted, "origin" | "who">, at: Date) {
      const noted = {
        ...fact,
        who: day.person,
        origin: `${phone}/${at.getTime().toString(36)}/${facts.length}`,
      };
      facts = [...facts, noted];
      if (isKept) localStorage.setItem(place, JSON.stringify(facts));
      return facts;
    },
    clear() {
      if (isKept) localStorage.removeItem(place);
      return (facts = []);
    },
  };
}

export const fileOf = (day: Pick<PocketDay, "key">, facts: Noted[]): RecordFile => ({
  format: "yoke-pair/record",
  version: 1,
  assignment: day.key,
  facts,
});

function tryKeep() {
  try {
    localStorage.setItem("yoke-pair/try", "1");
    const kept = localStorage.getItem("yoke-pair/try") === "1";
    localStorage.removeItem("yoke-pair/try");
    return kept;
  } catch {
    return false;
  }
}

function read(place: string): Noted[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(place) ?? "[]");
    if (Array.isArray(kept)) return kept as Noted[];
  } catch {
    // What cannot be read is put aside, not written over.
  }
  localStorage.setItem(`${place}/unreadable/${Date.now()}`, localStorage.getItem(place) ?? "");
  return [];
}
