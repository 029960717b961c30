import { useQuery } from "@tanstack/react-query";
import { useDeferredValue, useId, useState } from "react";
import { answer, api, type PlanEdit, type TimetableChange, type TimetableCompared } from "../api/client";
import { useDay } from "../day/DayContext";
import { Tick } from "../shared/Choose";
import { FileButton } from "../shared/FileButton";
import { time } from "../shared/format";
import { Problem } from "../shared/Problem";
import { useCalendar } from "../shared/useCalendar";
import { useKept } from "../shared/useKept";

const kinds = ["changed", "added", "givesWay", "missing"] as const;

const told: Record<TimetableChange["kind"], string> = {
  changed: "Otherwise than here",
  added: "New",
  givesWay: "Not in the timetable, and in its way",
  missing: "Not in the timetable; ticked, it is taken out",
};

/** A newer timetable held against the day: what it would change, to take or to leave. */
export function TimetablePanel({ assignment }: { assignment: string }) {
  const id = useId();
  const [text, setText] = useKept(`timetable ${assignment}`);
  const calendar = useCalendar((read) => setText(`${read.day}\n${read.timetable}`));
  const { compared, error } = useCompared(assignment, text, calendar.data?.events);
  const { timeZone } = useDay().day.board.plan.assignment;
  return (
    <div className="flex flex-col gap-2">
      <h2 className="text-[15px] font-bold">A newer timetable</h2>
      <label htmlFor={id}>One line for each part, such as 14:00 ceremony, chapel 40 min</label>
      <textarea
        id={id}
        rows={5}
        className="w-full border-2 border-ink bg-raised px-3 py-1.5"
        value={text}
        onChange={(e) => setText(e.target.value)}
      />
      <div className="flex">
        <FileButton accept=".ics,text/calendar" choose={(file) => calendar.mutate({ file, zone: timeZone })}>
          From a calendar file
        </FileButton>
      </div>
      {calendar.data && <p className="text-hangs">{calendar.data.notes.join("; ")}</p>}
      {calendar.error && <Problem error={calendar.error} />}
      {error && <Problem error={error} />}
      {compared && <Compared compared={compared} />}
    </div>
  );
}

/** What the server says of a text; nothing while there is none. */
function useCompared(assignment: string, text: string, events?: TimetableEvents) {
  const { revision } = useDay().day.board;
  const asked = useDeferredValue(text);
  const { data, error } = useQuery({
    queryKey: ["board", assignment, "timetable", revision, asked],
    enabled: asked.trim() !== "",
    queryFn: () =>
      answer(
        api.POST("/api/assignments/{key}/timetable", {
          params: { path: { key: assignment } },
          body: { text: asked, events },
        }),
      ),
    placeholderData: (before) => before,
  });
  return { compared: asked.trim() === "" ? undefined : data, error };
}

type TimetableEvents = NonNullable<ReturnType<typeof useCalendar>["data"]>["events"];

function Compared({ compared: { changes, lines, problems } }: { compared: TimetableCompared }) {
  const { editThen } = useDay();
  // What was ticked or unticked against what is usual: what is not in the timetable stays.
  const [otherwise, setOtherwise] = useState<string[]>([]);
  const isTaken = (c: TimetableChange) => (c.kind === "missing") === otherwise.includes(c.says);
  const turn = ({ says }: TimetableChange) =>
    setOtherwise((old) => (old.includes(says) ? old.filter((o) => o !== says) : [...old, says]));
  const taken = changes.filter(isTaken);
  const edits = taken.map((change) => change.edit as PlanEdit);
  return (
    <>
      <Read lines={lines} problems={problems} changes={changes} />
      {kinds.map((kind) => (
        <Changes
          key={kind}
          kind={kind}
          of={changes.filter((c) => c.kind === kind)}
          isTaken={isTaken}
          turn={turn}
        />
      ))}
      {changes.length > 0 && (
        <button
          className="webbing self-start"
          disabled={taken.length === 0}
          onClick={() => editThen(edits, () => setOtherwise([]))}
        >
          {taken.length === changes.length ? "Take all of it over" : `Take ${taken.length} over`}
        </button>
      )}
    </>
  );
}

function Read({ lines, problems, changes }: TimetableCompared) {
  return (
    <>
      {problems.map((p) => (
        <p key={`${p.line}${p.message}`} className="text-broken" role="alert">
          Line {p.line}: {p.message}
        </p>
      ))}
      {lines > 0 && (
        <p role="status" className="font-semibold">
          {changes.length === 0
            ? lines === 1
              ? "The line is as the day has it."
              : `All ${lines} lines are as the day has them.`
            : summed(lines, changes)}
        </p>
      )}
    </>
  );
}

function Changes({
  kind,
  of,
  isTaken,
  turn,
}: {
  kind: TimetableChange["kind"];
  of: TimetableChange[];
  isTaken: (change: TimetableChange) => boolean;
  turn: (change: TimetableChange) => void;
}) {
  if (of.length === 0) return null;
  return (
    <fieldset>
      <legend className="text-[12px] text-quiet">{told[kind]}</legend>
      {of.map((change) => (
        <Tick key={change.says} label={said(change)} on={isTaken(change)} set={() => turn(change)} />
      ))}
    </fieldset>
  );
}

const summed = (lines: number, changes: TimetableChange[]) =>
  `${linesOf(lines)}: ${kinds
    .map((kind) => [kind, changes.filter((c) => c.kind === kind).length] as const)
    .filter(([, count]) => count > 0)
    .map(
      ([kind, count]) => `${count} ${kind === "givesWay" ? (count === 1 ? "gives way" : "give way") : kind}`,
    )
    .join(", ")}.`;

const linesOf = (count: number) => (count === 1 ? "1 line" : `${count} lines`);

function said(change: TimetableChange) {
  const { start } = change.edit as { start?: string };
  return start ? `${time(start)}, ${change.says}` : change.says;
}
