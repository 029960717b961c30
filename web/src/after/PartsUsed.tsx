import type { PartAsUsed, TakenPart, UsedPage } from "../api/client";
import { useWas } from "../day/useWas";
import { number, percent, time } from "../shared/format";

/** The parts as they were: how long, how many pictures against the plan, through which glass, in what light. */
// Long: one list with its line.
export function PartsUsed({ assignment, used }: { assignment: string; used: UsedPage }) {
  const { data } = useWas(assignment);
  const most = Math.max(1, ...used.day.parts.map((p) => p.taken));
  return (
    <section aria-label="Part by part">
      <h2 className="text-[15px] font-bold">Part by part</h2>
      <ol>
        {used.day.parts.map((p) => (
          <li
            key={p.part}
            className="grid grid-cols-[9rem_minmax(0,1fr)_13rem] items-center gap-x-3 border-t border-rule py-1 max-[700px]:grid-cols-1"
          >
            <span>
              <strong>{p.name}</strong>
              <span className="block text-quiet">
                {time(p.from)} to {time(p.to)}
              </span>
            </span>
            <Thread
              part={p}
              names={used.names}
              most={most}
              was={data?.parts.find((w) => w.part === p.part)}
            />
            <span className="text-right max-[700px]:text-left">
              <Counted
                part={p}
                was={data?.parts.find((w) => w.part === p.part)}
                knowsKept={used.day.kept != null}
              />
            </span>
          </li>
        ))}
      </ol>
      {used.day.outside > 0 && (
        <p className="text-quiet">
          {number(used.day.outside)} pictures are of none of these parts: look at the cameras&apos; clocks.
        </p>
      )}
    </section>
  );
}

/** A strand as long as there were pictures, in a piece for each glass; below it, thinner, how many were likely by the plan. */
// Long: one drawing with its words.
function Thread({
  part,
  names,
  most,
  was,
}: {
  part: TakenPart;
  names: Record<string, string>;
  most: number;
  was: PartAsUsed | undefined;
}) {
  const glass = new Map<string, number>();
  for (const h of part.hands) glass.set(h.glass ?? "", (glass.get(h.glass ?? "") ?? 0) + h.taken);
  const called = (id: string) => (id ? (names[id] ?? id) : "not known");
  const top = Math.max(most, was?.planned ?? 0);
  return (
    <span className="min-w-0">
      <span className="flex h-[18px]" style={{ width: `${(part.taken / top) * 100}%` }}>
        {[...glass].map(([id, n], i) => (
          <span
            key={id}
            title={`${called(id)}: ${number(n)}`}
            className={`narrow flex min-w-[2px] flex-wrap overflow-hidden border-r border-ground whitespace-nowrap ${shades[Math.min(i, shades.length - 1)]}`}
            style={{ width: `${(n / Math.max(1, part.taken)) * 100}%` }}
          >
            {/* A name that does not fit goes to a second line, which is not seen; half a name says something else. */}
            <span className="h-full w-px" />
            <span className="px-0.5">{called(id)}</span>
          </span>
        ))}
      </span>
      {was && was.planned > 0 && (
        <span
          title={`${number(was.planned)} were likely by the plan`}
          className="mt-0.5 block h-[3px] border-t-2 border-dashed border-quiet"
          style={{ width: `${(was.planned / top) * 100}%` }}
        />
      )}
      <span className="sr-only">
        {[...glass].map(([id, n]) => `${called(id)} ${percent(n / Math.max(1, part.taken))}`).join(", ")}
      </span>
    </span>
  );
}

const shades = ["bg-ink text-ground", "bg-ink/75 text-ground", "bg-ink/25", "bg-ink/10"];

interface Count {
  part: TakenPart;
  was: PartAsUsed | undefined;
  knowsKept: boolean;
}

const Counted = ({ part: p, was, knowsKept }: Count) => (
  <>
    <strong>{number(p.taken)}</strong>
    {was && was.planned > 0 && <span className="text-quiet"> of {number(was.planned)} likely</span>}
    <span className="block text-quiet">
      {knowsKept && `${number(p.kept)} kept, `}
      {number(Math.round(p.perMinute * 10) / 10)} a minute
      {p.ev != null && `, EV ${number(Math.round(p.ev * 10) / 10)}`}
    </span>
  </>
);
