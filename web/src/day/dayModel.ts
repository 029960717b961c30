import { scaleLinear, type ScaleLinear } from "d3-scale";
import type { BoardView, Item, NeedReport, Part, Setup } from "../api/client";
import { isSamePull, kindOf, type Pull } from "./pulls";

/** One camera position, running through the day. */
export interface Position {
  person: string;
  position: string;
}

/** A board with its parts in order and everything findable by id. A view of what the server said; it decides nothing. */
export interface Day {
  board: BoardView;
  parts: Part[];
  positions: Position[];
  item: (id: string) => Item | undefined;
  name: (id: string) => string;
  needReport: (part: string, need: string) => NeedReport | undefined;
  partStrands: (part: string) => number;
  /** 1 or 2 where a need could miss it; 3 otherwise. */
  itemStrands: (item: string) => number;
  /** Whether a need of a part hangs by one of these things alone. */
  hangsBy: (items: string[], part: string) => boolean;
  /** What hangs by it alone or with one other; undefined where nothing does. */
  itemReport: (item: string) => BoardView["report"]["items"][number] | undefined;
  /** The place a thing is packed in, nested things followed. */
  placeOf: (item: Item) => string | undefined;
  /** Whether just this is pulled, of a part in that part. */
  isOut: (pull: Pull, part?: string) => boolean;
  /** Whether a thing is gone, by itself or with what it was on or in. */
  isGone: (item: string, part?: string) => boolean;
  /** Why a thing is not here that day; undefined when it is. */
  away: (item: string, part?: string) => string | undefined;
}

export function makeDay(board: BoardView): Day {
  const { plan, report } = board;
  const items = new Map(plan.items.map((i) => [i.id, i]));
  const names = new Map<string, string>([
    ...plan.places.map((p): [string, string] => [p.id, p.name ?? p.id]),
    ...plan.people.map((p): [string, string] => [p.id, p.name ?? p.id]),
    ...plan.items.map((i): [string, string] => [i.id, i.name || i.id]),
  ]);
  const away = new Map(report.away.map((a) => [a.item, a]));
  const needs = new Map(report.needs.map((n) => [`${n.part}/${n.need}`, n]));
  const partStrands = new Map(report.parts.map((p) => [p.part, p.strands]));
  const thingReports = new Map(report.items.map((i) => [i.item, i]));
  const alone = new Set(report.singlePoints.flatMap((s) => s.hits.map((h) => `${s.item}@${h.part}`)));
  const parts = [...plan.parts].sort((a, b) => (a.start ?? "").localeCompare(b.start ?? ""));
  const out = board.pull?.out ?? [];
  const holdsIn = (parts: string[], part?: string) => part === undefined || parts.includes(part);
  const isOut = (pull: Pull, part?: string) =>
    out.some(
      (o) => isSamePull({ item: o.pull.item, ...kindOf(o.pull.kind) }, pull) && holdsIn(o.parts, part),
    );
  return {
    board,
    parts,
    positions: positionsOf(parts),
    item: (id) => items.get(id),
    name: (id) => names.get(id) ?? id,
    needReport: (part, need) => needs.get(`${part}/${need}`),
    partStrands: (part) => partStrands.get(part) ?? 3,
    itemStrands: (item) => thingReports.get(item)?.strands ?? 3,
    hangsBy: (items, part) => items.some((item) => alone.has(`${item}@${part}`)),
    itemReport: (item) => thingReports.get(item),
    placeOf: (item) => report.packed[item.id] ?? ownPlace(item),
    isOut,
    isGone: (item, part) => out.some((o) => o.items.includes(item) && holdsIn(o.parts, part)),
    away: (item, part) => {
      const missing = away.get(item);
      return missing && (!part || missing.parts.includes(part)) ? missing.why : undefined;
    },
  };
}

/** The place a thing says itself; where it lies in another the report says which. */
const ownPlace = (item: Item) => (item.place?.startsWith("@") ? undefined : (item.place ?? undefined));

function positionsOf(parts: Part[]): Position[] {
  const found = new Map<string, Position>();
  for (const part of parts)
    for (const { person, position } of part.setups) found.set(`${person}:${position}`, { person, position });
  return [...found.values()].sort(
    (a, b) => a.person.localeCompare(b.person) || a.position.localeCompare(b.position),
  );
}

export const setupOf = (part: Part, at: Position): Setup | undefined =>
  part.setups.find((s) => s.person === at.person && s.position === at.position);

export const chainOf = (setup: Setup): string[] =>
  [setup.lens, setup.converter, setup.tube, setup.adapter].filter((id): id is string => !!id);

/** Everything a setup names. */
export const thingsOf = (setup: Setup): string[] =>
  [
    setup.body,
    ...chainOf(setup),
    setup.flash,
    setup.trigger,
    setup.support,
    setup.battery,
    ...(setup.cards ?? []),
  ].filter((id): id is string => !!id);

/** Columns as wide as their parts are long, with a floor so that short ones stay legible. */
export function columnWidths(parts: Part[], available: number, floor: number): number[] {
  const lengths = parts.map((p) => Math.max(1, minutes(p.start, p.end)));
  const total = lengths.reduce((a, b) => a + b, 0);
  const spare = Math.max(0, available - floor * parts.length);
  return lengths.map((length) => Math.floor(floor + (spare * length) / total));
}

/** Time under a point of the board: linear inside each column. */
export function timeScale(parts: Part[], widths: number[]): ScaleLinear<number, number> {
  const xs: number[] = [];
  const times: number[] = [];
  let x = 0;
  parts.forEach((part, i) => {
    xs.push(x);
    times.push(Date.parse(part.start ?? ""));
    x += widths[i] ?? 0;
  });
  const last = parts.at(-1);
  return scaleLinear([...times, Date.parse(last?.end ?? "")], [...xs, x]);
}

export const minutes = (start: string | null | undefined, end: string | null | undefined) =>
  (Date.parse(end ?? "") - Date.parse(start ?? "")) / 60_000;
