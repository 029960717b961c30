import { DropdownMenu } from "radix-ui";
import { Link } from "react-router";
import { date } from "../shared/format";
import { PageHeader } from "../shared/PageHeader";
import { useDay } from "../day/DayContext";

/** As the server calls it in the list of what can be undone. */
const startedAgain = "started again with other answers";

export function BoardHeader({ undo, redo, help }: { undo: () => void; redo: () => void; help: () => void }) {
  const { day, select } = useDay();
  const { plan, key, undo: undoes, redo: redoes } = day.board;
  const helpers = plan.people.filter((p) => p.role === "assistant").length;
  const people = plan.people.length - helpers;
  const days = new Set(day.parts.map((p) => p.start?.slice(0, 10))).size;
  return (
    <PageHeader
      title={plan.assignment.name}
      view="Day"
      aside={
        <>
          {date(day.parts[0]?.start)}
          {days > 1 && `, ${days} days`} ·{" "}
          <button className="underline underline-offset-2" onClick={() => select({ kind: "team" })}>
            {people} {people === 1 ? "photographer" : "photographers"}
            {helpers > 0 && ` and ${helpers} ${helpers === 1 ? "assistant" : "assistants"}`}
          </button>
        </>
      }
    >
      <button
        onClick={() => select({ kind: "setups" })}
        title="Propose the setups with the fewest changes (Shift F)"
        className="py-1"
      >
        Fewest changes
      </button>
      <button
        onClick={() => select({ kind: "kit" })}
        title="The least kit that survives what may fail"
        className="py-1"
      >
        Lighter kit
      </button>
      {plan.people[0]?.habits?.style && (!undoes || undoes === startedAgain) && !redoes && (
        <Link
          className="py-1"
          title="Nothing was done to it yet: other answers may be given"
          to={`/?${new URLSearchParams({ again: key, name: plan.assignment.name ?? "", day: day.parts[0]?.start?.slice(0, 10) ?? "" })}`}
        >
          Start again
        </Link>
      )}
      <button
        onClick={() => select({ kind: "rules" })}
        title="How long things wait and take, and what else is reckoned with"
        className="py-1"
      >
        How it reckons
      </button>
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
      <SaveAs of={key} />
      <button onClick={help} className="py-1 max-[700px]:hidden">
        Keys <kbd className="text-quiet">?</kbd>
      </button>
    </PageHeader>
  );
}

/** The day as a file to keep or to pass on. */
function SaveAs({ of: key }: { of: string }) {
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger className="py-1">Save as</DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align="end" className="z-10 border border-ink bg-raised py-1 shadow-md">
          {files.map(([path, name]) => (
            <DropdownMenu.Item key={path} asChild>
              <a
                href={`/api/assignments/${key}/${path}`}
                download
                className="block px-3 py-1.5 outline-none data-highlighted:bg-ink data-highlighted:text-ground"
              >
                {name}
              </a>
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

const files = [
  ["plan", "Plan file, to keep or pass on"],
  ["day.ics", "Calendar"],
] as const;
