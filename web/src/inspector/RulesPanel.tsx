import type { Report } from "../api/client";
import { useDay } from "../day/DayContext";
import { Tick } from "../shared/Choose";
import { seconds } from "../shared/format";
import { TypedField } from "../shared/TypedField";
import { HouseRules } from "./HouseRules";
import { operations } from "./operations";

/** How this day reckons: waits, records and seconds, for all and for each person, with what each comes to on this day. */
// Long: a form: its fields in the order of the page.
export function RulesPanel() {
  const { day, edit } = useDay();
  const { rules } = day.board.plan;
  const { waits } = day.board.report.reckoning;
  const wait = (importance: "once" | "must") => waits.find((w) => w.importance === importance);
  return (
    <div className="flex flex-col gap-3">
      <h2 className="text-[15px] font-bold">This assignment, and how it reckons</h2>
      <div className="flex flex-wrap items-start gap-x-6 gap-y-2">
        <TypedField
          label="Called"
          value={day.board.plan.assignment.name}
          commit={(name) => edit({ type: "setAssignment", name })}
        />
        <TypedField
          label="On, its parts keep their hours"
          type="date"
          value={day.parts[0]?.start?.slice(0, 10) ?? ""}
          commit={(on) => edit({ type: "setAssignment", day: on })}
        />
      </div>
      <div className="flex flex-wrap items-start gap-x-6 gap-y-2">
        <Figure
          label="What happens once waits, s"
          value={rules.tolerance.once}
          note={waitNote(wait("once"))}
          commit={(s) => edit({ type: "setRules", onceSeconds: s })}
        />
        <Figure
          label="What must be had waits, s"
          value={rules.tolerance.must}
          note={waitNote(wait("must"))}
          commit={(s) => edit({ type: "setRules", mustSeconds: s })}
        />
        <Figure
          label="Fewest megapixels after a crop"
          value={rules.minMegapixels}
          commit={(mp) => edit({ type: "setRules", minMegapixels: mp })}
        />
        <Figure
          label="Stitched up to, times too long"
          value={rules.stitchLimit}
          commit={(k) => edit({ type: "setRules", stitchLimit: k })}
        />
        <Figure
          label="Flash reckoned at ISO"
          value={rules.flashIso}
          commit={(iso) => edit({ type: "setRules", flashIso: iso })}
        />
        <Tick
          label="every frame on two cards at once"
          on={rules.dualRecord}
          set={(two) => edit({ type: "setRules", dualRecord: two })}
        />
      </div>
      <HouseRules />
      <Operations />
    </div>
  );
}

/** Seconds of each operation for everybody; those of one's own are with how each of the team works. */
// Long: a form: its fields in the order of the page.
function Operations() {
  const { day, edit } = useDay();
  const { rules, people } = day.board.plan;
  const times = new Map(day.board.report.reckoning.steps.map((s) => [s.action, s.times]));
  return (
    <table
      className={
        "w-fit border-collapse text-left [&_input]:w-20 [&_label]:sr-only [&_td]:py-0.5 [&_td]:pr-5 " +
        "[&_th]:pr-5 [&_th]:text-[12px] [&_th]:font-normal [&_th]:text-quiet"
      }
    >
      <caption className="sr-only">Seconds that each operation takes</caption>
      <thead>
        <tr>
          <th scope="col">Seconds to …</th>
          <th scope="col">everybody</th>
          {people.map((p) => (
            <th scope="col" key={p.id}>
              {day.name(p.id)}
            </th>
          ))}
          <th scope="col">on this day</th>
        </tr>
      </thead>
      <tbody>
        {operations.map(([operation, words, step]) => (
          <tr key={operation}>
            <th scope="row" className="!text-[14px] !text-ink">
              {words}
            </th>
            <td>
              <TypedField
                label={`${words}, s`}
                form="seconds"
                value={String(rules.seconds[operation])}
                commit={(s) => edit({ type: "setRules", seconds: { [operation]: Number(s) } })}
              />
            </td>
            {people.map((p) => (
              <td key={p.id} className="text-quiet">
                {p.seconds?.[operation] ?? ""}
              </td>
            ))}
            <td className="text-quiet">{timesNote(times.get(step))}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const timesNote = (times = 0) =>
  times === 0 ? "needed for no picture" : `needed ${times} ${times === 1 ? "time" : "times"}`;

function waitNote(wait: Report["reckoning"]["waits"][number] | undefined) {
  if (!wait || wait.needs === 0) return "no need waits by this rule";
  const slowest =
    wait.slowestSeconds == null ? "" : `; the slowest is ready in ${seconds(wait.slowestSeconds)}`;
  return `${wait.needs} ${wait.needs === 1 ? "need waits" : "needs wait"} by this rule${slowest}`;
}

function Figure({
  label,
  value,
  note,
  commit,
}: {
  label: string;
  value: number;
  note?: string;
  commit: (value: number) => void;
}) {
  return (
    <div className="max-w-[15rem]">
      <TypedField
        label={label}
        form="number"
        value={String(value)}
        commit={(typed) => commit(Number(typed))}
      />
      {note && <p className="text-[12px] text-quiet">{note}</p>}
    </div>
  );
}
