import type { PullResult } from "../api/client";
import { Strands } from "../marks/Strands";
import { Choose } from "../shared/Choose";
import { seconds, time } from "../shared/format";
import { outcomeWord, stepText, waitText } from "../shared/words";
import { useDay } from "../day/DayContext";
import { isSamePull, kindOf, pullText, readPull, type Pull } from "../day/pulls";
import { SwapList } from "./SwapList";

/** What to do now, need by need, worst first. */
// Long: what to do now, from the first step to the last, in one reading.
export function PullStrip({ pull }: { pull: PullResult }) {
  const { day, select, pulls } = useDay();
  const hanging = day.board.report.needs.filter((n) => n.importance !== "nice" && n.strands < 2).length;
  const part = (id: string) => day.parts.find((p) => p.id === id);
  const said = pull.changes.flatMap((c) => c.doesNotMove);
  const often = [...new Set(said)].filter((text) => said.indexOf(text) !== said.lastIndexOf(text));
  return (
    <section aria-label="What to do now" className="flex flex-col border-y border-rule bg-raised px-4 py-2">
      <ul
        aria-label="What is pulled"
        className="mb-1 flex flex-wrap gap-x-6 gap-y-1 max-[700px]:order-last max-[700px]:mt-2"
      >
        {pulls.map(readPull).map((out) => (
          <PulledThing key={pullText({ kind: out.kind, item: out.item })} out={out} />
        ))}
      </ul>
      {pull.changes.length > 0 && (
        <ol className="flex max-h-44 flex-col gap-1 overflow-auto">
          {pull.changes.map((change) => {
            const at = part(change.part);
            const need = at?.needs.find((n) => n.id === change.need);
            const stays = change.doesNotMove.filter((text) => !often.includes(text));
            return (
              <li key={`${change.part}/${change.need}`} className="flex flex-wrap items-baseline gap-x-3">
                <button
                  className="flex w-56 shrink-0 items-center gap-2 text-left"
                  onClick={() => select({ kind: "need", part: change.part, need: change.need })}
                >
                  <Strands count={change.strands} outcome={change.after} breaking />
                  <span className="text-quiet">{time(at?.start)}</span>
                  <strong className="truncate">{need?.name ?? change.need}</strong>
                </button>
                <span className="w-24 shrink-0 font-semibold">{outcomeWord[change.after]}</span>
                <span className="flex-1 basis-72">
                  {change.now
                    ? change.now.steps.map((step, i) => (
                        <span key={i}>
                          {i > 0 && ", then "}
                          {stepText(step, day.name)}{" "}
                          <span className="text-quiet">{seconds(step.seconds)}</span>
                        </span>
                      ))
                    : change.picture
                      ? "Nothing left will do it as it was meant:"
                      : "Nothing left will do it."}
                  {change.picture && (
                    <>
                      {change.now && ", and "}
                      <strong> {change.picture}</strong>
                    </>
                  )}
                  {stays.length > 0 && (
                    <span className="font-semibold"> Does not move along: {stays.join("; ")}.</span>
                  )}
                </span>
                <span className="w-40 sm:text-right">
                  {change.now && seconds(change.now.seconds)}, {waitText(change.toleranceSeconds)}
                </span>
              </li>
            );
          })}
        </ol>
      )}
      {often.length > 0 && (
        <p className="font-semibold">Does not move along, in several of these: {often.join("; ")}.</p>
      )}
      <SwapList swaps={pull.swaps} />
      {pull.copies.length > 0 && (
        <p className="font-semibold">{pull.copies.map((piece) => piece.text).join("")}</p>
      )}
      <p className="text-quiet">
        {pull.untouched} {pull.untouched === 1 ? "need goes" : "needs go"} on as planned. The board shows what
        is left for the rest of the day: {hanging} that{" "}
        {hanging === 1 ? "matters then hangs" : "matter then hang"} by one thing or by none.{" "}
        <button className="text-ink underline" onClick={() => select({ kind: "setups" })}>
          New setups for what is left
        </button>
      </p>
    </section>
  );
}

/** One thing that is out, from when on, and by when it is mended or another has come. */
function PulledThing({ out }: { out: Pull }) {
  const { day, togglePull, changePull } = useDay();
  const from = day.parts.findIndex((p) => p.id === out.part);
  const names = day.parts.map((p) => [p.id, p.name ?? p.id] as const);
  const known = day.board.pull?.out.find(({ pull }) =>
    isSamePull({ item: pull.item, ...kindOf(pull.kind) }, out),
  );
  return (
    <li className="flex flex-wrap items-baseline gap-x-2">
      <strong>{known?.name ?? day.name(out.item)}</strong>
      <Choose
        beside
        label="out from"
        value={out.part ?? ""}
        empty="the start of the day"
        options={names}
        choose={(part) => changePull({ ...out, part: part || undefined, until: undefined })}
      />
      <Choose
        beside
        label="mended or replaced by"
        value={out.until ?? ""}
        empty="not that day"
        options={names.slice(Math.max(from, 0) + 1)}
        choose={(until) => changePull({ ...out, until: until || undefined })}
      />
      <button className="webbing" onClick={() => togglePull(out)}>
        Put it back
      </button>
    </li>
  );
}
