import { scaleLog } from "d3-scale";
import type { NeedExplanation } from "../api/client";
import { focal, number } from "../shared/format";
import { Bench } from "./Bench";
import { costText, firstChoice, threadOf } from "./benchModel";
import { Thread } from "./Thread";

const ticks = [12, 16, 24, 35, 50, 85, 135, 200, 300, 400, 600, 800];

/** Every body and glass along equivalent focal lengths, over the band that is wanted. */
// Long: one drawing: glass and bands share one scale.
export function FramingBench({ explanation }: { explanation: NeedExplanation }) {
  const { asked, weighed } = explanation;
  const first = firstChoice(explanation);
  const ends = weighed.flatMap((w) => w.equivalentMm).concat(asked.focalMm ?? [], asked.acceptMm ?? []);
  const uncovered = asked.bands.filter((b) => b.outcome === "lost" || b.outcome === "late");
  const low = Math.min(...ends) / 1.1;
  const high = Math.max(...ends) * 1.1;
  const scale = (width: number) => scaleLog([low, high], [0, width]).clamp(true);
  return (
    <Bench
      label="Framing bench"
      explanation={explanation}
      axis={(width) => {
        const x = scale(width);
        return ticks
          .filter((t) => t > low && t < high)
          .filter((t, i, all) => i === 0 || x(t) - x(all[i - 1] ?? t) > 18)
          .map((t) => (
            <g key={t}>
              <text x={x(t)} y="12" textAnchor="middle" className="fill-quiet text-[11px]">
                {t}
              </text>
              <line x1={x(t)} x2={x(t)} y1="15" y2="19" stroke="var(--rule)" />
            </g>
          ));
      }}
      behind={(width, height) => {
        const x = scale(width);
        const band = ([from = low, to = high]: number[]) => ({
          x: x(from),
          width: Math.max(4, x(to) - x(from)),
          height,
        });
        return (
          <>
            {asked.acceptMm && <rect {...band(asked.acceptMm)} fill="var(--band)" opacity="0.45" />}
            {asked.focalMm && <rect {...band(asked.focalMm)} fill="var(--band)" />}
            {uncovered.map((b) => (
              <rect
                key={b.focalMm[0]}
                data-uncovered={focal(b.focalMm)}
                {...band(b.focalMm)}
                fill="none"
                stroke="var(--broken)"
                strokeWidth="1.5"
                strokeDasharray="5 4"
              />
            ))}
          </>
        );
      }}
      draw={(w, width) => {
        const x = scale(width);
        return (
          <>
            <Thread
              kind={threadOf(w)}
              x1={x(w.equivalentMm[0] ?? low)}
              x2={x(w.equivalentMm[1] ?? high)}
              y={12}
            />
            {threadOf(w) !== "broken" && (
              <circle cx={x(w.fit.equivalentUsedMm)} cy="12" r="3.5" fill="var(--ink)" />
            )}
          </>
        );
      }}
      tell={(w) => (
        <>
          {asked.closeWidthMm ? `frame ${number(w.fit.frameMm ?? 0)} mm` : focal(w.equivalentMm)},{" "}
          {number(w.fit.megapixelsLeft)} MP
          {w.fit.factor > 1.005 &&
            !w.secondBestFor.some((s) => s === "widerThanAsked" || s === "tighterThanAsked") &&
            `, ${w.fit.case === "tooShort" ? "crop" : "too long"} ${number(w.fit.factor)}×`}
          <span className="text-quiet"> · {costText(w, first)}</span>
        </>
      )}
    >
      <p className="text-quiet">
        Full-frame equivalent, mm.{" "}
        {asked.focalMm ? (
          <>
            The band is what is wanted, {focal(asked.focalMm)}
            {asked.computed.focalMm && focal(asked.computed.focalMm) !== focal(asked.focalMm)
              ? `, typed over ${focal(asked.computed.focalMm)} from the frame and the place to stand`
              : asked.computed.focalMm
                ? ", from the frame and the place to stand"
                : ", typed in"}
            ; the dot is the length used.
            {asked.acceptMm && ` What is still the picture, second best: ${focal(asked.acceptMm)}.`}
            {asked.bands.length > 0 && " All of it must be covered; "}
            {asked.bands.length > 0 &&
              (uncovered.length > 0
                ? `dashed is what is not: ${uncovered.map((b) => focal(b.focalMm)).join(", ")}. The rows are told of the worst stretch.`
                : "and it is.")}
          </>
        ) : (
          "Any framing will do; the dot is the length used."
        )}
      </p>
    </Bench>
  );
}
