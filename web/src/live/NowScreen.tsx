import { useRef, type PointerEvent, type ReactNode } from "react";
import type { PocketDuty, PocketNeed, PocketPart } from "../api/client";
import { Strands } from "../marks/Strands";
import { percent, time } from "../shared/format";
import { HoldButton } from "./HoldButton";
import { usePocketNames } from "./names";
import { levelAt, minutesUntil, until, whereAt } from "./pocketModel";

export interface Ticks {
  isTicked: (id: string) => boolean;
  tick: (id: string, words: string, on: boolean) => void;
  /** A duty is done, of a battery with what it had left. */
  done: (duty: PocketDuty) => void;
}

type Now = { parts: PocketPart[]; now: Date; ticks: Ticks };

/** What is now, the one thing to do, and what is next. */
export function NowScreen(page: Now) {
  const { parts, now } = page;
  const { current, next } = whereAt(parts, now);
  const part = parts[current];
  const over = current < 0 && next < 0;
  return (
    <div className="flex flex-col gap-4">
      {part ? (
        <Current {...page} part={part} />
      ) : (
        <h1 className="text-xl font-bold">{nothing(parts, over)}</h1>
      )}
      <OneThing {...page} />
      {part && part.needs.length > 0 && <StillToGet {...page} part={part} />}
      {next >= 0 && <Next part={parts[next]!} now={now} />}
    </div>
  );
}

const nothing = (parts: PocketPart[], over: boolean) =>
  parts.every((p) => !p.start)
    ? "This day has no times: nobody can say what is now."
    : over
      ? "The day is over."
      : "Nothing goes on now.";

function Current({ part, parts, now }: Now & { part: PocketPart }) {
  const [start, end] = [new Date(part.start!).getTime(), new Date(part.end!).getTime()];
  const share = Math.min(1, Math.max(0, (now.getTime() - start) / (end - start)));
  const left = minutesUntil(part.end, now);
  return (
    <>
      <header>
        <div className="flex items-baseline justify-between gap-3">
          <h1 className="text-xl leading-tight font-bold">
            {part.name}
            {part.location && <span className="font-normal">, {part.location}</span>}
          </h1>
          <span className="text-lg whitespace-nowrap">{time(now.toISOString())}</span>
        </div>
        <div className="my-2 h-1 bg-rule">
          <div className="h-1 bg-ink" style={{ width: `${share * 100}%` }} />
        </div>
        <p className="text-quiet">{[...part.rules, `${left} min left`].join(" · ")}</p>
        <Once parts={parts} now={now} />
      </header>
      <section aria-label="In your hands" className="grid grid-cols-2 gap-2.5">
        {part.hands.map((hand) => (
          <Hand key={hand.position} hand={hand} share={share} />
        ))}
      </section>
    </>
  );
}

function Once({ parts, now }: { parts: PocketPart[]; now: Date }) {
  const { current, once } = whereAt(parts, now);
  const at = parts[once];
  if (!at) return null;
  const names = at.needs
    .filter((n) => n.importance === "once")
    .map((n) => n.name)
    .join(", ");
  return (
    <p className="font-semibold">
      {once === current
        ? `Once, here: ${names}`
        : `Next that happens once: in ${until(at.start, now)}, ${names}`}
    </p>
  );
}

function Hand({ hand, share }: { hand: PocketPart["hands"][number]; share: number }) {
  const { name } = usePocketNames();
  const [charge, room] = [levelAt(hand.charge, share), levelAt(hand.room, share)];
  return (
    <div className="bg-raised p-3">
      <p className="text-quiet">{hand.position.charAt(0).toUpperCase() + hand.position.slice(1)}</p>
      <p className="text-4xl leading-tight font-bold">{hand.glass}</p>
      <p className="narrow text-quiet">{[hand.fNumber, name(hand.body)].filter(Boolean).join(" · ")}</p>
      {hand.on.length > 0 && <p className="narrow">{hand.on.map(name).join(", ")}</p>}
      <p className="narrow">
        {[charge != null && `battery ${percent(charge)}`, room != null && `cards ${percent(room)} full`]
          .filter(Boolean)
          .join(" · ")}
      </p>
    </div>
  );
}

/** What is due in the part that goes on, and before the next. */
function due(parts: PocketPart[], now: Date, ticks: Ticks) {
  const { current, next } = whereAt(parts, now);
  const open = (part: PocketPart | undefined, inside: boolean) =>
    part?.duties.filter((j) => !!j.at === inside && !ticks.isTicked(j.id)) ?? [];
  // Once a part runs, its glass is on; a battery or card may have been forgotten.
  const isRunning = now.getTime() - new Date(parts[current]?.start ?? 0).getTime() > settledMs;
  const here = [
    ...open(parts[current], false).filter((j) => !isRunning || j.kind === "charge" || j.kind === "cards"),
    ...open(parts[current], true),
  ];
  const then = open(parts[next], false);
  return { here, then, isRunning, next };
}

