import { memo } from "react";
import type { Part } from "../api/client";
import { chainOf, setupOf, thingsOf, type Day, type Position } from "../day/dayModel";
import { Strands } from "../marks/Strands";
import { time } from "../shared/format";
import { rulesOf } from "./PartHead";

/** The day on one sheet of paper: a line a part, what is in each hand, and what each picture hangs by. */
export const RunSheet = memo(function RunSheet({ day }: { day: Day }) {
  return (
    <section aria-hidden className="hidden text-[11px] leading-tight print:block">
      <p className="text-base font-semibold">{day.board.report.verdictParts.headline}</p>
      <p>{day.board.report.verdictParts.details.map((d) => d.text).join("")}</p>
      <table className="mt-2 w-full table-fixed border-collapse text-left align-top">
        <thead>
          <tr className="border-b border-ink align-bottom">
            <th className="w-[9rem] py-1">Part</th>
            {day.positions.map((at) => (
              <th key={`${at.person}:${at.position}`} className="px-1 py-1">
                {day.name(at.person)} {at.position}
              </th>
            ))}
            <th className="w-[13rem] px-1 py-1">Pictures</th>
          </tr>
        </thead>
        <tbody>
          {day.parts.map((part, i) => (
            <tr key={part.id} className="break-inside-avoid border-b border-rule align-top">
              <PartCell part={part} day={day} />
              {day.positions.map((at) => (
                <Hand
                  key={`${at.person}:${at.position}`}
                  day={day}
                  part={part}
                  before={day.parts[i - 1]}
                  at={at}
                />
              ))}
              <Pictures part={part} day={day} />
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1">● changed from the part before. 1× happens once. A broken line: lost or late.</p>
    </section>
  );
});

type Cell = { part: Part; day: Day };

const PartCell = ({ part, day }: Cell) => (
  <th scope="row" className="py-1 pr-1 font-normal">
    <strong className="block text-[12px]">{part.name ?? part.id}</strong>
    {time(part.start)}–{time(part.end)}
    {part.location && `, ${part.location}`}
    <strong className="block">{rulesOf(part, day.name).join(", ")}</strong>
  </th>
);

/** What is in one hand: the glass, what is on the shoe, what it stands on; the camera where it is another than before. */
function Hand({ part, day, before, at }: Cell & { before: Part | undefined; at: Position }) {
  const setup = setupOf(part, at);
  const then = before && setupOf(before, at);
  if (!setup) return <td className="px-1 py-1">–</td>;
  const changed = !!then && thingsOf(then).join() !== thingsOf(setup).join();
  const besides = [setup.flash, setup.trigger, setup.support]
    .filter((id): id is string => !!id)
    .map(day.name);
  return (
    <td className="px-1 py-1">
      {changed && "● "}
      <strong>{chainOf(setup).map(day.name).join(" + ")}</strong>
      {setup.body && setup.body !== then?.body && ` on ${day.name(setup.body)}`}
      {besides.length > 0 && <span className="block">{besides.join(", ")}</span>}
      {setup.unattended && <span className="block">left alone</span>}
    </td>
  );
}

const Pictures = ({ part, day }: Cell) => (
  <td className="px-1 py-1">
    {part.needs.map((need) => {
      const report = day.needReport(part.id, need.id);
      const bad = report?.baseline === "late" || report?.baseline === "lost";
      return (
        <span key={need.id} className="flex items-center gap-1">
          <Strands count={bad ? 0 : (report?.strands ?? 3)} width={20} height={11} />
          <span className={(report?.strands ?? 3) < 2 ? "font-bold" : ""}>
            {need.importance === "once" && "1× "}
            {need.name ?? need.id}
            {bad && `: ${report.baseline}`}
          </span>
        </span>
      );
    })}
  </td>
);
