import { date } from "../shared/format";
import { PageHeader } from "../shared/PageHeader";
import { useDay } from "./DayContext";

export function BoardHeader({ undo, redo, help }: { undo: () => void; redo: () => void; help: () => void }) {
  const { day } = useDay();
  const { plan, key, undo: undoes, redo: redoes } = day.board;
  const people = plan.people.length;
  return (
    <PageHeader
      title={plan.assignment.name}
      aside={`${date(day.parts[0]?.start)} · ${people} ${people === 1 ? "photographer" : "photographers"} · ${plan.items.length} things`}
    >
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
      <a
        href={`/api/assignments/${key}/day.ics`}
        download
        className="py-1"
        title="Save the day as a calendar file"
      >
        Calendar
      </a>
      <button onClick={help} className="py-1 max-[700px]:hidden">
        Keys <kbd className="text-quiet">?</kbd>
      </button>
    </PageHeader>
  );
}
