import type { ScaleLinear } from "d3-scale";
import { useRef, useState, type KeyboardEvent, type PointerEvent } from "react";
import type { Part, PlanEdit } from "../api/client";
import { localText, time } from "../shared/format";
import { useDay } from "../day/DayContext";

const minute = 60_000;
const step = 5 * minute;

interface Props {
  before?: Part;
  after?: Part;
  x: number;
  left: number;
  scale: ScaleLinear<number, number>;
}

/** Where two parts meet: dragged, or moved with the arrow keys, in steps of five minutes. Parts that touch move together. */
// Long: one join is one drawing with the words for it.
export function Join({ before, after, x, left, scale }: Props) {
  const { edit, selection } = useDay();
  // Thirteen more stops on the way through the board would be too many: a part's joins are stops while it is selected.
  const near = selection?.kind === "part" && (selection.part === before?.id || selection.part === after?.id);
  const [drag, setDrag] = useState<number | null>(null);
  const from = useRef<{ pointer: number; at: number } | null>(null);
  const at = Date.parse(before?.end ?? after?.start ?? "");
  const lowest = before ? Date.parse(before.start ?? "") + step : at - 4 * 60 * minute;
  const highest = after ? Date.parse(after.end ?? "") - step : at + 4 * 60 * minute;
  const clamp = (t: number) => Math.min(highest, Math.max(lowest, Math.round(t / step) * step));
  const name = !before
    ? `${after?.name} starts`
    : !after
      ? `${before.name} ends`
      : `${before.name} ends, ${after.name} starts`;

  const move = (to: number) => {
    const next = localText(new Date(clamp(to)));
    if (clamp(to) === at) return;
    const edits: PlanEdit[] = [];
    if (before) edits.push({ type: "setPart", part: before.id, end: next });
    if (after && (!before || after.start === before.end))
      edits.push({ type: "setPart", part: after.id, start: next });
    edit(...edits);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const by = { ArrowLeft: -step, ArrowRight: step }[event.key];
    if (!by) return;
    event.preventDefault();
    move(at + by);
  };
  const onPointerDown = (event: PointerEvent<HTMLDivElement>) => {
    event.currentTarget.setPointerCapture(event.pointerId);
    from.current = { pointer: event.clientX, at: x - left };
    setDrag(at);
  };
  const onPointerMove = (event: PointerEvent) => {
    if (from.current) setDrag(clamp(scale.invert(from.current.at + event.clientX - from.current.pointer)));
  };
  const onPointerUp = () => {
    from.current = null;
    if (drag !== null) move(drag);
    setDrag(null);
  };

  const shown = drag === null ? x : left + scale(drag);
  return (
    <div
      role="slider"
      tabIndex={near ? 0 : -1}
      aria-label={`Join: ${name}`}
      aria-valuemin={lowest}
      aria-valuemax={highest}
      aria-valuenow={at}
      aria-valuetext={time(localText(new Date(at)))}
      title={`${name} ${time(localText(new Date(at)))} — drag, or arrow keys`}
      className="group absolute top-0 z-1 h-[88px] w-3 -translate-x-1/2 cursor-col-resize touch-none"
      style={{ left: shown }}
      onKeyDown={onKeyDown}
      onPointerDown={onPointerDown}
      onPointerMove={onPointerMove}
      onPointerUp={onPointerUp}
      onPointerCancel={() => {
        from.current = null;
        setDrag(null);
      }}
    >
      <div
        className={`mx-auto h-full ${drag === null ? "w-px bg-transparent group-hover:w-0.5 group-hover:bg-ink group-focus-visible:bg-ink" : "w-0.5 bg-ink"}`}
      />
      {drag !== null && (
        <span className="absolute top-full left-1/2 -translate-x-1/2 bg-ink px-1.5 text-ground">
          {time(localText(new Date(drag)))}
        </span>
      )}
    </div>
  );
}
