import type { CardStay } from "../api/client";
import { seconds, time } from "../shared/format";
import type { CardsPage } from "./Cards";
import type { BookOfCards } from "./useBook";

/** The changes as a list one can obey, join by join, with where each card goes. */
export function Changes({ cards, plan, parts, name, face, part, book }: CardsPage & { book: BookOfCards }) {
  const { changes, short } = cards.plan;
  const joins = parts.filter((p) => changes.some((c) => c.part === p.id));
  const goes = (card: string, at: string) => {
    const stays = cards.plan.stays.find((s) => s.card === card)?.stays ?? [];
    return stays.filter((s) => s.part === at && s.kind !== "camera").at(-1);
  };
  const numbers = (way: "out" | null, at: string | null | undefined) =>
    cards.plan.moves
      .filter((m) => (m.part ?? null) === at && (way === "out") === (m.kind !== "camera"))
      .map((m) => face(m.card))
      .join(", ");
  return (
    <section aria-label="To do, in order">
      <h2 className="text-[15px] font-bold">To do, in order</h2>
      {joins.length === 0 && <p>No card has to be changed.</p>}
      <ol>
        <li className="grid grid-cols-[5rem_1fr] gap-x-3 border-t border-rule py-1 print:hidden">
          <span className="text-quiet">{time(parts[0]?.start)}</span>
          <span className="flex flex-wrap items-baseline gap-x-3">
            cards in, {numbers(null, parts[0]?.id)}
            <Lived part={parts[0]?.id ?? null} word="In as planned" book={book} />
          </span>
        </li>
        {joins.map((p) => (
          <li key={p.id} className="grid grid-cols-[5rem_1fr] gap-x-3 border-t border-rule py-1">
            <span className="text-quiet">{time(p.start)}</span>
            <div>
              before <strong>{p.name ?? p.id}</strong>{" "}
              {p.id !== parts[0]?.id && <Lived part={p.id} word="Changed as planned" book={book} />}
              <ul>
                {[...new Set(changes.filter((c) => c.part === p.id).map((c) => c.body))].map((body) => {
                  const here = changes.filter((c) => c.part === p.id && c.body === body);
                  return (
                    <li key={body}>
                      <strong>{name(body)}</strong>{" "}
                      {here
                        .map(
                          (c) =>
                            `slot ${c.slot}: ${c.afterFrames == null ? "" : `after about ${c.afterFrames} frames `}${face(c.in)} in${c.out ? `, ${face(c.out)} to ${holder(goes(c.out, p.id), name)}` : ""}`,
                        )
                        .join("; ")}
                      <span className="text-quiet">
                        {" "}
                        {here[0]!.from ? `from ${name(here[0]!.from)}, ` : ""}
                        {seconds(Math.max(...here.map((c) => c.seconds)))}
                      </span>
                      {here.find((c) => c.tooSlowFor) && (
                        <span className="text-hangs">
                          {" "}
                          longer than{" "}
                          {p.needs.find((n) => n.id === here.find((c) => c.tooSlowFor)?.tooSlowFor)?.name ??
                            "what comes"}{" "}
                          waits: change as the part before ends
                        </span>
                      )}
                      {here.some((c) => c.inOnce) && (
                        <strong className="text-broken"> in the middle of what happens once</strong>
                      )}
                    </li>
                  );
                })}
              </ul>
            </div>
          </li>
        ))}
        <li className="grid grid-cols-[5rem_1fr] gap-x-3 border-t border-rule py-1 print:hidden">
          <span className="text-quiet">{time(parts.at(-1)?.end)}</span>
          <span className="flex flex-wrap items-baseline gap-x-3">
            all out, {numbers("out", null)}
            <Lived part={null} word="Out as planned" book={book} />
          </span>
        </li>
        {short.map((s) => (
          <li
            key={`${s.part} ${s.body} ${s.slot}`}
            className="grid grid-cols-[5rem_1fr] gap-x-3 border-t border-rule py-1 font-semibold text-broken"
          >
            <span>{time(plan.parts.find((p) => p.id === s.part)?.start)}</span>
            <span>
              {name(s.body)}, slot {s.slot}, is full in {part(s.part)} after {s.afterFrames} frames:{" "}
              {s.frames} find no {s.type}
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}

/** Records that what is planned at a join was done, for every camera and both slots. */
function Lived({ part, word, book }: { part: string | null; word: string; book: BookOfCards }) {
  return (
    <button
      className="min-h-[24px] underline max-[700px]:min-h-[44px] print:hidden"
      disabled={book.lived.isPending}
      onClick={() => book.lived.mutate(part)}
    >
      {word}
    </button>
  );
}

/** What a card is in, in words. */
export const holder = (stay: CardStay | undefined, name: (id: string) => string) =>
  stay == null
    ? "the wallet"
    : stay.kind === "wallet"
      ? `the wallet of ${name(stay.where)}`
      : `the ${name(stay.where)}`;
