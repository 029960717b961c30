import { Link, useNavigate, useSearchParams } from "react-router";
import { AssignmentBar } from "../assignment/AssignmentBar";
import { useShelf } from "../assignment/useShelf";
import { useDay } from "../day/DayContext";
import { useActions } from "../shared/actions";
import { date } from "../shared/format";
import { Entry, LinkEntry, Menu } from "../shared/Menu";
import { PageHeader } from "../shared/PageHeader";

/** As the server calls it in the list of what can be undone. */
const startedAgain = "started again with other answers";

interface Props {
  undo: () => void;
  redo: () => void;
  help: () => void;
  pull: () => void;
}

// Long: the markup of one line with its menu.
export function BoardHeader({ undo, redo, help, pull }: Props) {
  const { day, select, selection } = useDay();
  const navigate = useNavigate();
  const [query] = useSearchParams();
  const shelve = useShelf();
  const { plan, key, undo: undoes, redo: redoes } = day.board;
  const helpers = plan.people.filter((p) => p.role === "assistant").length;
  const people = plan.people.length - helpers;
  const days = new Set(day.parts.map((p) => p.start?.slice(0, 10))).size;
  const name = plan.assignment.name ?? key;
  const proposing = selection?.kind === "setups" || selection?.kind === "kit";
  const copy = `/?${new URLSearchParams({ copy: key, name })}`;
  const again =
    plan.people[0]?.habits?.style && (!undoes || undoes === startedAgain) && !redoes
      ? `/?${new URLSearchParams({ again: key, name, day: day.parts[0]?.start?.slice(0, 10) ?? "" })}`
      : null;
  // The list of assignments is where it can be put back.
  const put = (shelf: "archived" | "deleted") =>
    shelve.mutate(
      { key, shelf },
      { onSuccess: () => void navigate("/", { state: { put: key, name, shelf } }) },
    );
  const reckons = () => select({ kind: "rules" });
  const newer = () => select({ kind: "timetable" });
  useActions([
    { name: "Pull test", hint: "take a thing away and see what breaks", run: pull },
    { name: "Undo", hint: undoes ?? "nothing to undo", run: undo },
    { name: "Redo", hint: redoes ?? "nothing to redo", run: redo },
    { name: "Fewest changes", hint: "of glass over the day", run: () => select({ kind: "setups" }) },
    { name: "Lighter kit", hint: "what may stay at home", run: () => select({ kind: "kit" }) },
    { name: "What carries most", hint: "drawn, for the whole day", run: () => select({ kind: "most" }) },
    { name: "What if", hint: "every loss against every part", run: () => void navigate(`/${key}/what-if`) },
    { name: "How it reckons", hint: "name, day, waits, hands, house rules", run: reckons },
    { name: "The team", hint: "who photographs, and how", run: () => select({ kind: "team" }) },
    { name: "A newer timetable", hint: "held against the day", run: newer },
    { name: "Copy to another day", run: () => void navigate(copy) },
    { name: "Archive this assignment", hint: "it can be put back", run: () => put("archived") },
    { name: "Delete this assignment", hint: "it can be put back for 30 days", run: () => put("deleted") },
    { name: "Save the plan file", run: () => location.assign(`/api/assignments/${key}/plan`) },
    { name: "Save the calendar", run: () => location.assign(`/api/assignments/${key}/day.ics`) },
    { name: "Print the day", hint: "on one sheet, a line a part", run: () => print() },
    { name: "Keys", run: help },
  ]);
  return (
    <>
      <PageHeader view={`${name} · Day`} phoneTitle={name} />
      <AssignmentBar
        assignment={key}
        name={name}
        view={proposing ? "proposals" : "day"}
        query={query}
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
          onClick={reckons}
          title="What it is called, how long things wait and take, and what else is reckoned with"
          className="py-1 max-[700px]:hidden"
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
          className="disabled:text-quiet py-1 max-[700px]:hidden"
        >
          Redo
        </button>
        <Menu label="More">
          {files.map(([path, word]) => (
            <LinkEntry key={path}>
              <a href={`/api/assignments/${key}/${path}`} download>
                {word}
              </a>
            </LinkEntry>
          ))}
          <Entry does={() => print()}>Print the day on one sheet</Entry>
          <Entry does={newer}>A newer timetable</Entry>
          <Entry does={reckons}>Rename or move to another day</Entry>
          <LinkEntry>
            <Link to={copy}>Copy to another day</Link>
          </LinkEntry>
          {again && (
            <LinkEntry>
              <Link to={again} title="Nothing was done to it yet: other answers may be given">
                Start again
              </Link>
            </LinkEntry>
          )}
          <Entry phone does={() => select({ kind: "team" })}>
            The team
          </Entry>
          <Entry phone does={reckons}>
            How it reckons
          </Entry>
          <Entry phone does={redo}>
            Redo
          </Entry>
          <Entry does={() => put("archived")}>Archive it</Entry>
          <Entry does={() => put("deleted")}>Delete it</Entry>
          <Entry does={help}>
            Keys <kbd className="text-quiet">?</kbd>
          </Entry>
        </Menu>
      </AssignmentBar>
    </>
  );
}

const files = [
  ["plan", "Save the plan file"],
  ["day.ics", "Save the calendar"],
] as const;
