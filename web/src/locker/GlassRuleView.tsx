import { Select } from "../shared/Select";
import { scaleLog } from "d3-scale";
import { useMemo } from "react";
import type { GlassRule, LockerPage, ThingView } from "../api/client";
import { fNumber, focal } from "../shared/format";
import { useWidth } from "../shared/useWidth";
import { moveBetweenCells } from "../shared/moveBetweenCells";

const ticks = [8, 10, 14, 20, 24, 35, 50, 70, 85, 100, 135, 200, 300, 400, 600, 800];
const rowHeight = 17;
const names = 178;

interface Props {
  page: LockerPage;
  things: Map<string, ThingView>;
  shown: (id: string) => boolean;
  selected: string | null;
  select: (id: string) => void;
  look: (body: string) => void;
}

/** The glass on a logarithmic rule: length is range, thickness is light, hollow is not here, one thread is alone. */
// Long: one drawing: glass, bodies and stretches share one scale.
export function GlassRuleView({ page, things, shown, selected, select, look }: Props) {
  const [frame, width] = useWidth<HTMLDivElement>();
  const { glass } = page;
  const lenses = glass.lenses.filter((l) => shown(l.id));
  const scale = useMemo(() => ruleScale(glass, Math.max(320, width - names - 120)), [glass, width]);
  const bodies = page.report.things.filter((t) => t.kind === "body" && t.status !== "retired");
  const height = lenses.length * rowHeight;
  return (
    <section aria-label="Glass" className="border-t border-rule px-4 py-2">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h2 className="text-[15px] font-bold">Glass</h2>
        <label className="text-quiet">
          as seen on{" "}
          <Select
            className="border-b border-rule bg-transparent font-semibold text-ink"
            value={page.body ?? ""}
            choose={look}
          >
            <option value="">no body: real focal lengths</option>
            {bodies.map((b) => (
              <option key={b.id} value={b.id}>
                {b.name}
              </option>
            ))}
          </Select>
        </label>
        <p className="min-w-0 flex-1">
          {glass.stretches.slice(0, 4).map((s) => (
            <span key={s.words} className={s.kind === "overlap" ? "text-quiet" : "font-semibold"}>
              {s.words}{" "}
            </span>
          ))}
        </p>
      </div>
      <div ref={frame} className="relative mt-1 overflow-x-auto" onKeyDown={moveBetweenCells}>
        <svg
          width="100%"
          height={height + 18}
          className="pointer-events-none absolute inset-0 min-w-[618px]"
          aria-hidden
        >
          {ticks
            .filter((t) => t >= (scale.domain()[0] ?? 0) && t <= (scale.domain()[1] ?? 0))
            .map((t) => (
              <g key={t} transform={`translate(${names + scale(t)},0)`}>
                <line y1="16" y2={height + 18} stroke="var(--rule)" />
                <text y="11" textAnchor="middle" fontSize="11" fontWeight="600" fill="var(--ink)">
                  {t}
                </text>
              </g>
            ))}
          {glass.stretches
            .filter((s) => s.kind === "gap")
            .map((s) => (
              <rect
                key={s.words}
                x={names + scale(s.rangeMm[0] ?? 1)}
                width={scale(s.rangeMm[1] ?? 1) - scale(s.rangeMm[0] ?? 1)}
                y="16"
                height={height + 2}
                fill="var(--band)"
              />
            ))}
        </svg>
        <ul className="relative min-w-[618px] pt-[18px]">
          {lenses.map((lens, row) => {
            const thing = things.get(lens.id);
            if (!thing) return null;
            const [low = 1, high = 1] = lens.rangeMm;
            const left = scale(low);
            const thick = 3 + lens.thickness * 9;
            const long = Math.max(thick, scale(high) - left);
            const note =
              thing.away ?? (!lens.fits ? "does not fit" : (thing.alone && "alone") || viaAdapter(lens.why));
            const colour =
              !lens.fits || thing.away ? "var(--quiet)" : thing.alone ? "var(--hangs)" : "var(--holds)";
            return (
              <li key={lens.id} style={{ height: rowHeight }}>
                <button
                  data-cell={`${row}:0`}
                  data-thing={lens.id}
                  tabIndex={row === 0 ? 0 : -1}
                  aria-pressed={selected === lens.id}
                  onClick={() => select(lens.id)}
                  className={`relative block h-full w-full text-left ${selected === lens.id ? "bg-ink text-ground" : ""}`}
                >
                  <span
                    className="narrow absolute inset-y-0 left-0 truncate font-semibold"
                    style={{ width: names - 8 }}
                  >
                    {thing.name} <span className="font-normal opacity-75">{thing.owner}</span>
                  </span>
                  <span className="sr-only">
                    , {focal(lens.rangeMm)}, {lens.fNumbers.map(fNumber).join(" to ")}
                  </span>
                  <svg
                    className="absolute top-0"
                    style={{ left: names + (long === thick ? left - thick / 2 : left) }}
                    width={long}
                    height={rowHeight}
                    aria-hidden
                  >
                    <rect
                      x="0.75"
                      width={Math.max(1, long - 1.5)}
                      y={(rowHeight - thick) / 2}
                      height={thick}
                      fill={thing.away || !lens.fits ? "none" : colour}
                      stroke={colour}
                      strokeWidth="1.5"
                      strokeDasharray={thing.away ? "4 2" : undefined}
                    />
                  </svg>
                  {note && (
                    <span
                      className="narrow absolute top-0 text-[11.5px] whitespace-nowrap"
                      style={{
                        left: names + left + long + 8,
                        color: selected === lens.id ? undefined : colour,
                      }}
                    >
                      {note}
                    </span>
                  )}
                </button>
              </li>
            );
          })}
        </ul>
      </div>
    </section>
  );
}

const viaAdapter = (why: string | null | undefined) =>
  why?.startsWith("through") ? why.split(",")[0] : null;

function ruleScale(glass: GlassRule, width: number) {
  const all = glass.lenses.flatMap((l) => l.rangeMm);
  const low = Math.min(14, ...all) / 1.1;
  const high = Math.max(200, ...all) * 1.15;
  return scaleLog().domain([low, high]).range([0, width]);
}
