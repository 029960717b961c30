import { useEffect, useRef, useState } from "react";
import type { SearchProgress, SetupsProposal, SetupTrade } from "../api/client";
import { Problem } from "../shared/Problem";
import { Tick } from "../shared/Choose";
import { useSearch } from "../shared/useSearch";
import { Waiting } from "../shared/Waiting";
import { useDay } from "../day/DayContext";

/** Proposes the setups with the fewest changes of glass that meet every need, as pieces to take or leave. */
// Long: one form and what it found; the choices answer to one another.
export function SetupsPanel({ assignment }: { assignment: string }) {
  const { day, edit, tryOut, pulls } = useDay();
  const [parts, setParts] = useState<string[]>(() => day.parts.map((p) => p.id));
  const { running, all: trades, error, start, stop } = useSearch<SearchProgress, SetupTrade>();
  const [chosen, setChosen] = useState(0);
  const proposal = trades[chosen]?.proposal;
  const [revision, setRevision] = useState(0);
  const [left, setLeft] = useState<number[]>([]);
  const [pinned, setPinned] = useState<string[]>([]);

  const propose = () => {
    setLeft([]);
    setChosen(0);
    setRevision(day.board.revision);
    const query = new URLSearchParams(parts.map((p): [string, string] => ["part", p]));
    pulls.forEach((p) => query.append("pull", p));
    pinned.forEach((hand) => query.append("pin", hand));
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
  const hands = [
    ...new Set(
      day.parts.flatMap((p) => p.setups.filter((s) => s.body).map((s) => `${s.person}:${s.position}`)),
    ),
  ];
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
        <span role="group" aria-label="Hands that stay as they are" className="flex flex-wrap gap-x-4">
          {hands.map((hand) => {
            const [person = "", position = ""] = hand.split(":");
            return (
              <Tick
                key={hand}
                label={`pin ${day.name(person)} ${position}`}
                on={pinned.includes(hand)}
                set={(on) => setPinned(on ? [...pinned, hand] : pinned.filter((h) => h !== hand))}
              />
            );
          })}
        </span>
        <button className="webbing" disabled={!!running || parts.length === 0} onClick={() => void propose()}>
          Propose
        </button>
        {running && (
          <>
            <button className="webbing" onClick={stop}>
              Stop
            </button>
            <Waiting since={running.since} waits={running.waits}>
              {running.progress &&
                `; asked the report ${running.progress.round} times, at least ${running.progress.atLeast} changes`}
            </Waiting>
          </>
        )}
      </div>
      {error && <Problem error={error} />}
      {proposal && (
        <div role="status" className="flex flex-col gap-1">
          <TradeList
            trades={trades}
            chosen={chosen}
            choose={(i) => {
              setChosen(i);
              setLeft([]);
            }}
          />
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

/** The short list one chooses from. */
function TradeList({
  trades,
  chosen,
  choose,
}: {
  trades: SetupTrade[];
  chosen: number;
  choose: (i: number) => void;
}) {
  const now = trades[0]?.proposal;
  if (!now) return null;
  return (
    <fieldset>
      <legend className="font-semibold">
        Now {all(now.now)} {all(now.now) === 1 ? "change" : "changes"}, {hang(now.hangingNow)}. Choose:
      </legend>
      {trades.map((trade, i) => (
        <label key={i} className="flex items-baseline gap-1.5">
          <input type="radio" name="trade" checked={i === chosen} onChange={() => choose(i)} />
          <span>
            <strong>{tradeWords(trade)}</strong>{" "}
            <span className="text-quiet">
              {trade.proposal.proven
                ? "proven the least"
                : `stopped: fewer than ${trade.proposal.atLeast} are not possible`}
            </span>
          </span>
        </label>
      ))}
    </fieldset>
  );
}

/** What one gives up for what, in a line. */
function tradeWords({ wish, proposal }: SetupTrade) {
  const n = all(proposal.found);
  return [
    wish.mayHang ? "If more may hang:" : wish.keepsHabits ? "With every habit kept:" : "Recommended:",
    [
      `${n} ${n === 1 ? "change" : "changes"}`,
      hang(proposal.hanging),
      proposal.habitsLeft === 0
        ? "all habits kept"
        : `${proposal.habitsLeft} ${proposal.habitsLeft === 1 ? "habit" : "habits"} left`,
    ].join(", "),
  ].join(" ");
}

const all = (count: SetupsProposal["found"]) => count.between + count.inside.length;

const hang = (n: number) => (n === 0 ? "nothing hangs" : `${n} ${n === 1 ? "hangs" : "hang"}`);

const matter = (n: number) => (n === 1 ? "one need that matters" : `${n || "no"} needs that matter`);

/** Fewer changes may cost safety; it must be seen before it is taken. */
function safety(now: number, then: number) {
  if (then === now) return `As now, ${matter(now)} ${now === 1 ? "hangs" : "hang"} by one thing or by none.`;
  return then > now
    ? `But ${matter(then)} would hang by one thing or by none; now ${now || "none"} ${now > 1 ? "do" : "does"}.`
    : `And ${then === 0 ? "" : "only "}${matter(then)} would hang by one thing or by none; now ${now} ${now > 1 ? "do" : "does"}.`;
}
