import { Fragment, memo, useMemo } from "react";
import type { Part } from "../api/client";
import { Strands } from "../marks/Strands";
import { useWidth } from "../shared/useWidth";
import { strandWord } from "../shared/words";
import { useDay } from "../day/DayContext";
import { columnWidths, setupOf, timeScale, type Position } from "../day/dayModel";
import { cardFace } from "../cards/cardFace";
import { HandRoom } from "../cards/HandRoom";
import { useCards } from "../cards/useCards";
import { HandCharge } from "../power/HandCharge";
import { usePower } from "../power/usePower";
import { useKept } from "../shared/useKept";
import { HandCell } from "./HandCell";
import { Join } from "./Join";
import { moveBetweenCells } from "../shared/moveBetweenCells";
import { NeedMark } from "./NeedMark";
import { PartHead } from "./PartHead";

const labelWidth = 112;
const narrowest = 74;

/** The body a position starts the day with; where that changes, the strand says so. */
function firstBody(parts: Part[], at: Position, name: (id: string) => string) {
  const body = parts.map((p) => setupOf(p, at)?.body).find(Boolean);
  return body ? name(body) : "no body";
}

/** The day as a board: parts are columns on the time axis, camera positions are strands through it. */
export const DayGrid = memo(function DayGrid() {
  const { day, pulls } = useDay();
  const { parts, positions } = day;
  const [ref, width] = useWidth<HTMLDivElement>();
  const widths = useMemo(() => columnWidths(parts, width - labelWidth - 8, narrowest), [parts, width]);
  const scale = useMemo(() => timeScale(parts, widths), [parts, widths]);
  const edges = widths.reduce<number[]>((xs, w) => [...xs, (xs.at(-1) ?? 0) + w], []);
  const [kept, keep] = useKept("charge under each hand");
  const charge = kept !== "";
  const { data: power } = usePower(day.board.key, pulls, "high", charge);
  const { data: cards } = useCards(day.board.key, pulls, "high", charge);
  const face = cardFace(day.board.plan.items);
  const met = day.board.report.needs.filter((n) => n.strands > 1).length;

  return (
    <div ref={ref} className="overflow-x-auto px-4">
      {width > 0 && (
        <div
          className="relative isolate grid w-max"
          style={{ gridTemplateColumns: `${labelWidth}px ${widths.map((w) => `${w}px`).join(" ")}` }}
          onKeyDown={moveBetweenCells}
          role="group"
          aria-label="The day"
          data-first-cell
        >
          <div className="pointer-events-none absolute inset-y-0 -z-10" aria-hidden>
            {widths.map((w, i) =>
              i % 2 === 0 ? (
                <div
                  key={i}
                  className="absolute inset-y-0 bg-band"
                  style={{ left: labelWidth + (edges[i - 1] ?? 0), width: w }}
                />
              ) : null,
            )}
          </div>

          <div />
          {parts.map((part, c) => (
            <PartHead key={part.id} part={part} column={c} />
          ))}
          {[-1, ...parts.keys()].map((c) => (
            <Join
              key={c}
              before={parts[c]}
              after={parts[c + 1]}
              x={labelWidth + (edges[c] ?? 0)}
              scale={scale}
              left={labelWidth}
            />
          ))}

          <div className="sticky left-0 z-2 flex flex-col justify-center bg-ground leading-tight font-semibold">
            The day
            <button
              className="narrow w-fit text-left font-normal underline print:hidden max-[700px]:min-h-[44px]"
              aria-pressed={charge}
              onClick={() => keep(charge ? "" : "shown")}
            >
              {charge ? "Hide charge and cards" : "Show charge and cards"}
            </button>
          </div>
          {parts.map((part) => (
            <div
              key={part.id}
              className="px-0.5 py-2"
              title={`${part.name ?? part.id}: ${strandWord[day.partStrands(part.id)]}`}
            >
              <Strands
                count={day.partStrands(part.id)}
                width="full"
                height={20}
                label={part.name ?? part.id}
                breaking
              />
            </div>
          ))}

          {positions.map((at, r) => (
            <Fragment key={`${at.person}:${at.position}`}>
              <div className="sticky left-0 z-2 border-t border-rule bg-ground pt-1 leading-tight">
                <span className="font-semibold">
                  {day.name(at.person)} {at.position}
                </span>
                <span className="narrow block text-quiet">{firstBody(parts, at, day.name)}</span>
                <Changes at={at} />
              </div>
              {parts.map((part, c) => (
                <HandCell key={part.id} {...at} part={part} previous={parts[c - 1]} row={r + 1} column={c} />
              ))}
              {charge && (
                <>
                  <span className="narrow sticky left-0 z-2 bg-ground text-[11.5px] text-quiet">
                    charge left
                  </span>
                  {parts.map((part) => (
                    <HandCharge key={part.id} at={at} part={part} power={power} name={day.name} />
                  ))}
                  <span className="narrow sticky left-0 z-2 bg-ground text-[11.5px] text-quiet">
                    cards filled
                  </span>
                  {parts.map((part) => (
                    <HandRoom key={part.id} at={at} part={part} cards={cards} name={day.name} face={face} />
                  ))}
                </>
              )}
            </Fragment>
          ))}

          <div className="sticky left-0 z-2 border-t border-rule bg-ground pt-1.5 font-semibold">
            Needs
            <div className="font-normal text-quiet">
              {met} of {day.board.report.needs.length} hold
            </div>
          </div>
          {parts.map((part, c) => (
            <ul
              key={part.id}
              className="border-t border-rule py-1.5"
              aria-label={`Needs of ${part.name ?? part.id}`}
            >
              {part.needs.map((need, r) => (
                <li key={need.id}>
                  <NeedMark part={part} need={need} cell={`${100 + r}:${c}`} />
                </li>
              ))}
            </ul>
          ))}
        </div>
      )}
    </div>
  );
});

/** How often the glass changes in a position, and how often without the time for it. */
function Changes({ at }: { at: Position }) {
  const { day } = useDay();
  const own = day.board.report.changes.filter((c) => c.person === at.person && c.position === at.position);
  const tight = own.filter((c) => c.tight).length;
  if (own.length === 0) return null;
  return (
    <span className="narrow block text-[11.5px] leading-none text-quiet">
      {own.length} {own.length === 1 ? "change" : "changes"}
      {tight > 0 && `, ${tight} without time`}
    </span>
  );
}
