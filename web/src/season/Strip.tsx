import { Link } from "react-router";
import type { SeasonGap, SeasonTick } from "../api/client";
import { Strands } from "../marks/Strands";
import { monthDay } from "../shared/format";

const mostPast = 12;
const mostAhead = 30;

/** The assignments on one cord: past ones faint, those ahead with their strands, and a red knot where the next goes without something. */
export function Strip({ assignments, between }: { assignments: SeasonTick[]; between: SeasonGap[] }) {
  const past = assignments.filter((j) => j.isPast);
  const shown = [...past.slice(-mostPast), ...assignments.filter((j) => !j.isPast).slice(0, mostAhead)];
  if (shown.length === 0) return null;
  const hidden = assignments.length - shown.length;
  return (
    <section aria-label="The season" className="relative overflow-x-auto pb-1">
      <div aria-hidden className="absolute inset-x-0 top-[26px] border-t-2 border-rule" />
      <ol className="relative flex min-w-max items-start">
        {hidden > 0 && <li className="self-center pr-4 text-quiet">{hidden} more</li>}
        {shown.map((assignment) => {
          const gap = between.find((g) => g.assignment === assignment.key);
          const troubles = gap?.lines.filter((l) => l.isTrouble).length ?? 0;
          return (
            <li key={assignment.key} className="flex items-start">
              <Knot troubles={troubles} known={!!gap} assignment={assignment} />
              <Link
                to={assignment.isPast ? `/${assignment.key}/afterwards` : `/${assignment.key}/day`}
                className={`flex w-28 flex-col items-center text-center ${assignment.isPast ? "opacity-60" : ""}`}
              >
                <span className="flex h-[52px] items-center bg-ground px-1">
                  {assignment.strands == null ? (
                    <span className="h-4 w-4 rounded-full border-2 border-rule" aria-label="not worked out" />
                  ) : (
                    <Strands count={assignment.strands} width={40} height={20} label={assignment.name} />
                  )}
                </span>
                <span className="narrow line-clamp-2 font-semibold">{assignment.name}</span>
                <span className="narrow text-quiet">
                  {monthDay(assignment.start)}
                  {assignment.isPast && (assignment.hasPictures ? " · read" : " · pictures not read")}
                </span>
              </Link>
            </li>
          );
        })}
      </ol>
    </section>
  );
}

/** Between two assignments: how many things are open. */
const Knot = ({
  troubles,
  known,
  assignment,
}: {
  troubles: number;
  known: boolean;
  assignment: SeasonTick;
}) =>
  !known ? (
    <span className="w-6" />
  ) : (
    <a
      href={`#gap-${assignment.key}`}
      className="flex h-[52px] w-12 items-center justify-center"
      aria-label={
        troubles === 0
          ? `Nothing is open before ${assignment.name}`
          : `${troubles} open before ${assignment.name}`
      }
    >
      <span
        className={
          "flex h-6 min-w-6 items-center justify-center rounded-full border-2 bg-ground px-1 font-bold " +
          (troubles > 0 ? "border-broken text-broken" : "border-holds text-holds")
        }
      >
        {troubles > 0 ? troubles : "–"}
      </span>
    </a>
  );
