import type { Swap, SwapChanges } from "../api/client";
import { Strands } from "../marks/Strands";
import { seconds, time } from "../shared/format";
import { useDay } from "../day/DayContext";

const fate = { new: "new", other: "with another", dropped: "no longer", stays: "as planned" } as const;

const frames = (n: number) => `${n} ${n === 1 ? "frame" : "frames"}`;

/** When batteries and cards are changed once something has failed, beside what was planned. */
// Long: one sentence in all its cases.
export function SwapList({ swaps }: { swaps: SwapChanges }) {
  const { day } = useDay();
  const changes = swaps.swaps.some((s) => s.fate !== "stays") || swaps.short.length > 0;
  const part = (id: string) => day.parts.find((p) => p.id === id);
  if (swaps.swaps.length + swaps.short.length === 0)
    return <p className="mt-1 text-quiet">{swaps.headline}</p>;
  return (
    <details
      key={swaps.headline}
      open={changes}
      aria-label="New plan of swaps"
      className="mt-1 border-t border-rule pt-1"
    >
      <summary className={changes ? "font-semibold" : "text-quiet"}>{swaps.headline}</summary>
      {/* It may scroll, so that the keyboard must get to it. */}
      <ol tabIndex={0} aria-label="Swaps" className="flex flex-col gap-1 overflow-auto min-[701px]:max-h-28">
        {swaps.short.map((gap) => (
          <li key={`${gap.part}/${gap.body}/${gap.slot}`} className="flex flex-wrap items-baseline gap-x-3">
            <span className="flex w-24 shrink-0 items-center gap-2 font-semibold">
              <Strands count={0} outcome="lost" /> nothing left
            </span>
            <span className="flex-1 basis-72">
              <span className="text-quiet">{time(part(gap.part)?.start)}</span> {part(gap.part)?.name}:{" "}
              <strong>{day.name(gap.body)}</strong>
              {gap.slot ? `, slot ${gap.slot},` : ""} has no {gap.type} left{" "}
              {gap.afterFrames > 0
                ? `after ${frames(gap.afterFrames)}; ${gap.frames} more ${gap.frames === 1 ? "is" : "are"} expected on a busy day`
                : `for the ${frames(gap.frames)} of a busy day`}
            </span>
          </li>
        ))}
        {swaps.swaps.map((c) => (
          <SwapLine key={keyOf(c.swap) + c.fate} swap={c.swap} fate={c.fate} />
        ))}
      </ol>
      {!swaps.isBest && (
        <p className="text-quiet">
          So many batteries or cards all differ that not every plan was tried: perhaps fewer changes would do.
        </p>
      )}
      {swaps.estimated.length > 0 && (
        <p className="text-quiet">
          Reckoned with usual figures for {swaps.estimated.map(day.name).join(", ")}: nobody has said how many
          frames it takes on a charge or how large its raw files are.
        </p>
      )}
    </details>
  );
}

const keyOf = (s: Swap) => `${s.part}/${s.body}/${s.slot}/${s.afterFrames}/${s.in}`;

function SwapLine({ swap, fate: of }: { swap: Swap; fate: keyof typeof fate }) {
  const { day } = useDay();
  const part = day.parts.find((p) => p.id === swap.part);
  const name = part?.name ?? swap.part;
  return (
    <li className="flex flex-wrap items-baseline gap-x-3">
      <span
        className={`w-24 shrink-0 ${of === "dropped" || of === "stays" ? "text-quiet" : "font-semibold"}`}
      >
        {fate[of]}
      </span>
      <span className={`flex-1 basis-72 ${of === "dropped" ? "text-quiet line-through" : ""}`}>
        <span className="text-quiet">{time(part?.start)}</span>{" "}
        {swap.afterFrames == null ? `before ${name}` : `in ${name}, after about ${frames(swap.afterFrames)}`}:{" "}
        <strong>{day.name(swap.body)}</strong>
        {swap.slot ? `, slot ${swap.slot},` : ""} gets {day.name(swap.in)}
        {swap.from ? ` from ${day.name(swap.from)}` : ""}{" "}
        <span className="text-quiet">
          {seconds(swap.seconds)}
          {swap.out && `; ${day.name(swap.out)} has then given ${swap.given} of ${swap.holds} frames`}
        </span>
        {of !== "dropped" && swap.inOnce && <strong> In the middle of what happens once.</strong>}
        {of !== "dropped" && swap.tooSlowFor && (
          <strong>
            {" "}
            Longer than {part?.needs.find((n) => n.id === swap.tooSlowFor)?.name ?? name} can wait.
          </strong>
        )}
      </span>
    </li>
  );
}
