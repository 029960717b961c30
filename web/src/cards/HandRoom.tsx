import type { CardDay, Part } from "../api/client";
import { setupOf, type Position } from "../day/dayModel";
import { percent } from "../shared/format";

type Names = (id: string) => string;
type Levels = CardDay["plan"]["bands"][number]["levels"];
type Changes = CardDay["plan"]["changes"];

interface Hand {
  at: Position;
  part: Part;
  cards: CardDay | undefined;
  name: Names;
  face: Names;
}

/** How full the cards in one hand's camera get through one part: a band that rises, a tick with the numbers of what is put in. */
export function HandRoom({ at, part, cards, name, face }: Hand) {
  const body = setupOf(part, at)?.body;
  const slots = (cards?.plan.bands ?? [])
    .filter((b) => b.body === body)
    .map((b) => b.levels.filter((l) => l.part === part.id))
    .filter((levels) => levels.length > 0);
  const changes = cards?.plan.changes.filter((c) => c.body === body && c.part === part.id) ?? [];
  const full = cards?.plan.short.some((s) => s.body === body && s.part === part.id) === true;
  return (
    <div className="pb-1" data-room={`${part.id}/${at.person}/${at.position}`}>
      {body && slots.length > 0 && (
        <Rising
          says={said(body, slots, changes, full, name)}
          slots={slots}
          changes={changes}
          full={full}
          face={face}
        />
      )}
    </div>
  );
}

const fullestOf = (slots: Levels[]) => slots.reduce((a, b) => (b.at(-1)!.full > a.at(-1)!.full ? b : a));

function said(body: string, slots: Levels[], changes: Changes, full: boolean, name: Names) {
  const now = slots.map((l) => l.at(-1)!.card).filter((c): c is string => c != null);
  return [
    `${name(body)}: ${now.map(name).join(" and ")} ${percent(fullestOf(slots).at(-1)!.full)} full at the end`,
    ...changes.map((c) => `${name(c.in)} in ${c.afterFrames == null ? "before it" : "in the middle"}`),
    full && "no room is left before the end",
  ]
    .filter(Boolean)
    .join("; ");
}

interface Risen {
  says: string;
  slots: Levels[];
  changes: Changes;
  full: boolean;
  face: Names;
}

function Rising({ says, slots, changes, full, face }: Risen) {
  const fullest = fullestOf(slots);
  const points = [
    ...fullest.map((l) => `${l.at},${1 - l.full}`),
    `${fullest.at(-1)!.at},1`,
    `${fullest[0]!.at},1`,
  ];
  return (
    <div className="relative h-[18px]" role="img" aria-label={says} title={says}>
      <svg
        viewBox="0 0 1 1"
        preserveAspectRatio="none"
        className="absolute inset-0 h-full w-full"
        aria-hidden
      >
        <polygon className={full ? "fill-broken/40" : "fill-quiet/35"} points={points.join(" ")} />
      </svg>
      {changes.length > 0 && (
        <span
          aria-hidden
          className="narrow absolute top-0 h-full border-l-[3px] border-ink pl-1 text-[11px] leading-none whitespace-nowrap"
          style={{ left: changes[0]!.afterFrames == null ? 0 : "50%" }}
        >
          {changes.map((c) => face(c.in)).join("+")}
        </span>
      )}
      <span
        aria-hidden
        className={`narrow absolute right-1 bottom-0 text-[11px] leading-none ${full ? "font-semibold text-broken" : ""}`}
      >
        {full ? "full" : percent(fullest.at(-1)!.full)}
      </span>
    </div>
  );
}
