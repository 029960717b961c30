import { useQuery } from "@tanstack/react-query";
import { useDeferredValue, useId, useState } from "react";
import { answer, api, type PlanEdit, type TimetableChange } from "../api/client";
import { useDay } from "../day/DayContext";
import { useCalendar } from "../shared/useCalendar";
import { Tick } from "../shared/Choose";
import { FileButton } from "../shared/FileButton";
import { time } from "../shared/format";
import { Problem } from "../shared/Problem";
import { useKept } from "../shared/useKept";

const told: Record<TimetableChange["kind"], string> = {
  changed: "Otherwise than here",
  added: "New",
  missing: "Not in the timetable; ticked, it is taken out",
};

/** A newer timetable held against the day: what it would change, to take or to leave. */
export function TimetablePanel({ assignment }: { assignment: string }) {
  const { day, editThen } = useDay();
  const id = useId();
  const [text, setText] = useKept(`timetable ${assignment}`);
  const [left, setLeft] = useState<string[]>([]);
  const [gone, setGone] = useState<string[]>([]);
  const calendar = useCalendar((read) => setText(`${read.day}\n${read.timetable}`));
  const asked = useDeferredValue(text);
  const { data, error } = useQuery({
    queryKey: ["board", assignment, "timetable", day.board.revision, asked],
    enabled: asked.trim() !== "",
    queryFn: () =>
      answer(
        api.POST("/api/assignments/{key}/timetable", {
          params: { path: { key: assignment } },
          body: { text: asked, events: calendar.data?.events },
        }),
      ),
    placeholderData: (before) => before,
  });
  const read = asked.trim() === "" ? undefined : data;
  const changes = read?.changes ?? [];
  const isTaken = (change: TimetableChange) =>
    change.kind === "missing" ? gone.includes(change.says) : !left.includes(change.says);
  const taken = changes.filter(isTaken);
  const tick = (change: TimetableChange, on: boolean) => {
    const [list, put, wanted] = change.kind === "missing" ? [gone, setGone, on] : [left, setLeft, !on];
    put(wanted ? [...list, change.says] : list.filter((says) => says !== change.says));
  };
  const kinds = ["changed", "added", "missing"] as const;
  const said = (change: TimetableChange) => {
    const edit = change.edit as { start?: string };
    return edit.start ? `${time(edit.start)}, ${change.says}` : change.says;
  };
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
      <div className="flex flex-wrap items-center gap-3">
        <FileButton
          accept=".ics,text/calendar"
          choose={(file) => calendar.mutate({ file, zone: day.board.plan.assignment.timeZone })}
        >
          From a calendar file
        </FileButton>
        {calendar.data?.notes.map((note) => (
          <span key={note} className="text-hangs">
            {note}
          </span>
        ))}
      </div>
      {calendar.error && <Problem error={calendar.error} />}
      {error && <Problem error={error} />}
      {read?.problems.map((p) => (
        <p key={`${p.line}${p.message}`} className="text-broken" role="alert">
          Line {p.line}: {p.message}
        </p>
      ))}
      {read && read.lines > 0 && (
        <p role="status" className="font-semibold">
          {changes.length === 0
            ? `All ${read.lines} lines are as the day has them.`
            : `${read.lines} lines: ${kinds
                .map((kind) => [kind, changes.filter((c) => c.kind === kind).length] as const)
                .filter(([, count]) => count > 0)
                .map(([kind, count]) => `${count} ${kind}`)
                .join(", ")}.`}
        </p>
      )}
      {kinds.map((kind) => {
        const of = changes.filter((c) => c.kind === kind);
        return of.length === 0 ? null : (
          <fieldset key={kind}>
            <legend className="text-[12px] text-quiet">{told[kind]}</legend>
            {of.map((change) => (
              <Tick
                key={change.says}
                label={said(change)}
                on={isTaken(change)}
                set={(on) => tick(change, on)}
              />
            ))}
          </fieldset>
        );
      })}
      {changes.length > 0 && (
        <button
          className="webbing self-start"
          disabled={taken.length === 0}
          onClick={() =>
            editThen(
              taken.map((change) => change.edit as PlanEdit),
              () => setGone([]),
            )
          }
        >
          {taken.length === changes.length ? "Take all of it over" : `Take ${taken.length} over`}
        </button>
      )}
    </div>
  );
}
