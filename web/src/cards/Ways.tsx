import type { CardWay } from "../api/client";
import { PartBand, PartColumns, PartShades } from "../day/PartColumns";
import { number, seconds } from "../shared/format";
import type { CardsPage } from "./Cards";
import { wayWords } from "./wayWords";

/** Frames that one camera alone holds through the day: as planned, and as it would be with other habits. */
export function Ways(page: CardsPage) {
  const { cards, parts } = page;
  if (cards.plan.bands.length === 0) return null;
  const most = Math.max(1, ...cards.plan.ways.flatMap((w) => w.curve.map((p) => p.frames)));
  return (
    <PartColumns label="Frames that one camera alone holds" parts={parts}>
      <Ticks {...page} />
      {cards.plan.ways.map((way) => (
        <PartBand key={way.kind} parts={parts} title={<Title way={way} {...page} />}>
          <Band {...page} way={way} most={most} />
        </PartBand>
      ))}
    </PartColumns>
  );
}

function handling(way: CardWay, part: (id: string) => string) {
  if (way.changes === 0) return "nothing is changed";
  const where = way.kind === "twoJoins" ? `before ${way.joins.map(part).join(" and ")}: ` : "";
  return `${where}${way.changes} ${way.changes === 1 ? "change" : "changes"}, ${seconds(way.seconds)} in all`;
}

function Title({ way, parts, part, edit }: CardsPage & { way: CardWay }) {
  const isDone = way.joins.every((id) => parts.find((p) => p.id === id)?.changeCards);
  return (
    <>
      {wayWords[way.kind]}
      <span className="narrow block font-normal text-quiet">{handling(way, part)}</span>
      {way.kind === "twoJoins" && !isDone && (
        <button
          className="min-h-[24px] font-normal underline max-[700px]:min-h-[44px] print:hidden"
          onClick={() =>
            edit(...way.joins.map((id) => ({ type: "setPart" as const, part: id, changeCards: true })))
          }
        >
          Do it so
        </button>
      )}
    </>
  );
}

/** Where one wants the cards of every camera changed, full or not. */
function Ticks({ cards, parts, edit }: CardsPage) {
  if (cards.rules.policy === "perPart") return null;
  return (
    <PartBand parts={parts} title={<span className="font-normal">Clear cards before</span>}>
      {parts.map((p, i) => (
        <label key={p.id} className="flex min-h-[28px] items-center px-1 max-[700px]:min-h-[44px]">
          {i > 0 && (
            <input
              type="checkbox"
              aria-label={`Clear cards before ${p.name ?? p.id}`}
              checked={p.changeCards === true}
              onChange={(e) => edit({ type: "setPart", part: p.id, changeCards: e.target.checked })}
            />
          )}
        </label>
      ))}
    </PartBand>
  );
}

function Band({ way, most, ...page }: CardsPage & { way: CardWay; most: number }) {
  const ids = page.parts.map((p) => p.id);
  const x = (p: { part: string; at: number }) => ids.indexOf(p.part) + p.at;
  // Parts that overlap come to the same moment twice; on one axis each is drawn once.
  const curve = way.curve.filter((p, i, all) => i === 0 || x(p) >= x(all[i - 1]!));
  const peak = curve.reduce((a, b) => (b.frames > a.frames ? b : a), curve[0]!);
  const share = (frames: number) => frames / (most * 1.15);
  const points = [
    ...curve.map((p) => `${x(p)},${1 - share(p.frames)}`),
    `${x(curve.at(-1)!)},1`,
    `${x(curve[0]!)},1`,
  ];
  return (
    <div
      className="relative h-14 print:h-9"
      style={{ gridColumn: "2 / -1" }}
      role="img"
      aria-label={`${wayWords[way.kind]}: at most ${peak.frames} frames in one camera alone`}
    >
      <svg
        viewBox={`0 0 ${ids.length} 1`}
        preserveAspectRatio="none"
        className="absolute inset-0 h-full w-full"
        aria-hidden
      >
        <PartShades ids={ids} />
        <polygon
          className={way.kind === "planned" ? "fill-hangs/45" : "fill-quiet/25"}
          points={points.join(" ")}
        />
      </svg>
      {way.kind === "planned" && <Joins ids={ids} {...page} />}
      {peak.frames > 0 && (
        <Peak peak={peak} at={x(peak) / ids.length} height={share(peak.frames)} {...page} />
      )}
    </div>
  );
}

/** A tick at each change, with the numbers of what is put in. */
function Joins({ ids, cards, face }: CardsPage & { ids: string[] }) {
  const { changes } = cards.plan;
  const keyOf = (c: (typeof changes)[number]) => `${c.part}/${c.afterFrames ?? 0}`;
  return [...new Set(changes.map(keyOf))].map((join) => {
    const here = changes.filter((c) => keyOf(c) === join);
    const at = ids.indexOf(here[0]!.part) + (here[0]!.afterFrames == null ? 0 : 0.5);
    const numbers = here.map((c) => face(c.in)).join("+");
    return (
      <span
        key={join}
        aria-hidden
        className="narrow absolute top-0 h-full max-w-20 truncate border-l-2 border-ink pl-1 text-[11px]"
        title={numbers}
        style={{ left: `${(at / ids.length) * 100}%` }}
      >
        {numbers}
      </span>
    );
  });
}

const leastShare = 0.2;
const highest = 70;

function Peak({
  peak,
  at,
  height,
  name,
}: CardsPage & { peak: CardWay["curve"][number]; at: number; height: number }) {
  return (
    <span
      aria-hidden
      className="absolute -translate-x-full bg-ground/75 px-1 whitespace-nowrap"
      style={{ left: `${Math.max(at, leastShare) * 100}%`, bottom: `${Math.min(height * 100, highest)}%` }}
    >
      <strong>{number(peak.frames)} frames</strong>
      {peak.body && `, ${name(peak.body)}`}
    </span>
  );
}
