import { useState } from "react";
import type { RecordedCard } from "../api/client";
import { Problem } from "../shared/Problem";
import type { CardsPage } from "./Cards";
import { CardToken } from "./CardToken";
import type { BookOfCards } from "./useBook";

const words = {
  clear: "clear",
  loaded: "in a camera",
  shot: "holds pictures",
  settings: "holds settings",
  notOurs: "not ours",
} as const;

/** What really happened to each card, and the question of the evening: may I clear it? */
export function Book(
  page: CardsPage & { book: BookOfCards; chosen: string | null; choose: (card: string | null) => void },
) {
  const { plan, name, face, book, chosen, choose } = page;
  if (!book.pages) return null;
  const here = new Set(plan.items.filter((i) => i.kind === "card").map((i) => i.id));
  const all = book.pages.cards.filter((c) => here.has(c.card) || c.state.condition !== "clear");
  for (const id of here) if (!all.some((c) => c.card === id)) all.push(unheardOf(id, name(id)));
  const open = all.find((c) => c.card === chosen);
  const used = all.filter((c) => c.state.condition !== "clear");
  const may = used.filter((c) => c.mayClear.may);
  return (
    <section aria-label="May I clear it?">
      <h2 className="text-[15px] font-bold">May I clear it?</h2>
      <p>
        {used.length === 0
          ? "Nothing is recorded yet: every card counts as clear."
          : `${may.length} of ${used.length} that are not clear may be cleared. Touch a card to ask.`}
      </p>
      <ul className="my-1 flex flex-wrap gap-1.5">
        {all.map((c) => (
          <li key={c.card}>
            <button
              aria-pressed={chosen === c.card}
              aria-label={`${c.name}, ${words[c.state.condition]}. ${c.mayClear.sentence}`}
              className={`flex min-h-[32px] items-center border-b-2 max-[700px]:min-h-[44px] ${chosen === c.card ? "border-ink" : "border-transparent"}`}
              onClick={() => choose(chosen === c.card ? null : c.card)}
            >
              <CardToken
                face={face(c.card)}
                shot={c.state.condition === "loaded" || c.state.condition === "shot"}
                inCamera={c.state.condition === "loaded"}
                done={c.mayClear.may}
                barred={c.state.condition === "settings" || c.state.condition === "notOurs"}
              />
            </button>
          </li>
        ))}
      </ul>
      {book.error && <Problem error={book.error} />}
      {open && <OneCard key={open.card + open.state.condition} card={open} {...page} />}
    </section>
  );
}

const unheardOf = (card: string, name: string): RecordedCard => ({
  card,
  name,
  state: {
    card,
    condition: "clear",
    copies: [],
    onTheWay: false,
    day: null,
    where: null,
    who: null,
    with: null,
    holdsPictures: false,
    place: null,
  },
  dayName: null,
  copies: 0,
  places: 0,
  mayClear: { may: false, sentence: "It is clear." },
  phrase: "",
});

function OneCard({ card, plan, book }: CardsPage & { card: RecordedCard; book: BookOfCards }) {
  const { state } = card;
  const add = book.fact.mutate;
  const people = plan.people.map((p) => p.name ?? p.id);
  const drives = plan.items.filter((i) => i.kind === "drive").map((i) => i.name ?? i.id);
  const busy = book.fact.isPending;
  const plain = (label: string, kind: Parameters<typeof add>[0]["kind"]) => (
    <button className="webbing" disabled={busy} onClick={() => add({ kind, card: card.card })}>
      {label}
    </button>
  );
  return (
    <div className="border-l-2 border-ink bg-raised px-3 py-2">
      <p className="text-[15px] font-bold" role="status">
        {card.name}: {card.mayClear.sentence}
      </p>
      <p>
        {words[state.condition]}
        {card.dayName && ` of ${card.dayName}`}
        {state.where && `, ${state.condition === "loaded" ? "the " : ""}${state.where}`}
        {state.who && ` of ${state.who}`}
        {state.onTheWay && ", on the way"}
        {state.copies.map(
          (c) =>
            `; copy on ${c.where}${c.who ? ` of ${c.who}` : ""}, ${c.isVerified ? "read back" : "not read back"}`,
        )}
        .
      </p>
      <div className="mt-2 flex flex-wrap items-center gap-2">
        {state.condition === "loaded" &&
          people.map((who) => (
            <button
              key={who}
              className="webbing"
              disabled={busy}
              onClick={() => add({ kind: "taken", card: card.card, who, where: "wallet" })}
            >
              Out, to {who}
            </button>
          ))}
        {state.condition === "shot" && (
          <>
            {drives.map((where) => (
              <button
                key={where}
                className="webbing"
                disabled={busy}
                onClick={() => add({ kind: "copied", card: card.card, where, who: people[0] })}
              >
                Copied to the {where}
              </button>
            ))}
            {state.copies
              .filter((c) => !c.isVerified)
              .map((c) => (
                <button
                  key={c.where}
                  className="webbing"
                  disabled={busy}
                  onClick={() => add({ kind: "verified", card: card.card, where: c.where })}
                >
                  Read back from {c.where}: the same
                </button>
              ))}
            {people.map((who) => (
              <button
                key={who}
                className="webbing"
                disabled={busy}
                onClick={() => add({ kind: "taken", card: card.card, who, where: "home", onTheWay: true })}
              >
                On the way with {who}
              </button>
            ))}
            {state.onTheWay && (
              <button
                className="webbing"
                disabled={busy}
                onClick={() => add({ kind: "taken", card: card.card, who: state.who, where: state.where })}
              >
                Arrived
              </button>
            )}
            {card.mayClear.may ? plain("Clear it", "cleared") : <AllTheSame card={card} book={book} />}
          </>
        )}
        {state.condition === "clear" && (
          <>
            {plan.items
              .filter((i) => i.kind === "body")
              .map((b) => (
                <button
                  key={b.id}
                  className="webbing"
                  disabled={busy}
                  onClick={() => add({ kind: "put", card: card.card, where: b.name ?? b.id })}
                >
                  Into the {b.name ?? b.id}
                </button>
              ))}
            {plain("It holds settings", "settings")}
            {plain("It is not ours", "notOurs")}
          </>
        )}
        {(state.condition === "settings" || state.condition === "notOurs") &&
          plain("An ordinary card again", "ours")}
      </div>
    </div>
  );
}

/** What has not reached the rule is cleared only by who types in full what that means. */
function AllTheSame({ card, book }: { card: RecordedCard; book: BookOfCards }) {
  const [typed, setTyped] = useState("");
  return (
    <details>
      <summary className="min-h-[24px] cursor-pointer underline">Clear it all the same …</summary>
      <form
        className="flex flex-wrap items-center gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          book.fact.mutate({ kind: "overridden", card: card.card, words: typed });
        }}
      >
        <label>
          Type <strong>{card.phrase}</strong>
          <input
            className="ml-2 w-72 max-w-full border border-rule bg-ground px-2 py-1"
            value={typed}
            onChange={(e) => setTyped(e.target.value)}
          />
        </label>
        <button className="webbing">Clear it</button>
      </form>
    </details>
  );
}
