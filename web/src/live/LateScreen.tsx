import { useState } from "react";
import type { LateDay, PocketPart } from "../api/client";
import { said, time } from "../shared/format";
import { ScreenHead } from "./ScreenHead";

interface Page {
  /** The part that goes on, or is next. */
  from: PocketPart;
  parts: PocketPart[];
  late: LateDay | null;
  usual: number[];
  useLate: (from: string, minutes: number | null) => LateDay | undefined;
  /** Whether any delay can be asked for. */
  isAny: boolean;
  take: (late: LateDay | null) => void;
  back: () => void;
}

/** How late, what moves, what falls; in force when one says so. */
export function LateScreen({ from, parts, late, usual, useLate, isAny, take, back }: Page) {
  const [minutes, setMinutes] = useState<number | null>(null);
  const found = useLate(from.id, minutes);
  return (
    <div className="flex flex-col gap-4">
      <ScreenHead title={`How late, from ${from.name} on?`} back={back} />
      <p className="text-quiet">
        {late
          ? `Now reckoned ${late.minutes} min late; what is chosen here counts from the plan, in all.`
          : "What begins on the minute stays, and what has not been done by then is cut short."}
      </p>
      <Minutes usual={usual} minutes={minutes} set={setMinutes} isAny={isAny} />
      {minutes != null && !found && (
        <p role="status">
          {isAny ? "Working it out …" : "This delay was not worked out; ask the app at home."}
        </p>
      )}
      {found && <Fallen found={found} parts={parts} />}
      <div className="flex gap-3">
        {found && (
          <button className="webbing min-h-16 flex-1 text-lg" onClick={() => take(found)}>
            We are {found.minutes} min late
          </button>
        )}
        {late && (
          <button className="webbing min-h-16 flex-1 text-lg" onClick={() => take(null)}>
            On time again
          </button>
        )}
      </div>
    </div>
  );
}

type Chosen = { minutes: number | null; set: (minutes: number | null) => void };

const Minutes = ({ usual, minutes, set, isAny }: Pick<Page, "usual" | "isAny"> & Chosen) => (
  <>
    <div role="group" aria-label="Minutes late" className="grid grid-cols-5 gap-2">
      {usual.map((m) => (
        <button
          key={m}
          aria-pressed={m === minutes}
          className="webbing min-h-16 text-xl"
          onClick={() => set(m)}
        >
          {m}
        </button>
      ))}
    </div>
    {isAny && (
      <label className="flex items-center gap-3">
        or another delay, min
        <input
          inputMode="numeric"
          className="w-24 border-2 border-rule bg-raised px-3 py-2 text-lg"
          onChange={(e) => set(Number.parseInt(e.target.value, 10) || null)}
        />
      </label>
    )}
  </>
);

function Fallen({ found, parts }: { found: LateDay; parts: PocketPart[] }) {
  const name = (id: string) => parts.find((p) => p.id === id)?.name ?? id;
  const stays = parts.find((p) => p.id === found.stays);
  return (
    <section aria-label="What it does" role="status">
      <ul className="flex flex-col gap-1.5 text-lg leading-tight">
        {found.falls.map((line, i) => (
          <li key={i} className="border-l-4 border-hangs pl-3">
            {line.map(said).join("")}
          </li>
        ))}
        {found.falls.length === 0 && <li className="font-semibold">Nothing falls by it.</li>}
      </ul>
      <p className="mt-2 text-quiet">
        {found.parts.map((p) => `${name(p.part)} ${time(p.start)}`).join(", ")}
        {stays && `; ${stays.name} stays at ${time(stays.start)}, and what comes after it`}
      </p>
    </section>
  );
}
