import { Link } from "react-router";
import { date } from "../shared/format";
import { ThemeButton } from "../shared/ThemeButton";
import { useDay } from "./DayContext";

export function Wordmark() {
  return (
    <Link to="/" className="flex items-center gap-2 font-semibold" title="All assignments">
      <svg width="20" height="18" viewBox="0 0 20 18" aria-hidden>
        <path d="M1 2h18M1 2v3M19 2v3M7 2v15M13 2v15" stroke="currentColor" strokeWidth="2" fill="none" />
      </svg>
      Yoke Pair
    </Link>
  );
}

export function BoardHeader({ undo, redo, help }: { undo: () => void; redo: () => void; help: () => void }) {
  const { day } = useDay();
  const { plan, key, undo: undoes, redo: redoes } = day.board;
  const people = plan.people.length;
  return (
    <header className="flex flex-wrap items-center gap-x-5 gap-y-1 border-b border-rule px-4 py-1.5">
      <Wordmark />
      <h1 className="font-medium">{plan.assignment.name}</h1>
      <span className="text-quiet max-[700px]:hidden">
        {date(day.parts[0]?.start)} · {people} {people === 1 ? "photographer" : "photographers"} ·{" "}
        {plan.items.length} things
      </span>
      <span className="ml-auto flex items-center gap-4">
        <button
          onClick={undo}
          disabled={!undoes}
          title={undoes ? `Undo: ${undoes}` : "Nothing to undo"}
          className="disabled:text-quiet py-1"
        >
          Undo
        </button>
        <button
          onClick={redo}
          disabled={!redoes}
          title={redoes ? `Redo: ${redoes}` : "Nothing to redo"}
          className="disabled:text-quiet py-1"
        >
          Redo
        </button>
        <a
          href={`/api/assignments/${key}/plan`}
          download
          className="py-1"
          title="Save the plan file, to keep or to pass on"
        >
          Plan file
        </a>
        <button onClick={help} className="py-1 max-[700px]:hidden">
          Keys <kbd className="text-quiet">?</kbd>
        </button>
        <ThemeButton />
      </span>
    </header>
  );
}
