import { useDay } from "../day/DayContext";

const kinds = [
  ["setups", "Fewest changes"],
  ["kit", "Lighter kit"],
] as const;

/** The proposals under one roof: which of them is looked at. */
export function Proposals({ shown }: { shown: "setups" | "kit" }) {
  const { select } = useDay();
  return (
    <div role="group" aria-label="Proposals" className="mb-2 flex gap-2 pr-14">
      {kinds.map(([kind, word]) => (
        <button key={kind} className="webbing" aria-pressed={shown === kind} onClick={() => select({ kind })}>
          {word}
        </button>
      ))}
    </div>
  );
}
