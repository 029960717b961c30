import type { AssignmentSummary, CardPages, Item, LockerPage, Need, Part, Person } from "../api/client";
import type { Day } from "../day/dayModel";
import { date, time } from "../shared/format";
import { outcomeWord, strandWord } from "../shared/words";
import type { Action } from "../shared/actions";

/** Something that can be gone to or done. */
export interface Find {
  id: string;
  name: string;
  /** What it is. */
  kind: string;
  /** What is known of it now. */
  says: string;
  /** Where it is, or what it does. */
  to: string | (() => void);
  strands?: number;
}

/** What a day holds by name: its parts, needs, things and people, each with how it stands. */
export function findsOf(day: Day): Find[] {
  return [
    ...day.parts.map((part) => partFind(day, part)),
    ...day.parts.flatMap((part) => part.needs.map((need) => needFind(day, part, need))),
    ...day.board.plan.items.map((item) => itemFind(day, item)),
    ...day.board.plan.people.map((person) => personFind(day, person)),
  ];
}

const at = (day: Day, query: Record<string, string>) => `/${day.board.key}/day?${new URLSearchParams(query)}`;

const partFind = (day: Day, part: Part): Find => ({
  id: `part ${part.id}`,
  name: part.name ?? part.id,
  kind: "part",
  says: `${time(part.start)}, ${strandWord[day.partStrands(part.id)]}`,
  to: at(day, { part: part.id }),
  strands: day.partStrands(part.id),
});

function needFind(day: Day, part: Part, need: Need): Find {
  const report = day.needReport(part.id, need.id);
  return {
    id: `need ${part.id}/${need.id}`,
    name: need.name ?? need.id,
    kind: `need in ${part.name ?? part.id}`,
    says: report ? `${outcomeWord[report.baseline]}, ${strandWord[report.strands]}` : "",
    to: at(day, { part: part.id, need: need.id }),
    strands: report?.strands,
  };
}

const itemFind = (day: Day, item: Item): Find => ({
  id: `item ${item.id}`,
  name: item.name || item.id,
  kind: item.kind ?? "thing",
  says: [`in ${day.name(day.placeOf(item) ?? "")}`, hanging(day, item.id)].filter(Boolean).join(", "),
  to: at(day, { item: item.id }),
  strands: day.itemStrands(item.id),
});

function personFind(day: Day, person: Person): Find {
  const there = day.parts.filter((p) => p.present?.includes(person.id) ?? true).length;
  return {
    id: `person ${person.id}`,
    name: person.name ?? person.id,
    kind: "person",
    says: `in ${there} of ${day.parts.length} parts`,
    to: at(day, { show: "team" }),
  };
}

function hanging(day: Day, item: string) {
  const report = day.itemReport(item);
  if (report?.strands !== 1) return "";
  const alone = day.board.report.singlePoints.find((s) => s.item === item)?.hits.length ?? 0;
  return alone === 1 ? "one need hangs by it" : `${alone} needs hang by it`;
}

export const findsOfLocker = (page: LockerPage): Find[] =>
  page.report.things.map((thing) => ({
    id: `thing ${thing.id}`,
    name: thing.name,
    kind: `${thing.kind} in the locker`,
    says: thing.alone ? `alone: ${thing.alone}` : (thing.away ?? thing.line ?? ""),
    to: `/locker?thing=${encodeURIComponent(thing.id)}`,
  }));

/** Cards with something on them, each with the answer to whether it may be cleared. */
export const findsOfBook = (book: CardPages, key: string | undefined): Find[] =>
  book.cards
    .filter((c) => c.state.condition !== "clear")
    .map((c) => ({
      id: `book ${c.card}`,
      name: c.name,
      kind: "may I clear this card?",
      says: c.mayClear.sentence,
      to:
        (key ?? c.state.day)
          ? `/${key ?? c.state.day}/cards?card=${encodeURIComponent(c.card)}`
          : `/locker?thing=${encodeURIComponent(c.card)}`,
    }));

export const findsOfList = (list: AssignmentSummary[]): Find[] =>
  list
    .filter((a) => a.shelf !== "deleted")
    .map((a) => ({
      id: `day ${a.key}`,
      name: a.name,
      kind: a.shelf === "archived" ? "archived assignment" : "assignment",
      says: [date(a.start), a.verdict?.headline].filter(Boolean).join(", "),
      to: `/${a.key}/day`,
      strands: a.strands ?? undefined,
    }));

export const findsOfActions = (actions: Action[]): Find[] =>
  actions.map((action, i) => ({
    id: `action ${i}`,
    name: action.name,
    kind: "action",
    says: action.hint ?? "",
    to: action.run,
  }));

const plain = (text: string) => text.normalize("NFKD").replace(/\p{M}/gu, "").toLowerCase();
const wordsOf = (text: string) =>
  plain(text)
    .split(/[\s,]+/)
    .filter(Boolean);

/**
 * What the words of a line name, the best first: every word must begin a word of the name, or be in it or in what it is. Names that
 * begin with the line come first, then those with a word that does; what stands first in the list wins where all else is alike.
 */
export function found(line: string, all: Find[], most: number): Find[] {
  const asked = wordsOf(line);
  if (asked.length === 0) return all.slice(0, most);
  const whole = asked.join(" ");
  return all
    .map((find, place) => {
      const name = plain(find.name);
      const words = wordsOf(find.name);
      const rest = plain(find.kind);
      const ranks = asked.map((word) =>
        words.some((w) => w.startsWith(word)) ? 1 : name.includes(word) ? 2 : rest.includes(word) ? 3 : 9,
      );
      const worst = Math.max(...ranks);
      return { find, place, rank: worst === 9 ? 9 : name.startsWith(whole) ? 0 : worst };
    })
    .filter((f) => f.rank < 9)
    .sort((a, b) => a.rank - b.rank || a.place - b.place)
    .slice(0, most)
    .map((f) => f.find);
}
