import { PartBand, PartColumns, PartShades } from "../day/PartColumns";
import { percent } from "../shared/format";
import type { CardsPage } from "./Cards";

type Band = CardsPage["cards"]["plan"]["bands"][number];
type CardType = CardsPage["cards"]["plan"]["types"][number];

const typeWords = (t: CardType) =>
  [
    `${t.used} of ${t.ready} ${t.type} written to`,
    t.short > 0 && `${t.short} short`,
    t.unmet > 0 && `${t.unmet} parts begun on a card that is not clear`,
  ]
    .filter(Boolean)
    .join(", ");

/** How full the card in each slot is, rising through the day; a tick is a change. */
export function Room(page: CardsPage) {
  const { cards, parts, name } = page;
  const { bands, types } = cards.plan;
  if (bands.length === 0) return null;
  return (
    <details className="mt-4 print:hidden">
      <summary className="cursor-pointer font-bold">
        Room on the cards: {types.map(typeWords).join("; ")}
      </summary>
      <PartColumns label="How full the cards are" parts={parts}>
        {bands.map((band) => (
          <PartBand
            key={`${band.body}/${band.slot}`}
            parts={parts}
            title={
              <>
                {name(band.body)}
                <span className="font-normal text-quiet"> slot {band.slot}</span>
              </>
            }
          >
            <Rising band={band} {...page} />
          </PartBand>
        ))}
      </PartColumns>
    </details>
  );
}

function Rising({ band, parts, face }: CardsPage & { band: Band }) {
  const ids = parts.map((p) => p.id);
  const x = (l: { part: string; at: number }) => ids.indexOf(l.part) + l.at;
  const stretches = new Map<string, Band["levels"]>();
  for (const level of band.levels)
    stretches.set(level.card ?? "", [...(stretches.get(level.card ?? "") ?? []), level]);
  const all = [...stretches];
  const points = (levels: Band["levels"]) =>
    [...levels.map((l) => `${x(l)},${1 - l.full}`), `${x(levels.at(-1)!)},1`, `${x(levels[0]!)},1`].join(" ");
  return (
    <div className="relative h-7" style={{ gridColumn: "2 / -1" }}>
      <svg
        viewBox={`0 0 ${ids.length} 1`}
        preserveAspectRatio="none"
        className="absolute inset-0 h-full w-full"
        aria-hidden
      >
        <PartShades ids={ids} />
        {all.map(([card, levels]) => (
          <polygon key={card} className="fill-holds/30" points={points(levels)} />
        ))}
      </svg>
      {all.map(([card, levels]) => (
        <span
          key={card}
          className="narrow absolute top-0 -translate-x-full pr-1 text-[11px] whitespace-nowrap"
          style={{ left: `${(x(levels.at(-1)!) / ids.length) * 100}%` }}
        >
          {card ? `${face(card)}: ${percent(levels.at(-1)!.full)}` : "none"}
        </span>
      ))}
    </div>
  );
}
