import { memo, useMemo, type Ref } from "react";
import { useDroppable } from "@dnd-kit/core";
import type { HandAsUsed, Part } from "../api/client";
import { useDay, type DayActions } from "../day/DayContext";
import { chainOf, setupOf, thingsOf, type Position } from "../day/dayModel";
import { number, percent, seconds } from "../shared/format";
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

/** What the day says of one part of a strand, apart from how it is drawn: where nothing else is said, nothing is drawn anew. */
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
  const { day, asIs, select, selection, pulling, was } = useDay();
  const setup = setupOf(part, at);
  const before = previous && setupOf(previous, at);
  const chain = setup ? chainOf(setup) : [];
  const things = setup ? thingsOf(setup) : [];
  const gone = things.filter((id) => day.isGone(id, part.id) || day.away(id, part.id));
  const absent = !!setup && day.isOut({ kind: "person", item: at.person }, part.id);
  const then = asIs?.parts.find((p) => p.id === part.id);
  const changed =
    asIs !== null &&
    things.join() !== (then ? thingsOf(setupOf(then, at) ?? { person: "", position: "" }).join() : "");
  const selected =
    selection?.kind === "hand" &&
    selection.part === part.id &&
    selection.person === at.person &&
    selection.position === at.position;
  const change = day.board.report.changes.find(
    (c) => c.part === part.id && c.person === at.person && c.position === at.position,
  );
  const used = was?.find((p) => p.part === part.id);
  const really = used && setup?.body ? used.hands.find((h) => h.body === setup.body) : undefined;
  const drawn: ThreadProps = {
    ref: setNodeRef,
    cell: `${row}:${column}`,
    part,
    at,
    hand: day.name(at.person),
    held: !!setup,
    glass: chain.map(day.name).join(" + ") || "no lens",
    body: day.name(setup?.body ?? ""),
    without: gone.map(day.name).join(", "),
    absent,
    hangs: day.hangsBy(things, part.id),
    change: change && seconds(change.seconds),
    tight: change?.tight ? tightText(change.seconds, change.freeSeconds) : undefined,
    glassChanges: !before || chain.join() !== chainOf(before).join(),
    bodyChanges: !!setup && !!before && before.body !== setup.body,
    knotted: !!before,
    selected,
    marked: isOver || changed,
    select: pulling && setup ? undefined : select,
    asPlanned: used && setup ? (really?.glass.find((g) => g.glass === setup.lens)?.share ?? 0) : undefined,
    wasSaid: used && setup ? wasSaid(really) : "",
  };
  return pulling && setup ? (
    <PullMenu things={things} body={setup.body} person={at.person} part={part.id}>
      <Thread {...drawn} />
    </PullMenu>
  ) : (
    <Thread {...drawn} />
  );
});

/** What a camera really did in a part. */
const wasSaid = (really: HandAsUsed | undefined) =>
  really
    ? `was: ${number(really.frames)} pictures, ${number(really.planned)} likely; ${really.glass.map((g) => `${g.name} ${percent(g.share)}`).join(", ")}`
    : "was: not used";

interface ThreadProps {
  ref: Ref<HTMLButtonElement>;
  /** Row and column for the arrow keys. */
  cell: string;
  part: Part;
  at: Position;
  /** Whose hand. */
  hand: string;
  held: boolean;
  glass: string;
  body: string;
  /** Names of what is pulled or elsewhere. */
  without: string;
  absent: boolean;
  hangs: boolean;
  /** How long the change before it takes. */
  change?: string;
  /** That there is no time for it. */
  tight?: string;
  glassChanges: boolean;
  bodyChanges: boolean;
  /** There is a part before. */
  knotted: boolean;
  selected: boolean;
  marked: boolean;
  select?: DayActions["select"];
  /** Share of its pictures that went through the glass that was planned; not known before they were read. */
  asPlanned: number | undefined;
  wasSaid: string;
}

/** The thread, what is on it, and a knot where that changes. */
const Thread = memo(function Thread({
  ref,
  cell,
  part,
  at,
  hand,
  held,
  glass,
  body,
  without,
  absent,
  hangs,
  change,
  tight,
  glassChanges,
  bodyChanges,
  knotted,
  selected,
  marked,
  select,
  asPlanned,
  wasSaid,
  ...trigger
}: ThreadProps) {
  const broken = absent || without !== "";
  const stroke = broken ? "var(--broken)" : hangs ? "var(--hangs)" : "var(--ink)";
  const late = tight ? `, ${tight}` : "";
  return (
    <button
      {...trigger}
      ref={ref}
      data-cell={cell}
      tabIndex={cell.endsWith(":0") ? 0 : -1}
      data-hand={`${part.id}/${at.person}/${at.position}`}
      aria-pressed={selected}
      aria-label={
        `${hand} ${at.position}, ${part.name ?? part.id}: ${held ? `${glass} on ${body || "no body"}` : "nothing"}` +
        `${without && `, without ${without}`}${absent ? ", absent" : ""}${late}${wasSaid && `; ${wasSaid}`}`
      }
      title={
        held
          ? `${glass} on ${body}${change ? `. Change: ${change}${late}` : ""}${wasSaid && `. ${wasSaid}`}`
          : "Empty hand"
      }
      onClick={select && (() => select(selected ? null : { kind: "hand", part: part.id, ...at }))}
      className={
        "narrow relative block h-[48px] w-full [contain:layout_size] border-t border-rule text-left " +
        `${selected ? "bg-ink text-ground" : ""} ${marked ? "outline-2 -outline-offset-2 outline-ink outline-dashed" : ""}`
      }
    >
      {held && (
        <>
          {(glassChanges || selected) && (
            <span className="absolute inset-x-0 bottom-[13px] line-clamp-3 pl-2 text-[11.5px] leading-[1] font-semibold">
              {glass}
              {bodyChanges && <span className="font-normal"> on {body}</span>}
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
            {asPlanned !== undefined && <Was share={asPlanned} selected={selected} />}
            {glassChanges && knotted && (
              <circle
                cx="0"
                cy="8"
                r="4.5"
                fill={tight ? "var(--ink)" : "var(--ground)"}
                stroke="var(--ink)"
                strokeWidth="2"
              />
            )}
          </svg>
        </>
      )}
    </button>
  );
});

/** What was, thinner below what was planned: drawn through as far as the planned glass took the pictures, dotted for the rest. */
const Was = ({ share, selected }: { share: number; selected: boolean }) => {
  const stroke = selected ? "var(--ground)" : "var(--quiet)";
  return (
    <g data-testid="was">
      {share > 0 && (
        <line x1="0" x2={`${share * 100}%`} y1="12.5" y2="12.5" stroke={stroke} strokeWidth="1.2" />
      )}
      {share < 1 && (
        <line
          x1={`${share * 100}%`}
          x2="100%"
          y1="12.5"
          y2="12.5"
          stroke={stroke}
          strokeWidth="1.2"
          strokeDasharray="1 4"
        />
      )}
    </g>
  );
};
