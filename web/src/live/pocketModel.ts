import type {
  LateDay,
  Outcome,
  PocketAnswer,
  PocketDay,
  PocketLoss,
  PocketNeed,
  PocketPart,
} from "../api/client";

/** Something that has failed on the day. */
export interface Failure {
  kind: PocketLoss["kind"];
  id: string;
  /** Part in which it failed. */
  part: string;
}

/** What becomes of a need after what has failed. */
export interface Change {
  part: number;
  need: number;
  outcome: Outcome;
  answer: PocketAnswer;
}

/** What the failures change from a part on; "beyond" where nobody worked it out. */
export type Answered = Change[] | "beyond";

const rank: Record<Outcome, number> = { lost: 0, late: 1, thins: 2, holds: 3 };
const worth: Record<PocketNeed["importance"], number> = { once: 0, must: 1, nice: 2 };

export const isSame = (a: Pick<Failure, "kind" | "id">, b: Pick<Failure, "kind" | "id">) =>
  a.kind === b.kind && a.id === b.id;

const keyOf = (c: { part: number; need: number }) => `${c.part}/${c.need}`;

/** Worst first, then what happens once. */
export const inOrder = (day: PocketDay, changes: Change[]) =>
  changes.toSorted(
    (a, b) =>
      a.part - b.part ||
      rank[a.outcome] - rank[b.outcome] ||
      worth[needOf(day, a).importance] - worth[needOf(day, b).importance],
  );

export const needOf = (day: PocketDay, at: { part: number; need: number }) =>
  day.parts[at.part]!.needs[at.need]!;

const lossAt = (day: PocketDay, failure: Failure) => day.losses.findIndex((l) => isSame(l, failure));

/** What goes with a failure in the part it happens in. */
const fateOf = (day: PocketDay, failure: Failure) => {
  const ways = day.losses[lossAt(day, failure)]?.ways ?? [];
  return ways.find((w) => w.parts.length === 0 || w.parts.includes(failure.part)) ?? ways[0];
};

/** Looks up what was worked out beforehand: any one loss, and any two single things. */
export function lookUp(day: PocketDay, failures: Failure[]): Answered {
  const [one, ...others] = failures;
  if (!one) return [];
  const first = fateOf(day, one);
  // What went along with it anyway is no second loss.
  const more = others.filter((f) => f.kind !== "item" || !first?.items.includes(f.id));
  const second = more[0];
  if (more.length > 1 || (second && (one.kind !== "item" || second.kind !== "item"))) return "beyond";
  const from = Math.max(...[one, ...more].map((f) => day.parts.findIndex((p) => p.id === f.part)));
  const told = (changes: NonNullable<typeof first>["changes"]) =>
    changes
      .filter((c) => c.part >= from)
      .map((c): Change => ({
        part: c.part,
        need: c.need,
        outcome: c.outcome,
        answer: day.answers[c.answer]!,
      }));
  const found = new Map(told(first?.changes ?? []).map((c) => [keyOf(c), c]));
  if (second) {
    for (const c of told(fateOf(day, second)?.changes ?? [])) {
      const known = found.get(keyOf(c));
      if (!known || rank[c.outcome] < rank[known.outcome]) found.set(keyOf(c), c);
    }
    const [a, b] = [lossAt(day, one), lossAt(day, second)].sort((x, y) => x - y);
    for (const c of told(day.pairs.find((p) => p.one === a && p.other === b)?.changes ?? []))
      found.set(keyOf(c), c);
  }
  return inOrder(day, [...found.values()]);
}

const isMet = (outcome: Outcome) => outcome === "holds" || outcome === "thins";

/** Needs of a part that hang by one thing after a single thing has failed; null where that was not worked out. */
export function hanging(day: PocketDay, failures: Failure[], part: number): PocketNeed[] | null {
  const needs = day.parts[part]!.needs.filter((n) => n.importance !== "nice");
  if (failures.length === 0) return needs.filter((n) => n.strands === 1);
  const [only] = failures;
  if (failures.length > 1 || only?.kind !== "item") return null;
  const at = lossAt(day, only);
  const changed = lookUp(day, failures);
  return needs.filter((need) => {
    const index = day.parts[part]!.needs.indexOf(need);
    const now = changed !== "beyond" && changed.find((c) => c.part === part && c.need === index);
    if (now ? !isMet(now.outcome) : !isMet(need.outcome)) return false;
    const others = now ? day.losses.map((_, n) => n) : need.uses;
    return others.some((other) => {
      const loss = day.losses[other]!;
      if (other === at || loss.kind !== "item") return false;
      const left = lookUp(day, [only, { kind: "item", id: loss.id, part: only.part }]);
      return left !== "beyond" && left.some((c) => c.part === part && c.need === index && !isMet(c.outcome));
    });
  });
}

/** The parts with a delay in them. */
export const slid = (day: PocketDay, late: LateDay | null): PocketPart[] =>
  day.parts.map((p) => {
    const moved = late?.parts.find((m) => m.part === p.id);
    return moved ? { ...p, start: moved.start, end: moved.end } : p;
  });

/** Where one is in the day: the part that goes on, else the next; what follows it; null before and after. */
export function whereAt(parts: PocketPart[], now: Date) {
  const at = (text: string | null | undefined) => (text ? new Date(text).getTime() : Number.NaN);
  const time = now.getTime();
  // Of two at once the one that began last.
  const current = parts.findLastIndex((p) => at(p.start) <= time && time < at(p.end));
  const next = parts.findIndex((p) => at(p.start) > time);
  const once = parts.findIndex(
    (p, n) => (n === current || at(p.start) > time) && p.needs.some((need) => need.importance === "once"),
  );
  return { current, next, once };
}

export const minutesUntil = (text: string | null | undefined, now: Date) =>
  text ? Math.max(0, Math.ceil((new Date(text).getTime() - now.getTime()) / 60_000)) : null;

/** How long until then, as one says it: minutes, then hours, then days. */
export function until(text: string | null | undefined, now: Date) {
  const minutes = minutesUntil(text, now) ?? 0;
  const [soon, aDay] = [120, 48 * 60];
  if (minutes <= soon) return `${minutes} min`;
  return minutes < aDay ? `${Math.round(minutes / 60)} h` : `${Math.round(minutes / 60 / 24)} days`;
}

/** A level at a share of a part, between two known ones. */
export function levelAt(levels: PocketPart["hands"][number]["charge"], share: number) {
  const after = levels.findIndex((l) => l.at > share);
  if (levels.length === 0) return null;
  const before = levels[after < 0 ? levels.length - 1 : Math.max(0, after - 1)]!;
  const next = after <= 0 ? before : levels[after]!;
  const span = next.at - before.at;
  return before.share + (span > 0 ? ((share - before.at) / span) * (next.share - before.share) : 0);
}
