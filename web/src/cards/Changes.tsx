import type { ReactNode } from "react";
import type { Part, Swap } from "../api/client";
import { seconds, time } from "../shared/format";
import type { CardsPage } from "./Cards";
import { holder } from "./holder";
import type { BookOfCards } from "./useBook";

type Page = CardsPage & { book: BookOfCards };

/** The changes as a list one can obey, join by join, with where each card goes; what was done so is recorded at one touch. */
export function Changes(page: Page) {
  const { cards, parts, face, book } = page;
  const { changes } = cards.plan;
  const first = parts[0]?.id;
  const numbers = (isIn: boolean, at: string | undefined) =>
    cards.plan.moves
      .filter((m) => (m.part ?? undefined) === at && isIn === (m.kind === "camera"))
      .map((m) => face(m.card))
      .join(", ");
  return (
    <section aria-label="To do, in order">
      <h2 className="text-[15px] font-bold">To do, in order</h2>
      {changes.length === 0 && <p>No card has to be changed.</p>}
      <ol>
        <Line at={parts[0]?.start} isRecord>
          cards in, {numbers(true, first)} <Lived part={first ?? null} word="In as planned" book={book} />
        </Line>
        {parts
          .filter((p) => changes.some((c) => c.part === p.id))
          .map((p) => (
            <Join key={p.id} before={p} isFirst={p.id === first} {...page} />
          ))}
        <Line at={parts.at(-1)?.end} isRecord>
          all out, {numbers(false, undefined)} <Lived part={null} word="Out as planned" book={book} />
        </Line>
        <Full {...page} />
      </ol>
    </section>
  );
}

const Line = ({
  at,
  isRecord,
  children,
}: {
  at?: string | null;
  isRecord?: boolean;
  children: ReactNode;
}) => (
  <li
    className={`grid grid-cols-[5rem_1fr] gap-x-3 border-t border-rule py-1 ${isRecord ? "print:hidden" : ""}`}
  >
    <span className="text-quiet">{time(at)}</span>
    <div>{children}</div>
  </li>
);

function Join({ before, isFirst, ...page }: Page & { before: Part; isFirst: boolean }) {
  const here = page.cards.plan.changes.filter((c) => c.part === before.id);
  return (
    <Line at={before.start}>
      before <strong>{before.name ?? before.id}</strong>{" "}
      {!isFirst && <Lived part={before.id} word="Changed as planned" book={page.book} />}
      <ul>
        {[...new Set(here.map((c) => c.body))].map((body) => (
          <li key={body}>
            <strong>{page.name(body)}</strong>{" "}
            <Camera changes={here.filter((c) => c.body === body)} of={before} {...page} />
          </li>
        ))}
      </ul>
    </Line>
  );
}

/** What is done at one camera: both slots, from where, how long, and whom it is too long for. */
function Camera({ changes, of, cards, name, face }: Page & { changes: Swap[]; of: Part }) {
  const goes = (card: string) =>
    cards.plan.stays
      .find((s) => s.card === card)
      ?.stays.filter((s) => s.part === of.id && s.kind !== "camera")
      .at(-1);
  const slot = (c: Swap) => {
    const when = c.afterFrames == null ? "" : `after about ${c.afterFrames} frames `;
    const out = c.out ? `, ${face(c.out)} to ${holder(goes(c.out), name)}` : "";
    return `slot ${c.slot}: ${when}${face(c.in)} in${out}`;
  };
  const late = changes.find((c) => c.tooSlowFor);
  const need = of.needs.find((n) => n.id === late?.tooSlowFor)?.name ?? "what comes";
  return (
    <>
      {changes.map(slot).join("; ")}
      <span className="text-quiet">
        {" "}
        {changes[0]!.from ? `from ${name(changes[0]!.from)}, ` : ""}
        {seconds(Math.max(...changes.map((c) => c.seconds)))}
      </span>
      {late && <span className="text-hangs"> longer than {need} waits: change as the part before ends</span>}
      {changes.some((c) => c.inOnce) && (
        <strong className="text-broken"> in the middle of what happens once</strong>
      )}
    </>
  );
}

function Full({ cards, plan, name, part }: CardsPage) {
  return cards.plan.short.map((s) => (
    <li
      key={`${s.part} ${s.body} ${s.slot}`}
      className="grid grid-cols-[5rem_1fr] gap-x-3 border-t border-rule py-1 font-semibold text-broken"
    >
      <span>{time(plan.parts.find((p) => p.id === s.part)?.start)}</span>
      <span>
        {name(s.body)}, slot {s.slot}, is full in {part(s.part)} after {s.afterFrames} frames: {s.frames} find
        no {s.type}
      </span>
    </li>
  ));
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
