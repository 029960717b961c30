import { useRef } from "react";
import type { PowerBand } from "../api/client";
import { inOrder, PartBand, PartColumns, PartShades } from "../day/PartColumns";
import { percent, time } from "../shared/format";
import type { PowerPage } from "./Power";

/** What every camera and flash at work has left, falling through the day; a tick is a change, which can be moved to another join. */
export function Bands(page: PowerPage) {
  const { plan, power } = page;
  const parts = inOrder(plan.parts);
  if (power.plan.bands.length === 0) return null;
  return (
    <PartColumns label="What each camera and flash has left" parts={parts}>
      {power.plan.bands.map((band) => (
        <PartBand key={band.device} title={page.name(band.device)} parts={parts}>
          <Band band={band} ids={parts.map((p) => p.id)} {...page} />
        </PartBand>
      ))}
    </PartColumns>
  );
}

// Long: one drawing: charge, reserve, changes and what goes dark share one scale.
function Band({ band, ids, ...page }: PowerPage & { band: PowerBand; ids: string[] }) {
  const { power, name, part, edit } = page;
  const room = useRef<HTMLDivElement>(null);
  const count = ids.length;
  const x = (level: { part: string; at: number }) => ids.indexOf(level.part) + level.at;
  // A stretch is what one battery gives without a break; a camera that rests between two parts keeps what it has.
  const stretches: (typeof band.levels)[] = [];
  for (const level of band.levels) {
    const last = stretches.at(-1);
    if (last && last[0]?.battery === level.battery) last.push(level);
    else stretches.push([level]);
  }
  const changes = power.plan.changes.filter((c) => c.body === band.device);
  const isBody = page.isBody(band.device);
  const pinned = (id: string) => page.isPinned(band.device, id);
  const move = (from: string, to: string | undefined) =>
    isBody &&
    to &&
    to !== from &&
    edit({ type: "pinChange", body: band.device, part: to, from: pinned(from) ? from : null });
  return (
    <div ref={room} className="relative h-11 print:h-7" style={{ gridColumn: "2 / -1" }}>
      <svg
        viewBox={`0 0 ${count} 1`}
        preserveAspectRatio="none"
        className="absolute inset-0 h-full w-full"
        aria-hidden
      >
        <PartShades ids={ids} />
        {stretches.map((levels, i) => (
          <polygon
            key={i}
            className="fill-holds/30"
            points={[
              ...levels.map((l) => `${x(l)},${1 - l.left}`),
              `${x(levels.at(-1)!)},1`,
              `${x(levels[0]!)},1`,
            ].join(" ")}
          />
        ))}
        <line
          x1={0}
          x2={count}
          y1={1 - band.reserve}
          y2={1 - band.reserve}
          className="stroke-hangs"
          strokeDasharray="2 3"
          vectorEffect="non-scaling-stroke"
        />
      </svg>
      {power.plan.short
        .filter((s) => s.device === band.device)
        .map((s) => (
          <span
            key={s.part}
            className="absolute top-1 z-10 border-l-2 border-broken bg-ground px-1 font-semibold whitespace-nowrap text-broken"
            style={{
              left: `${((ids.indexOf(s.part) + s.afterFrames / (s.afterFrames + s.frames)) / count) * 100}%`,
            }}
          >
            dark {s.at ? `at ${time(s.at)}` : ""}
          </span>
        ))}
      {stretches.map((levels, i) => {
        const last = levels.at(-1)!;
        return (
          <span
            key={i}
            className="narrow absolute top-0 -translate-x-full pr-1 text-[11px] whitespace-nowrap text-quiet"
            style={{ left: `${(x(last) / count) * 100}%` }}
          >
            {percent(last.left)}
          </span>
        );
      })}
      {changes.map((c) => {
        const hint = isBody ? " Left and right arrow move it." : "";
        const at = ids.indexOf(c.part) + (c.afterFrames == null ? 0 : 0.5);
        return (
          <button
            key={`${c.part} ${c.in}`}
            className="narrow absolute top-0 z-10 flex h-full min-w-[24px] touch-none items-end border-l-[3px] border-ink pl-1 text-[11px]"
            style={{ left: `${(at / count) * 100}%` }}
            aria-label={`${name(band.device)}: ${name(c.in)} in before ${part(c.part)}${pinned(c.part) ? ", wanted here" : ""}.${hint}`}
            title="Drag it to another join, or use the arrow keys; Delete lets the plan decide"
            onKeyDown={(e) => {
              const step = { ArrowLeft: -1, ArrowRight: 1 }[e.key];
              if (step) {
                e.preventDefault();
                move(c.part, ids[ids.indexOf(c.part) + step]);
              }
              if (e.key === "Delete" && pinned(c.part))
                edit({ type: "pinChange", body: band.device, part: null, from: c.part });
            }}
            onPointerDown={(e) => e.currentTarget.setPointerCapture(e.pointerId)}
            onPointerUp={(e) => {
              const box = room.current?.getBoundingClientRect();
              if (!box) return;
              move(c.part, ids[Math.round(((e.clientX - box.left) / box.width) * count)]);
            }}
          >
            {pinned(c.part) ? "wanted" : ""}
          </button>
        );
      })}
    </div>
  );
}
