import { useMemo, useState } from "react";
import type { PocketDay, PocketDuty } from "../api/client";
import type { Reading } from "./LevelsScreen";
import type { Ticks } from "./NowScreen";
import { isSame, type Failure } from "./pocketModel";
import { recordOf, type Noted } from "./record";

type Note = (fact: Omit<Noted, "origin" | "who" | "at">) => void;

/** What was noted on this phone, and what that comes to. */
export function useNotes(day: PocketDay, now: Date, isRehearsal: boolean) {
  const record = useMemo(() => recordOf(day, isRehearsal), [day, isRehearsal]);
  const [facts, setFacts] = useState<Noted[]>(() => record.all());
  const note: Note = (fact) => setFacts(record.add({ ...fact, at: now.toISOString() }, now));
  const out = useMemo(() => failuresIn(facts), [facts]);
  const late = useMemo(() => lateIn(facts), [facts]);
  const readings = useMemo(() => readingsIn(facts), [facts]);
  const clear = () => setFacts(record.clear());
  return { record, facts, note, clear, isRehearsal, out, late, readings, ticks: ticksOf(facts, note) };
}

/** What is ticked and done, from what was noted. */
function ticksOf(facts: Noted[], note: Note): Ticks {
  return {
    isTicked: (id) => {
      const last = facts.findLast((f) => f.thing === id && (f.kind === "ticked" || f.kind === "unticked"));
      return last?.kind === "ticked";
    },
    tick: (id, words, on) => note({ kind: on ? "ticked" : "unticked", thing: id, words }),
    done: (duty: PocketDuty) => {
      note({ kind: "ticked", thing: duty.id, words: duty.text });
      if (duty.kind === "cards")
        duty.in.forEach((card) =>
          note({ kind: "put", thing: card, where: duty.where ?? undefined, words: duty.text }),
        );
      if (duty.out)
        note({ kind: "changed", thing: duty.out, words: duty.text, left: duty.left ?? undefined });
    },
  };
}

/** What is out now: failed, and not working again since. */
function failuresIn(facts: Noted[]): Failure[] {
  const out: Failure[] = [];
  for (const f of facts) {
    const read = /^(\w+):(.*)@([^@]*)$/.exec(f.thing);
    if (!read || (f.kind !== "failed" && f.kind !== "mended")) continue;
    const failure = { kind: read[1] as Failure["kind"], id: read[2]!, part: read[3]! };
    const at = out.findIndex((o) => isSame(o, failure));
    if (f.kind === "failed" && at < 0) out.push(failure);
    else if (f.kind === "mended" && at >= 0) out.splice(at, 1);
  }
  return out;
}

/** What was read off cameras last. */
function readingsIn(facts: Noted[]): Reading[] {
  const last = new Map<string, Reading>();
  for (const f of facts) {
    if (f.kind !== "read") continue;
    const frames = /^(\d+) frames$/.exec(f.words ?? "");
    const kind = frames ? "frames" : "battery";
    last.set(`${f.thing} ${kind}`, {
      body: f.thing,
      kind,
      value: frames ? Number(frames[1]) : (f.left ?? 1),
      words: f.words ?? "",
    });
  }
  return [...last.values()];
}

/** How late it was said to be last, and from which part on; null = on time. */
const lateIn = (facts: Noted[]) => {
  const last = facts.findLast((f) => f.kind === "slid");
  const minutes = Number.parseInt(last?.words ?? "0", 10);
  return last && minutes > 0 ? { from: last.thing, minutes } : null;
};
