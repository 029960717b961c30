import type { UseLevel } from "../api/client";

const levels = [
  ["low", "A slow day"],
  ["likely", "A likely day"],
  ["high", "A busy day"],
] as const;

/** How much the day takes: what a busy one would, unless one wants to see another. */
export function Level({ level, setLevel }: { level: UseLevel; setLevel: (level: UseLevel) => void }) {
  return (
    <fieldset className="flex flex-wrap items-center gap-x-4 print:hidden">
      <legend className="sr-only">How much is taken</legend>
      {levels.map(([is, label]) => (
        <label key={is} className="flex min-h-[28px] items-center gap-2 max-[700px]:min-h-[44px]">
          <input type="radio" name="level" checked={level === is} onChange={() => setLevel(is)} />
          {label}
        </label>
      ))}
    </fieldset>
  );
}
