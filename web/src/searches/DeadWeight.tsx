import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { answer, api, type DeadWeightProgress, type DeadWeightProposal } from "../api/client";
import { useDay } from "../day/DayContext";
import { number, said, weight } from "../shared/format";
import { Problem } from "../shared/Problem";
import { useSearch } from "../shared/useSearch";
import { Waiting } from "../shared/Waiting";

type Spare = DeadWeightProposal["things"][number];

/** What may stay at home without any need standing worse: worked out on opening. */
export function DeadWeight({ assignment }: { assignment: string }) {
  const { revision } = useDay().day.board;
  const { running, found, error, start, stop } = useSearch<DeadWeightProgress, DeadWeightProposal>();
  useEffect(() => {
    void start(`/api/assignments/${encodeURIComponent(assignment)}/dead-weight`);
  }, [start, assignment, revision]);
  return (
    <section aria-label="What may stay at home" className="flex flex-col gap-1">
      <h2 className="text-[15px] font-bold">What may stay at home</h2>
      <HardlyUsed assignment={assignment} />
      {running && (
        <p>
          <Waiting since={running.since} waits={running.waits}>
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
          {found.things.length > 0 ? (
            <Left found={found} />
          ) : (
            <p className="text-[15px] font-semibold">{nothing(found)}</p>
          )}
          <NotJudged found={found} />
        </div>
      )}
    </section>
  );
}

/** What hardly came out of the bag on the last assignments, and whether this day can do without it. */
function HardlyUsed({ assignment }: { assignment: string }) {
  const { edit, day } = useDay();
  const { data } = useQuery({
    queryKey: ["board", assignment, "seldom", day.board.revision],
    queryFn: ({ signal }) =>
      answer(api.GET("/api/assignments/{key}/seldom", { params: { path: { key: assignment } }, signal })),
  });
  if (!data || data.lately.length === 0) return null;
  return (
    <ul aria-label="Hardly used lately" className="mb-1 max-w-[62rem]">
      {data.lately.map((l) => (
        <li key={l.seldom.thing} className="flex flex-wrap items-baseline gap-x-3 border-t border-rule py-1">
          <span className={l.seldom.mayStay ? "text-[15px] font-semibold" : ""}>
            {l.said.map(said).join("")}
          </span>
          {l.seldom.mayStay && (
            <button
              className="webbing"
              aria-label={`Leave the ${l.seldom.name} at home`}
              onClick={() => edit({ type: "unpack", item: l.seldom.thing, everywhere: true })}
            >
              Leave it at home
            </button>
          )}
        </li>
      ))}
    </ul>
  );
}

const nothing = (found: DeadWeightProposal) =>
  found.proven
    ? "Nothing: whatever you leave, some picture is lost, second best, or hangs by less."
    : "Nothing was found before the search was stopped.";

/** What is found, all of it or piece by piece. */
function Left({ found }: { found: DeadWeightProposal }) {
  const { edit, tryOut } = useDay();
  const [kept, setKept] = useState<ReadonlySet<string>>(new Set());
  const left = found.things.filter((t) => !kept.has(t.thing));
  const edits = left.map((t) => t.edit);
  const things = left.length === 1 ? "this one thing" : `these ${number(left.length)} things`;
  const turn = (thing: string) => {
    const next = new Set(kept);
    if (!next.delete(thing)) next.add(thing);
    setKept(next);
  };
  return (
    <>
      <p className="max-w-[62rem] text-[15px] font-semibold">
        {weight(left.reduce((sum, t) => sum + t.grams, 0))} may stay at home: without {things} no picture is
        lost, none gets worse and none hangs by less.
      </p>
      <p className="text-quiet">{proof(found)}</p>
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
      <SpareList things={found.things} kept={kept} turn={turn} />
    </>
  );
}

function proof(found: DeadWeightProposal) {
  const guessed = found.things.filter((t) => t.guessed).length;
  const said = found.proven
    ? "No heavier choice leaves every picture as it is."
    : `The search was stopped; up to ${weight(found.atMost)} might be possible.`;
  return guessed === 0
    ? said
    : `${said} ${guessed === 1 ? "One has" : `${number(guessed)} have`} no known weight; a usual one was reckoned.`;
}

function SpareList({
  things,
  kept,
  turn,
}: {
  things: Spare[];
  kept: ReadonlySet<string>;
  turn: (thing: string) => void;
}) {
  const { day } = useDay();
  const where = (parts: string[]) =>
    parts.length === 1
      ? (day.parts.find((p) => p.id === parts[0])?.name ?? parts[0])
      : `${number(parts.length)} parts`;
  return (
    <ul className="narrow gap-x-6 [columns:17rem]">
      {things.map((t) => (
        <li key={t.thing} className="break-inside-avoid">
          <label className="flex min-h-[26px] items-baseline gap-1.5 max-[700px]:min-h-11">
            <input type="checkbox" checked={!kept.has(t.thing)} onChange={() => turn(t.thing)} />
            <span>
              {t.name}{" "}
              <span className="text-quiet">
                {t.guessed && "about "}
                {weight(t.grams)}
                {t.setUpIn.length > 0 && `, set up in ${where(t.setUpIn)}`}
              </span>
            </span>
          </label>
        </li>
      ))}
    </ul>
  );
}

const power = ["battery", "cells", "card", "charger", "reader", "powerbank"];

/** What comes along without being asked about. */
function NotJudged({ found }: { found: DeadWeightProposal }) {
  const { day } = useDay();
  const others = found.notJudged.filter((id) => !power.includes(day.item(id)?.kind ?? ""));
  return (
    <p className="max-w-[62rem] text-quiet">
      Batteries, cards, chargers and readers are reckoned by use and stay.
      {others.length > 0 && ` Not judged, as no need speaks of them: ${others.map(day.name).join(", ")}.`}
      {found.kept.length > 0 && ` Always along, as you said: ${found.kept.map(day.name).join(", ")}.`}
    </p>
  );
}
