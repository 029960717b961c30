import { memo, useMemo } from "react";
import { useDroppable } from "@dnd-kit/core";
import type { Part } from "../api/client";
import { useDay } from "../day/DayContext";
import { chainOf, setupOf, thingsOf, type Position } from "../day/dayModel";
import { seconds } from "../shared/format";
import { PullMenu } from "../pulls/PullMenu";

interface Props extends Position {
  part: Part;
  previous?: Part;
  row: number;
  column: number;
}

const tightText = (takes: number, free: number) =>
  `the change takes ${seconds(takes)}, there ${free > 0 ? `are ${seconds(free)}` : "is no time"} before it, and something here happens once`;

/** One part of a camera position's strand. What moves with the pointer is kept apart from what is drawn of the day. */
export const HandCell = memo(function HandCell({ person, position, ...rest }: Props) {
  const { part } = rest;
  const at = useMemo(() => ({ person, position }), [person, position]);
  const { setNodeRef, isOver } = useDroppable({
    id: `${part.id}/${person}/${position}`,
    data: { part: part.id, person, position },
  });
  return <Strand {...rest} at={at} setNodeRef={setNodeRef} isOver={isOver} />;
});

/** The thread, what is on it, and a knot where that changes. */
const Strand = memo(function Strand({
  at,
  part,
  previous,
  row,
  column,
  setNodeRef,
  isOver,
}: Omit<Props, keyof Position> & {
  at: Position;
  setNodeRef: (element: HTMLElement | null) => void;
  isOver: boolean;
}) {
  const { day, asIs, select, selection, pulling } = useDay();
  const setup = setupOf(part, at);
  const before = previous && setupOf(previous, at);
  const chain = setup ? chainOf(setup) : [];
  const things = setup ? thingsOf(setup) : [];
  const glassChanges = !before || chain.join() !== chainOf(before).join();
  const bodyChanges = !!setup && !!before && before.body !== setup.body;
  const gone = things.filter((id) => day.isGone(id, part.id) || day.away(id, part.id));
  const absent = !!setup && day.isOut({ kind: "person", item: at.person }, part.id);
  const broken = absent || gone.length > 0;
  const hangs = day.board.report.singlePoints.some(
    (s) => things.includes(s.item) && s.hits.some((h) => h.part === part.id),
  );
  const then = asIs?.parts.find((p) => p.id === part.id);
  const changed =
    asIs !== null &&
    things.join() !== (then ? thingsOf(setupOf(then, at) ?? { person: "", position: "" }).join() : "");
  const selected =
    selection?.kind === "hand" &&
    selection.part === part.id &&
    selection.person === at.person &&
    selection.position === at.position;
  const glass = chain.map(day.name).join(" + ");
  const change = day.board.report.changes.find(
    (c) => c.part === part.id && c.person === at.person && c.position === at.position,
  );
  const stroke = broken ? "var(--broken)" : hangs ? "var(--hangs)" : "var(--ink)";

  const cell = (
    <button
      ref={setNodeRef}
      data-cell={`${row}:${column}`}
      tabIndex={column === 0 ? 0 : -1}
      data-hand={`${part.id}/${at.person}/${at.position}`}
      aria-pressed={selected}
      aria-label={`${day.name(at.person)} ${at.position}, ${part.name ?? part.id}: ${setup ? `${glass || "no lens"} on ${day.name(setup.body ?? "no body")}` : "nothing"}${gone.length > 0 ? `, without ${gone.map(day.name).join(", ")}` : ""}${absent ? ", absent" : ""}${change?.tight ? `, ${tightText(change.seconds, change.freeSeconds)}` : ""}`}
      title={
        setup
          ? `${glass || "no lens"} on ${day.name(setup.body ?? "")}${change ? `. Change: ${seconds(change.seconds)}${change.tight ? `, ${tightText(change.seconds, change.freeSeconds)}` : ""}` : ""}`
          : "Empty hand"
      }
      onClick={
        pulling && setup ? undefined : () => select(selected ? null : { kind: "hand", part: part.id, ...at })
      }
      className={`narrow relative block h-[48px] w-full border-t border-rule text-left ${selected ? "bg-ink text-ground" : ""} ${isOver || changed ? "outline-2 -outline-offset-2 outline-ink outline-dashed" : ""}`}
    >
      {setup && (
        <>
          {(glassChanges || selected) && (
            <span className="absolute inset-x-0 bottom-[13px] line-clamp-3 pl-2 text-[11.5px] leading-[1] font-semibold">
              {glass || "no lens"}
              {bodyChanges && <span className="font-normal"> on {day.name(setup.body ?? "")}</span>}
            </span>
          )}
          <svg className="absolute inset-x-0 bottom-0 h-3.5 w-full overflow-visible" aria-hidden>
            <line
              x1="0"
              x2="100%"
              y1="8"
              y2="8"
              stroke={selected ? "var(--ground)" : stroke}
              strokeWidth="2.5"
              strokeDasharray={broken ? "5 4" : undefined}
              className={broken ? "breaks" : undefined}
            />
            {glassChanges && before && (
              <circle
                cx="0"
                cy="8"
                r="4.5"
                fill={change?.tight ? "var(--ink)" : "var(--ground)"}
                stroke="var(--ink)"
                strokeWidth="2"
              />
            )}
          </svg>
        </>
      )}
    </button>
  );
  return pulling && setup ? (
    <PullMenu things={things} body={setup.body} person={at.person} part={part.id}>
      {cell}
    </PullMenu>
  ) : (
    cell
  );
});
