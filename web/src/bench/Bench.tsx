import { Fragment, useState, type ReactNode } from "react";
import type { NeedExplanation, Weighed } from "../api/client";
import { useDay } from "../day/DayContext";
import { useWidth } from "../shared/useWidth";
import { benchRows, rowKey } from "./benchModel";

const rowHeight = 24;

interface Props {
  label: string;
  explanation: NeedExplanation;
  /** The axis above the rows, for a drawing so wide. */
  axis: (width: number) => ReactNode;
  /** What lies behind every row, so high. */
  behind: (width: number, height: number) => ReactNode;
  /** The drawing of one row. */
  draw: (w: Weighed, width: number) => ReactNode;
  /** Its figures in words. */
  tell: (w: Weighed) => ReactNode;
  children?: ReactNode;
}

/** What helps it, in a word where it is a whole chain. */
const helped = (w: Weighed, name: (id: string) => string) =>
  w.aid === "lights" ? ["room lights"] : w.with.map(name);

/** Every body and glass in reach laid out along one axis: names left, figures right, each row also readable as text. */
// Long: the markup of a bench.
export function Bench({ label, explanation, axis, behind, draw, tell, children }: Props) {
  const { day } = useDay();
  const [all, setAll] = useState(false);
  const [ref, width] = useWidth<HTMLDivElement>();
  const rows = benchRows(explanation, all);
  const rest = explanation.weighed.length - rows.length;
  return (
    <section aria-label={label} className="mt-1">
      {children}
      <div className="grid grid-cols-[minmax(9rem,15rem)_minmax(8rem,1fr)_minmax(12rem,24rem)] gap-x-3 max-[700px]:grid-cols-1">
        <div className="max-[700px]:hidden" />
        <div ref={ref} className="h-5 min-w-0">
          <svg width={width} height={20} className="overflow-visible" aria-hidden>
            {width > 0 && axis(width)}
          </svg>
        </div>
        <div className="max-[700px]:hidden" />
        {rows.map((w) => (
          <Fragment key={rowKey(w)}>
            <div
              className={`narrow truncate leading-[24px] ${w.noFor.length > 0 || w.gone.length > 0 ? "text-quiet" : "font-semibold"}`}
              title={[...w.glass, ...w.with].map(day.name).join(" + ")}
            >
              {[...w.glass.map(day.name), ...helped(w, day.name)].join(" + ")}{" "}
              <span className="font-normal text-quiet">on {day.name(w.body)}</span>
            </div>
            <svg width={width} height={rowHeight} className="overflow-visible" aria-hidden>
              {width > 0 && (
                <>
                  {behind(width, rowHeight)}
                  {draw(w, width)}
                </>
              )}
            </svg>
            <div className="narrow truncate text-[12.5px] leading-[24px] max-[700px]:mb-2 max-[700px]:whitespace-normal max-[700px]:leading-tight">
              {tell(w)}
            </div>
          </Fragment>
        ))}
      </div>
      {rest > 0 && (
        <button className="py-1 underline" onClick={() => setAll(true)}>
          and {rest} more that serve it less
        </button>
      )}
    </section>
  );
}
