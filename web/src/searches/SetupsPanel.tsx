import { useEffect, useRef, useState } from "react";
import type { SearchProgress, SetupsProposal } from "../api/client";
import { Problem } from "../shared/Problem";
import { Tick } from "../shared/Choose";
import { useSearch } from "../shared/useSearch";
import { Waiting } from "../shared/Waiting";
import { useDay } from "../day/DayContext";

/** Proposes the setups with the fewest changes of glass that meet every need, as pieces to take or leave. */
export function SetupsPanel({ assignment }: { assignment: string }) {
  const { day, edit, tryOut, pulls } = useDay();
  const [parts, setParts] = useState<string[]>(() => day.parts.map((p) => p.id));
  const { running, found: proposal, error, start, stop } = useSearch<SearchProgress, SetupsProposal>();
  const [revision, setRevision] = useState(0);
  const [left, setLeft] = useState<number[]>([]);
  const [secondBest, setSecondBest] = useState(false);

  const propose = () => {
    setLeft([]);
    setRevision(day.board.revision);
    const query = new URLSearchParams(parts.map((p): [string, string] => ["part", p]));
    pulls.forEach((p) => query.append("pull", p));
    if (secondBest) query.set("secondBest", "true");
    return start(`/api/assignments/${encodeURIComponent(assignment)}/setups-proposal?${query}`);
  };
  const started = useRef(false);
  useEffect(() => {
    if (started.current) return;
    started.current = true;
    void propose();
  });

  /** In one part, in two, or from one to another. */
  const runOf = (ids: string[]) => {
    const names = ids.map((id) => day.parts.find((p) => p.id === id)?.name ?? id);
    const first = day.parts.findIndex((p) => p.id === ids[0]);
    const together = ids.every((id, i) => day.parts[first + i]?.id === id);
    return together && names.length > 2 ? `from ${names[0]} to ${names.at(-1)}` : `in ${names.join(", ")}`;
  };
  const stale = proposal && revision !== day.board.revision;
  const taken = proposal?.pieces.filter((_, i) => !left.includes(i)) ?? [];
  const needs = (list: SetupsProposal["found"]["missed"]) =>
    list
      .map(({ part, need }) => {
        const of = day.parts.find((p) => p.id === part);
        return of?.needs.find((n) => n.id === need)?.name ?? need;
      })
      .join(", ");
  return (
    <div className="flex flex-col gap-2">
      <h2 className="text-[15px] font-bold">
        {pulls.length > 0 ? "New setups for what is left" : "Fewest changes of glass"}
      </h2>
      <div className="flex flex-wrap items-center gap-x-4" role="group" aria-label="Parts to set up">
        {day.parts.map((part) => (
          <Tick
            key={part.id}
            label={part.name ?? part.id}
            on={parts.includes(part.id)}
            set={(on) => setParts(on ? [...parts, part.id] : parts.filter((id) => id !== part.id))}
          />
        ))}
      </div>
      <div className="flex flex-wrap items-center gap-3">
        <Tick label="second best will do" on={secondBest} set={setSecondBest} />
        <button className="webbing" disabled={!!running || parts.length === 0} onClick={() => void propose()}>
          Propose
        </button>
        {running && (
          <>
            <button className="webbing" onClick={stop}>
              Stop
            </button>
            <Waiting since={running.since}>
              {running.progress &&
                `; asked the report ${running.progress.round} times, at least ${running.progress.atLeast} changes`}
            </Waiting>
          </>
        )}
      </div>
      {error && <Problem error={error} />}
      {proposal && (
        <div role="status" className="flex flex-col gap-1">
          <p className="font-semibold">
            {proposal.proven
              ? `Fewest possible: ${all(proposal.found)}`
              : `Stopped: fewer than ${proposal.atLeast} are not possible`}
            , now {all(proposal.now)}.
          </p>
          <p>
            {[
              proposal.found.missed.length === 0
                ? "Every need is met"
                : `No glass on these cameras meets ${needs(proposal.found.missed)}`,
              proposal.found.inside.length > 0
                ? `glass is changed in the part itself for ${needs(proposal.found.inside)}`
                : "from the hands, with nothing changed in a part",
              proposal.found.secondBest.length > 0
                ? `second best for ${needs(proposal.found.secondBest)}`
                : "",
            ]
              .filter(Boolean)
              .join("; ")}
            . {safety(proposal.hangingNow, proposal.hanging)}
          </p>
          {proposal.pieces.length === 0 && <p>Nothing is to be changed: the setups are as good as any.</p>}
          {stale && (
            <p className="text-quiet">The day has changed since; propose again for what fits it now.</p>
          )}
          <ul className="flex flex-col">
            {proposal.pieces.map((piece, i) => (
              <li key={i}>
                <Tick
                  on={!left.includes(i)}
                  set={(on) => setLeft(on ? left.filter((x) => x !== i) : [...left, i])}
                  label={
                    <span className="narrow">
                      <span className="font-semibold">
                        {day.name(piece.person)} {piece.position}: {piece.glass.join(" + ") || "no lens"}
                      </span>{" "}
                      {runOf(piece.edits.map((e) => ("part" in e ? (e.part ?? "") : "")))}
                    </span>
                  }
                />
              </li>
            ))}
          </ul>
          {proposal.pieces.length > 0 && (
            <div className="flex gap-2">
              <button
                className="webbing"
                disabled={taken.length === 0}
                onClick={() => edit(...taken.flatMap((p) => p.edits))}
              >
                {taken.length === proposal.pieces.length ? "Take all of it" : `Take ${taken.length} of it`}
              </button>
              <button
                className="webbing"
                disabled={taken.length === 0}
                onClick={() => tryOut({ label: "These setups", edits: taken.flatMap((p) => p.edits) })}
              >
                See it on the day
              </button>
            </div>
          )}
        </div>
      )}
    </div>
  );
}

const all = (count: SetupsProposal["found"]) => count.between + count.inside.length;

/** Fewer changes may cost safety; it must be seen before it is taken. */
function safety(now: number, then: number) {
  if (then === now) return `As now, ${now} that matter hang by one thing or by none.`;
  return then > now
    ? `But ${then} that matter would hang by one thing or by none; now ${now} do.`
    : `And only ${then} that matter would hang by one thing or by none; now ${now} do.`;
}
