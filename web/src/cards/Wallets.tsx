import { useState } from "react";
import type { CardStay } from "../api/client";
import { time } from "../shared/format";
import type { CardsPage } from "./Cards";
import { CardToken } from "./CardToken";
import { holder } from "./holder";

interface Placed {
  card: string;
  stay: CardStay;
}

/** Where every card is at one time of the day: clear, in which camera, shot and in whose wallet. */
export function Wallets(page: CardsPage) {
  const { cards, parts } = page;
  const [at, setAt] = useState(parts.length);
  if (cards.plan.stays.length === 0) return null;
  const number = Math.min(Math.floor(at), parts.length - 1);
  const there = parts[number]!;
  const name = there.name ?? there.id;
  const when = clockAt(there.start, there.end, at - number);
  const isOver = at >= parts.length;
  return (
    <section aria-label="Where the cards are">
      <h2 className="text-[15px] font-bold">
        The cards {isOver ? "at the end of the day" : when ? `at ${time(when)}` : "now"}
        {!isOver && <span className="font-normal text-quiet"> in {name}</span>}
      </h2>
      <input
        type="range"
        min={0}
        max={parts.length}
        step={0.05}
        value={at}
        onChange={(e) => setAt(Number(e.target.value))}
        aria-label="Time of the day"
        aria-valuetext={when ? `${time(when)}, ${name}` : name}
        className="my-1 w-full accent-ink max-[700px]:h-11 print:hidden"
      />
      <ul>
        {groupsAt(page, at).map(([group, all]) => (
          <Group key={group} group={group} all={all} {...page} />
        ))}
      </ul>
    </section>
  );
}

function groupsAt({ cards, parts, name }: CardsPage, at: number): [string, Placed[]][] {
  const ids = parts.map((p) => p.id);
  const groups = new Map<string, Placed[]>();
  for (const { card, stays } of cards.plan.stays) {
    const stay = stays.filter((s) => ids.indexOf(s.part) + s.at <= at + 1e-6).at(-1);
    if (!stay) continue;
    const state = stay.isShot ? (stay.kind === "camera" ? "In" : "Shot, in") : "Clear, in";
    const group = `${state} ${holder(stay, name)}`;
    groups.set(group, [...(groups.get(group) ?? []), { card, stay }]);
  }
  return [...groups].sort(([a], [b]) => rank(a) - rank(b));
}

function Group({ group, all, plan, name, face }: CardsPage & { group: string; all: Placed[] }) {
  const describe = (id: string) => {
    const card = plan.items.find((i) => i.id === id);
    return [name(id), card?.kind === "card" && card.type, card?.kind === "card" && `${card.gigabytes} GB`]
      .filter(Boolean)
      .join(", ");
  };
  return (
    <li className="grid grid-cols-[11rem_1fr] items-center border-t border-rule py-1">
      <span className="leading-tight font-semibold">
        {group}
        <span className="block font-normal text-quiet">
          {all.length} {all.length === 1 ? "card" : "cards"}
        </span>
      </span>
      <ul className="flex flex-wrap gap-1.5">
        {all.map(({ card, stay }) => (
          <li key={card}>
            <CardToken
              face={face(card)}
              shot={stay.isShot}
              inCamera={stay.kind === "camera"}
              says={describe(card)}
            />
          </li>
        ))}
      </ul>
    </li>
  );
}

const rank = (group: string) => ["Clear", "In", "Shot"].findIndex((word) => group.startsWith(word));

function clockAt(start: string | null | undefined, end: string | null | undefined, share: number) {
  if (!start || !end) return null;
  const from = new Date(start).getTime();
  return new Date(from + (new Date(end).getTime() - from) * share).toISOString();
}
