import { useState } from "react";
import type { CardStay } from "../api/client";
import { time } from "../shared/format";
import type { CardsPage } from "./Cards";
import { CardToken } from "./CardToken";
import { holder } from "./Changes";

/** Where every card is at one time of the day: clear, in which camera, shot and in whose wallet. */
export function Wallets(page: CardsPage) {
  const { cards, parts, name, face, plan } = page;
  const [at, setAt] = useState(parts.length);
  if (cards.plan.stays.length === 0) return null;
  const number = Math.min(Math.floor(at), parts.length - 1);
  const share = at - number;
  const ids = parts.map((p) => p.id);
  const has = (s: CardStay) => ids.indexOf(s.part) + s.at <= at + 1e-6;
  const now = cards.plan.stays.flatMap(({ card, stays }) => {
    const stay = stays.filter(has).at(-1);
    return stay ? [{ card, stay }] : [];
  });
  const describe = (id: string) => {
    const card = plan.items.find((i) => i.id === id);
    return [name(id), card?.kind === "card" && card.type, card?.kind === "card" && `${card.gigabytes} GB`]
      .filter(Boolean)
      .join(", ");
  };
  const groups = new Map<string, typeof now>();
  for (const one of now) {
    const group = `${one.stay.isShot ? (one.stay.kind === "camera" ? "In" : "Shot, in") : "Clear, in"} ${holder(one.stay, name)}`;
    groups.set(group, [...(groups.get(group) ?? []), one]);
  }
  const there = parts[number]!;
  const when = clockAt(there.start, there.end, share);
  return (
    <section aria-label="Where the cards are">
      <h2 className="text-[15px] font-bold">
        The cards {at >= parts.length ? "at the end of the day" : when ? `at ${time(when)}` : "now"}
        {at < parts.length && <span className="font-normal text-quiet"> in {there.name ?? there.id}</span>}
      </h2>
      <input
        type="range"
        min={0}
        max={parts.length}
        step={0.05}
        value={at}
        onChange={(e) => setAt(Number(e.target.value))}
        aria-label="Time of the day"
        aria-valuetext={when ? `${time(when)}, ${there.name ?? there.id}` : (there.name ?? there.id)}
        className="my-1 w-full accent-ink max-[700px]:h-11 print:hidden"
      />
      <ul>
        {[...groups]
          .sort(([a], [b]) => rank(a) - rank(b))
          .map(([group, all]) => (
            <li key={group} className="grid grid-cols-[11rem_1fr] items-center border-t border-rule py-1">
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
          ))}
      </ul>
    </section>
  );
}

const rank = (group: string) => ["Clear", "In", "Shot"].findIndex((word) => group.startsWith(word));

function clockAt(start: string | null | undefined, end: string | null | undefined, share: number) {
  if (!start || !end) return null;
  const from = new Date(start).getTime();
  return new Date(from + (new Date(end).getTime() - from) * share).toISOString();
}