const settledMs = 5 * 60_000;

/** The one thing to do next: what is due inside the part, else what is to be done before the next. */
function OneThing({ parts, now, ticks }: Now) {
  const { here, then, isRunning, next } = due(parts, now, ticks);
  const [duty, ...more] = [...here, ...then];
  if (!duty) return null;
  const when = here.includes(duty)
    ? duty.at
      ? `at about ${time(duty.at)}`
      : isRunning
        ? "now, if it was not done at the join"
        : "before this part"
    : `before ${parts[next]!.name}, ${time(parts[next]!.start)}`;
  return (
    <section aria-label="To do" className="flex items-stretch gap-2.5 border-l-4 border-hangs pl-3">
      <div className="flex-1">
        <p className="text-lg leading-tight font-semibold">{duty.text}</p>
        <p className="text-quiet">
          {when}
          {more.length > 0 &&
            `; then ${more
              .slice(0, 2)
              .map((j) => j.text)
              .join("; ")}${more.length > 2 ? ` and ${more.length - 2} more` : ""}`}
        </p>
      </div>
      <HoldButton
        className="webbing min-w-16"
        label={`Hold when done: ${duty.text}`}
        onHeld={() => ticks.done(duty)}
      >
        Done
      </HoldButton>
    </section>
  );
}

/** What is swept off is had; what is left is not said to be missing. */
function StillToGet({ part, ticks }: Now & { part: PocketPart }) {
  const open = part.needs.filter((n) => !ticks.isTicked(idOf(part, n.id)));
  const sweepAll = () => open.forEach((n) => ticks.tick(idOf(part, n.id), n.name, true));
  const sweep = useSweep(sweepAll);
  return (
    <section aria-label="Still to get" {...sweep}>
      <div className="flex items-baseline justify-between">
        <h2 className="text-quiet">
          {open.length > 0 ? "Still to get (sweep across: all had)" : "All of it swept off"}
        </h2>
        {open.length > 0 && (
          <HoldButton className="text-quiet underline" label="Hold: all of it" onHeld={sweepAll}>
            All
          </HoldButton>
        )}
      </div>
      <ul>
        {part.needs.map((need) => (
          <StillOpen key={need.id} need={need} id={idOf(part, need.id)} ticks={ticks} />
        ))}
      </ul>
    </section>
  );
}

function StillOpen({ need, id, ticks }: { need: PocketNeed; id: string; ticks: Ticks }) {
  const got = ticks.isTicked(id);
  return (
    <li className="flex items-center gap-3">
      <Strands count={need.strands} outcome={need.outcome} width={34} height={18} label={need.name} />
      <span className={`flex-1 text-lg ${got ? "text-quiet line-through" : ""}`}>
        {need.name}
        {need.importance === "once" && <span className="text-quiet">, once</span>}
      </span>
      <HoldButton
        pressed={got}
        label={`${got ? "Got" : "Hold when got"}: ${need.name}`}
        className="my-0.5 h-9 w-9 border-2 border-quiet text-xl leading-none"
        onHeld={() => ticks.tick(id, need.name, !got)}
      >
        {got ? "✓" : ""}
      </HoldButton>
    </li>
  );
}

const idOf = (part: PocketPart, need: string) => `got/${part.id}/${need}`;

/** A finger drawn across most of it, and not down. */
function useSweep(done: () => void) {
  const from = useRef<{ x: number; y: number } | null>(null);
  const [across, down] = [0.55, 60];
  return {
    style: { touchAction: "pan-y" as const },
    onPointerDown: (e: PointerEvent) => {
      from.current = { x: e.clientX, y: e.clientY };
    },
    onPointerUp: (e: PointerEvent<HTMLElement>) => {
      const begun = from.current;
      from.current = null;
      if (!begun || Math.abs(e.clientY - begun.y) > down) return;
      if (Math.abs(e.clientX - begun.x) > e.currentTarget.clientWidth * across) done();
    },
  };
}

function Next({ part, now }: { part: PocketPart; now: Date }) {
  return (
    <section aria-label="Next" className="border-t border-rule pt-3">
      <p className="text-quiet">
        Next, {time(part.start)}, in {until(part.start, now)}
        {part.isFixed && ", on the minute"}
      </p>
      <p className="text-lg leading-tight font-semibold">
        {part.name}
        {part.location && `, ${part.location}`}
      </p>
      <p>{part.hands.map((h) => `${h.position} ${h.glass}`).join(", ")}</p>
      {part.rules.length > 0 && <p className="text-quiet">{part.rules.join(" · ")}</p>}
      <Quiet>
        {part.duties
          .filter((j) => !j.at)
          .map((j) => j.text)
          .join("; ")}
      </Quiet>
    </section>
  );
}

const Quiet = ({ children }: { children: ReactNode }) => (children ? <p>{children}</p> : null);
