import { PartBand, PartColumns, PartShades } from "../day/PartColumns";
import { percent } from "../shared/format";
import type { CardsPage } from "./Cards";

/** How full the card in each slot is, rising through the day; a tick is a change. */
export function Room({ cards, parts, name, face }: CardsPage) {
  const { bands, types } = cards.plan;
  if (bands.length === 0) return null;
  const ids = parts.map((p) => p.id);
  const x = (l: { part: string; at: number }) => ids.indexOf(l.part) + l.at;
  return (
    <details className="mt-4 print:hidden">
      <summary className="cursor-pointer font-bold">
        Room on the cards:{" "}
        {types
          .map(
            (t) =>
              `${t.used} of ${t.ready} ${t.type} written to${t.short > 0 ? `, ${t.short} short` : ""}${t.unmet > 0 ? `, ${t.unmet} parts begun on a card that is not clear` : ""}`,
          )
          .join("; ")}
      </summary>
      <PartColumns label="How full the cards are" parts={parts}>
        {bands.map((band) => {
          const stretches = new Map<string, typeof band.levels>();
          for (const level of band.levels)
            stretches.set(level.card ?? "", [...(stretches.get(level.card ?? "") ?? []), level]);
          return (
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
              <div className="relative h-7" style={{ gridColumn: "2 / -1" }}>
                <svg
                  viewBox={`0 0 ${ids.length} 1`}
                  preserveAspectRatio="none"
                  className="absolute inset-0 h-full w-full"
                  aria-hidden
                >
                  <PartShades ids={ids} />
                  {[...stretches].map(([card, levels]) => (
                    <polygon
                      key={card}
                      className="fill-holds/30"
                      points={[
                        ...levels.map((l) => `${x(l)},${1 - l.full}`),
                        `${x(levels.at(-1)!)},1`,
                        `${x(levels[0]!)},1`,
                      ].join(" ")}
                    />
                  ))}
                </svg>
                {[...stretches].map(([card, levels]) => (
                  <span
                    key={card}
                    className="narrow absolute top-0 -translate-x-full pr-1 text-[11px] whitespace-nowrap"
                    style={{ left: `${(x(levels.at(-1)!) / ids.length) * 100}%` }}
                  >
                    {card ? `${face(card)}: ${percent(levels.at(-1)!.full)}` : "none"}
                  </span>
                ))}
              </div>
            </PartBand>
          );
        })}
      </PartColumns>
    </details>
  );
}
