import type { Person, Plan, Report } from "../api/client";
import type { components } from "../api/schema";
import { useDay } from "../day/DayContext";
import { Tick } from "../shared/Choose";
import { seconds } from "../shared/format";
import { TypedField } from "../shared/TypedField";

type OwnSeconds = NonNullable<components["schemas"]["OwnSeconds"]>;
type Operation = Exclude<keyof OwnSeconds, "extra">;
type Counted = Report["reckoning"]["steps"][number]["action"];

/** The operations of the hands, each with the step it is counted by. */
const operations: [Operation, string, Counted][] = [
  ["raise", "Raise another camera", "raise"],
  ["changeLens", "Change a lens", "changeLens"],
  ["fitAdapter", "Fit adapter, converter or tube", "fitAdapter"],
  ["changeBattery", "Change a battery or cells", "changeBattery"],
  ["changeCard", "Change a card", "changeCard"],
  ["fitFlash", "Fit flash or trigger", "fitFlash"],
  ["borrow", "Get something from a colleague", "borrow"],
  ["fitSupport", "Onto a tripod or monopod", "fitSupport"],
  ["fitFilter", "Screw in a filter", "fitFilter"],
  ["placeLight", "Put a light on its stand", "placeLight"],
];

/** How this day reckons: waits, records and seconds, for all and for each person, with what each comes to on this day. */
export function RulesPanel() {
  const { day, edit } = useDay();
  const { rules } = day.board.plan;
  const { waits } = day.board.report.reckoning;
  const wait = (importance: "once" | "must") => waits.find((w) => w.importance === importance);
  return (
    <div className="flex flex-col gap-3">
      <h2 className="text-[15px] font-bold">How this day reckons</h2>
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

type House = Report["house"][number];

/** Each rule of the house with what is missing where it is not kept. */
const houseRules: [keyof Omit<Plan["rules"]["house"], "extra">, string, (lacking: number) => string][] = [
  ["twoBodiesEach", "two working bodies each", (n) => `${n} ${n === 1 ? "body" : "bodies"} short`],
  [
    "leadAlone",
    "the lead alone could do every once and must",
    (n) => `${n} ${n === 1 ? "need" : "needs"} not without the others`,
  ],
  [
    "cellsForEachFlash",
    "one full change of cells for each flash",
    (n) => `${n} ${n === 1 ? "set" : "sets"} short`,
  ],
  [
    "twoSenders",
    "two senders where stand lights are asked",
    (n) => `${n} ${n === 1 ? "sender" : "senders"} short`,
  ],
];

/** What one asks of a kit whatever the needs say; no proposal breaks it further. */
function HouseRules() {
  const { day, edit } = useDay();
  const { house } = day.board.plan.rules;
  const said = new Map<House["kind"], House>(day.board.report.house.map((h) => [h.kind, h]));
  return (
    <fieldset className="flex flex-wrap items-start gap-x-6 gap-y-1">
      <legend className="mb-0.5 font-semibold">Rules of the house</legend>
      {houseRules.map(([kind, words, short]) => {
        const lacking = said.get(kind)?.lacking;
        return (
          <div key={kind}>
            <Tick
              label={words}
              on={house[kind]}
              set={(on) => edit({ type: "setRules", house: { ...house, [kind]: on } })}
            />
            {lacking !== undefined && (
              <p className={`text-[12px] ${lacking > 0 ? "font-bold" : "text-quiet"}`}>
                {lacking > 0 ? short(lacking) : "kept"}
              </p>
            )}
          </div>
        );
      })}
    </fieldset>
  );
}

/** Seconds of each operation: everybody's, and a person's own where they differ. */
function Operations() {
  const { day, edit } = useDay();
  const { rules, people } = day.board.plan;
  const times = new Map(day.board.report.reckoning.steps.map((s) => [s.action, s.times]));
  const own = (person: Person, operation: Operation, typed: string) =>
    edit({
      type: "setPerson",
      person: { ...person, seconds: { ...person.seconds, [operation]: typed === "" ? null : Number(typed) } },
    });
  return (
    <table className="w-fit border-collapse text-left [&_input]:w-20 [&_label]:sr-only [&_td]:py-0.5 [&_td]:pr-5 [&_th]:pr-5 [&_th]:text-[12px] [&_th]:font-normal [&_th]:text-quiet">
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
                type="number"
                value={String(rules.seconds[operation])}
                commit={(s) => edit({ type: "setRules", seconds: { [operation]: Number(s) } })}
              />
            </td>
            {people.map((p) => (
              <td key={p.id}>
                <TypedField
                  label={`${words}, ${day.name(p.id)}, s`}
                  type="number"
                  value={p.seconds?.[operation] == null ? "" : String(p.seconds[operation])}
                  mayBeEmpty
                  commit={(s) => own(p, operation, s)}
                />
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
        type="number"
        value={String(value)}
        commit={(typed) => commit(Number(typed))}
      />
      {note && <p className="text-[12px] text-quiet">{note}</p>}
    </div>
  );
}
