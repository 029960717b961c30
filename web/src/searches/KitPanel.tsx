import { useState } from "react";
import type { FailureClass, KitGoal, KitProgress, KitProposal } from "../api/client";
import { ruleShort } from "../shared/houseRules";
import { DeadWeight } from "./DeadWeight";
import { Choose, Tick, Typing } from "../shared/Choose";
import { number, said, weight } from "../shared/format";
import { toKilograms, weightUnit } from "../shared/units";
import { Problem } from "../shared/Problem";
import { useSearch } from "../shared/useSearch";
import { Waiting } from "../shared/Waiting";
import { useDay } from "../day/DayContext";

const classes: [FailureClass, string][] = [
  ["none", "nothing fails"],
  ["item", "any one thing fails"],
  ["rig", "any one thing or camera"],
  ["bag", "any one thing, camera or bag"],
];
const goals: [KitGoal, string][] = [
  ["weight", "weight"],
  ["count", "things"],
  ["value", "value"],
  ["changes", "changes from today"],
];

const amount = (goal: KitGoal, value: number) => (goal === "weight" ? weight(value) : number(value));

/** Finds the least kit that survives what may fail, as a difference from what is packed today, with the proof. */
// Long: one form and what it found; the fields answer to one another.
export function KitPanel({ assignment }: { assignment: string }) {
  const { day, edit, tryOut } = useDay();
  const [survives, setSurvives] = useState<FailureClass>("item");
  const [goal, setGoal] = useState<KitGoal>("weight");
  const [locker, setLocker] = useState(true);
  const [move, setMove] = useState(false);
  const [free, setFree] = useState(false);
  const [limits, setLimits] = useState<Record<string, string>>({});
  const [revision, setRevision] = useState(0);
  const { running, found, error, start, stop } = useSearch<KitProgress, KitProposal>();
  const { places, people } = day.board.plan;

  const search = () => {
    setRevision(day.board.revision);
    const query = new URLSearchParams({
      survives,
      goal,
      locker: String(locker),
      move: String(move),
      free: String(free),
    });
    for (const [id, typed] of Object.entries(limits)) {
      const text = typed.trim().replace(",", ".");
      // What is no number goes as it was typed, so that the server can say so.
      if (text)
        query.append("limit", `${id}:${Number.isNaN(Number(text)) ? text : toKilograms(Number(text))}`);
    }
    void start(`/api/assignments/${encodeURIComponent(assignment)}/kit-proposal?${query}`);
  };
  return (
    <div className="flex flex-col gap-2">
      <DeadWeight assignment={assignment} />
      <h2 className="mt-2 border-t border-rule pt-2 text-[15px] font-bold">The least kit that survives</h2>
      <form
        className="flex flex-wrap items-end gap-x-4 gap-y-1 pr-14"
        aria-label="The least kit"
        onSubmit={(e) => {
          e.preventDefault();
          search();
        }}
      >
        <Choose
          label="Every picture that matters, if"
          value={survives}
          options={classes}
          choose={(v) => v && setSurvives(v)}
        />
        <Choose label="With the least" value={goal} options={goals} choose={(v) => v && setGoal(v)} />
        <Tick label="take from the locker" on={locker} set={setLocker} />
        <Tick label="pack elsewhere" on={move} set={setMove} />
        <Tick label="choose the glass in hand anew" on={free} set={setFree} />
        <button className="webbing">{running ? "Search anew" : "Search"}</button>
        {running && (
          <>
            <button type="button" className="webbing" onClick={stop}>
              Stop
            </button>
            <Waiting since={running.since} waits={running.waits}>
              {running.progress && farFound(goal, running.progress)}
            </Waiting>
          </>
        )}
        <details className="w-full">
          <summary className="cursor-pointer">Limits of bags and people, {weightUnit}</summary>
          <div className="flex flex-wrap gap-3 py-1">
            {[...places, ...people].map((p) => (
              <Typing
                key={p.id}
                label={p.name ?? p.id}
                value={limits[p.id] ?? ""}
                type={(limit) => setLimits({ ...limits, [p.id]: limit })}
                placeholder="none"
              />
            ))}
          </div>
        </details>
      </form>
      {error && <Problem error={error} />}
      {found && result(found, revision !== day.board.revision)}
      {!found && !running && !error && (
        <p className="text-quiet">
          Batteries, cards, chargers and carrying gear stay: they are reckoned by use. What is left at home
          leaves a hole in the hands, unless the glass is chosen anew.
        </p>
      )}
    </div>
  );

  function result(found: KitProposal, stale: boolean) {
    const edits = [...found.changes.map((c) => c.edit), ...found.setups.flatMap((s) => s.edits)];
    const list = (title: string, changes: KitProposal["changes"]) =>
      changes.length > 0 && (
        <div className="min-w-[14rem] flex-1">
          <h3 className="font-semibold">{title}</h3>
          <ul className="narrow gap-x-6 [columns:14rem]">
            {changes.map((c) => (
              <li key={c.thing}>
                {c.name}
                {c.to && ` into ${day.name(c.to)}`}{" "}
                <span className="text-quiet">{c.grams > 0 ? weight(c.grams) : "not weighed"}</span>
              </li>
            ))}
          </ul>
        </div>
      );
    const less = found.now.grams - found.found.grams;
    const exposed = [
      ...new Set(
        found.exposed.map(
          (e) => `${needName(e.part, e.need)}${e.loss ? ` without the ${e.loss}` : " in any case"}`,
        ),
      ),
    ];
    return (
      <div role="status" className="flex flex-col gap-1">
        <p className="max-w-[62rem] text-[15px] font-semibold">{found.sentence.map(said).join("")}</p>
        <p>
          {found.found.things} things instead of {found.now.things}
          {Math.abs(less) >= 50 &&
            `, ${weight(Math.abs(less))} ${less > 0 ? "less" : "more"} as far as weighed`}
          .
          {found.found.unweighed > 0 &&
            ` ${found.found.unweighed} have no known weight; a usual one was reckoned.`}
        </p>
        {exposed.length > 0 && (
          <p>
            <strong>Nothing there is to choose from protects:</strong> {exposed.join("; ")}.
          </p>
        )}
        {found.house.length > 0 && (
          <p>
            <strong>No kit here keeps to these rules of the house:</strong>{" "}
            {found.house.map((rule) => ruleShort(rule)).join("; ")}.
          </p>
        )}
        {stale && <p className="text-quiet">The day has changed since; search anew for what fits it now.</p>}
        {edits.length === 0 ? (
          <p>Today’s kit is as good as any.</p>
        ) : (
          <>
            <div className="flex gap-2">
              <button className="webbing" disabled={stale} onClick={() => edit(...edits)}>
                Take all of it
              </button>
              <button
                className="webbing"
                disabled={stale}
                onClick={() => tryOut({ label: "This kit", edits })}
              >
                See it on the day
              </button>
            </div>
            <div className="flex flex-wrap gap-x-8 gap-y-2">
              {list(
                "Take along",
                found.changes.filter((c) => !c.from),
              )}
              {list(
                "Pack elsewhere",
                found.changes.filter((c) => c.from && c.to),
              )}
              {list(
                "Leave at home",
                found.changes.filter((c) => !c.to),
              )}
              {found.setups.length > 0 && (
                <div className="min-w-[14rem] flex-1">
                  <h3 className="font-semibold">Other glass in hand</h3>
                  <ul className="narrow gap-x-6 [columns:14rem]">
                    {found.setups.map((s, i) => (
                      <li key={i}>
                        {day.name(s.person)} {s.position}: {s.glass.join(" + ") || "no lens"}
                      </li>
                    ))}
                  </ul>
                </div>
              )}
            </div>
          </>
        )}
      </div>
    );
  }

  function needName(part: string, need: string) {
    return day.parts.find((p) => p.id === part)?.needs.find((n) => n.id === need)?.name ?? need;
  }
}

/** No less than is proven, and what is found so far. */
function farFound(goal: KitGoal, { atLeast, best }: KitProgress) {
  const found = best == null ? "" : `, found ${amount(goal, best)}, gap ${amount(goal, best - atLeast)}`;
  return `; no less than ${amount(goal, atLeast)}${found}`;
}
