import { useEffect, useState } from "react";
import type { DeadWeightProgress, DeadWeightProposal } from "../api/client";
import { useDay } from "../day/DayContext";
import { number, weight } from "../shared/format";
import { Problem } from "../shared/Problem";
import { useSearch } from "../shared/useSearch";
import { Waiting } from "../shared/Waiting";

/** What may stay at home without any need standing worse: worked out on opening, all of it or piece by piece. */
export function DeadWeight({ assignment }: { assignment: string }) {
  const { day, edit, tryOut } = useDay();
  const { revision } = day.board;
  const { running, found, error, start, stop } = useSearch<DeadWeightProgress, DeadWeightProposal>();
  const [kept, setKept] = useState<ReadonlySet<string>>(new Set());
  useEffect(() => {
    void start(`/api/assignments/${encodeURIComponent(assignment)}/dead-weight`);
  }, [start, assignment, revision]);

  const left = found?.things.filter((t) => !kept.has(t.thing)) ?? [];
  const grams = left.reduce((sum, t) => sum + t.grams, 0);
  const guessed = left.filter((t) => t.guessed).length;
  const edits = left.map((t) => t.edit);
  const turn = (thing: string) => {
    const next = new Set(kept);
    if (!next.delete(thing)) next.add(thing);
    setKept(next);
  };
  return (
    <section aria-label="What may stay at home" className="flex flex-col gap-1">
      <h2 className="text-[15px] font-bold">What may stay at home</h2>
      {running && (
        <p>
          <Waiting since={running.since}>
            {running.progress && `; no more than ${weight(running.progress.atMost)}`}
          </Waiting>{" "}
          <button className="webbing" onClick={stop}>
            Stop
          </button>
        </p>
      )}
      {error && <Problem error={error} />}
      {found && (
        <div role="status" className="flex flex-col gap-1">
          <p className="max-w-[62rem] text-[15px] font-semibold">
            {found.things.length === 0
              ? found.proven
                ? "Nothing: whatever you leave, some picture is lost, second best, or hangs by less."
                : "Nothing was found before the search was stopped."
              : `${weight(grams)} may stay at home: without ${left.length === 1 ? "this one thing" : `these ${number(left.length)} things`} no picture is lost, none gets worse and none hangs by less.`}
          </p>
          {found.things.length > 0 && (
            <>
              <p className="text-quiet">
                {found.proven
                  ? "No heavier choice leaves every picture as it is."
                  : `The search was stopped; up to ${weight(found.atMost)} might be possible.`}
                {guessed > 0 &&
                  ` ${guessed === 1 ? "One has" : `${number(guessed)} have`} no known weight; a usual one was reckoned.`}
              </p>
              <div className="flex gap-2">
                <button className="webbing" disabled={edits.length === 0} onClick={() => edit(...edits)}>
                  Leave them at home
                </button>
                <button
                  className="webbing"
                  disabled={edits.length === 0}
                  onClick={() => tryOut({ label: "Without dead weight", edits })}
                >
                  See the day without
                </button>
              </div>
              <ul className="narrow gap-x-6 [columns:17rem]">
                {found.things.map((t) => (
                  <li key={t.thing} className="break-inside-avoid">
                    <label className="flex min-h-[26px] items-baseline gap-1.5 max-[700px]:min-h-11">
                      <input type="checkbox" checked={!kept.has(t.thing)} onChange={() => turn(t.thing)} />
                      <span>
                        {t.name}{" "}
                        <span className="text-quiet">
                          {t.guessed && "about "}
                          {weight(t.grams)}
                          {t.setUpIn.length > 0 &&
                            `, set up in ${t.setUpIn.length === 1 ? partName(t.setUpIn[0]) : `${number(t.setUpIn.length)} parts`}`}
                        </span>
                      </span>
                    </label>
                  </li>
                ))}
              </ul>
            </>
          )}
          <NotJudged found={found} />
        </div>
      )}
    </section>
  );

  function partName(id?: string) {
    return day.parts.find((p) => p.id === id)?.name ?? id;
  }
}

/** What comes along without being asked about. */
function NotJudged({ found }: { found: DeadWeightProposal }) {
  const { day } = useDay();
  const power = ["battery", "cells", "card", "charger", "reader", "powerbank"];
  const others = found.notJudged.filter((id) => !power.includes(day.item(id)?.kind ?? ""));
  return (
    <p className="max-w-[62rem] text-quiet">
      Batteries, cards, chargers and readers are reckoned by use and stay.
      {others.length > 0 && ` Not judged, as no need speaks of them: ${others.map(day.name).join(", ")}.`}
      {found.kept.length > 0 && ` Always along, as you said: ${found.kept.map(day.name).join(", ")}.`}
    </p>
  );
}
