import type { CardPages, FactRequest, RecordedCard } from "../api/client";
import { Problem } from "../shared/Problem";
import { TypedInFull } from "../shared/TypedInFull";
import { time } from "../shared/format";
import type { CardsPage } from "./Cards";
import { CardToken } from "./CardToken";
import type { BookOfCards } from "./useBook";

const words = {
  clear: "clear",
  loaded: "in a camera",
  shot: "holds pictures",
  settings: "holds settings",
  notOurs: "not ours",
  lost: "lost",
} as const;

interface Chosen {
  book: BookOfCards;
  chosen: string | null;
  choose: (card: string | null) => void;
}

/** What really happened to each card, and the question of the evening: may I clear it? */
export function Book(page: CardsPage & Chosen) {
  const { plan, name, book, chosen } = page;
  if (!book.pages) return null;
  const here = plan.items.filter((i) => i.kind === "card").map((i) => i.id);
  const known = book.pages.cards.filter((c) => here.includes(c.card) || c.state.condition !== "clear");
  const unheard = here.filter((id) => !known.some((c) => c.card === id)).map((id) => unheardOf(id, name(id)));
  const all = [...known, ...unheard];
  const open = all.find((c) => c.card === chosen);
  const used = all.filter((c) => c.state.condition !== "clear");
  const may = used.filter((c) => c.mayClear.may);
  return (
    <section aria-label="May I clear it?">
      <h2 className="text-[15px] font-bold">May I clear it?</h2>
      <p>
        {used.length === 0
          ? "Nothing is recorded yet: the plan takes every card for clear."
          : `${may.length} of ${used.length} that are not clear may be cleared. Touch a card to ask.`}
      </p>
      <ul className="my-1 flex flex-wrap gap-1.5">
        {all.map((c) => (
          <li key={c.card}>
            <Asked card={c} {...page} />
          </li>
        ))}
      </ul>
      <Gone lost={all.filter((c) => c.state.condition === "lost")} {...page} />
      {book.error && <Problem error={book.error} />}
      {open && <OneCard key={open.card + open.state.condition} card={open} {...page} />}
      <Facts facts={book.pages.facts} name={name} />
    </section>
  );
}

function Asked({ card: c, face, chosen, choose }: CardsPage & Chosen & { card: RecordedCard }) {
  const { condition } = c.state;
  return (
    <button
      aria-pressed={chosen === c.card}
      aria-label={`${c.name}, ${words[condition]}. ${c.mayClear.sentence}`}
      className={`flex min-h-[32px] items-center border-b-2 max-[700px]:min-h-[44px] ${chosen === c.card ? "border-ink" : "border-transparent"}`}
      onClick={() => choose(chosen === c.card ? null : c.card)}
    >
      <CardToken
        face={face(c.card)}
        shot={condition === "loaded" || condition === "shot"}
        inCamera={condition === "loaded"}
        done={c.mayClear.may}
        barred={condition === "settings" || condition === "notOurs" || condition === "lost"}
      />
    </button>
  );
}

/** What the record says of all that is lost: that it is elsewhere, or which pictures are gone. */
function Gone({ lost, cards, part, need }: CardsPage & { lost: RecordedCard[] }) {
  if (lost.length === 0) return null;
  const gone = lost.filter((c) => c.copies === 0).map((c) => cards.plan.stays.find((s) => s.card === c.card));
  const frames = gone.flatMap((s) => s?.frames ?? []);
  const pictures = gone.flatMap((s) => s?.pictures ?? []);
  const unique = (all: string[]) => [...new Set(all)].join(", ");
  return frames.length === 0 ? (
    <p role="note">Of what is lost every picture is somewhere else: nothing is gone.</p>
  ) : (
    <p role="note" className="font-semibold text-broken">
      Gone for good, as planned: {unique(frames.map((f) => `${part(f.part)} ${f.frames} frames`))}.{" "}
      {pictures.length > 0 && `Among them ${unique(pictures.map((p) => need(p.part, p.need)))}.`}
    </p>
  );
}

const happened: Partial<Record<CardPages["facts"][number]["kind"], string>> = {
  put: "put into",
  taken: "now in",
  copied: "copied to",
  verified: "read back from",
  cleared: "cleared",
  overridden: "cleared all the same",
  settings: "holds settings",
  notOurs: "is not ours",
  ours: "an ordinary card again",
  lost: "lost",
};

/** What was recorded last; nothing of it can be changed. */
function Facts({ facts, name }: { facts: CardPages["facts"]; name: (id: string) => string }) {
  if (facts.length === 0) return null;
  return (
    <details className="mt-1 print:hidden">
      <summary className="cursor-pointer">What was recorded last</summary>
      <ol>
        {facts.map((f, i) => (
          <li key={i} className="border-t border-rule py-0.5">
            <span className="text-quiet">{time(f.at)}</span> {name(f.thing)} {happened[f.kind]}{" "}
            {[f.where, f.who && `of ${f.who}`, f.onTheWay && "on the way", f.words && `“${f.words}”`]
              .filter(Boolean)
              .join(" ")}
          </li>
        ))}
      </ol>
    </details>
  );
}

const unheardOf = (card: string, name: string): RecordedCard => ({
  card,
  name,
  state: {
    card,
    condition: "clear",
    isJpeg: false,
    copies: [],
    onTheWay: false,
    day: null,
    where: null,
    who: null,
    halves: [],
    holdsPictures: false,
    place: null,
  },
  dayName: null,
  copies: 0,
  places: 0,
  mayClear: {
    may: false,
    sentence: "Nothing is recorded of it. Look at what is on it before you format it.",
  },
  phrase: "",
});

function OneCard({ card, ...page }: CardsPage & { card: RecordedCard; book: BookOfCards }) {
  const { state } = card;
  const with_ = state.who ? ` of ${state.who}` : "";
  const copies = state.copies.map(
    (c) =>
      `; copy on ${c.where}${c.who ? ` of ${c.who}` : ""}, ${c.isVerified ? "read back" : "not read back"}`,
  );
  return (
    <div className="border-l-2 border-ink bg-raised px-3 py-2">
      <p className="text-[15px] font-bold" role="status">
        {card.name}: {card.mayClear.sentence}
      </p>
      <p>
        {state.condition !== "clear" && words[state.condition]}
        {card.dayName && ` of ${card.dayName}`}
        {state.where && `, ${state.condition === "loaded" ? "the " : ""}${state.where}${with_}`}
        {state.onTheWay && ", on the way"}
        {copies}
        {state.condition !== "clear" && "."}
        <span className="text-quiet">{ownText(card.card, page)}</span>
      </p>
      <div className="mt-2 flex flex-wrap items-center gap-2">
        {happenings(card, page).map(({ label, ...fact }) => (
          <button
            key={label}
            className="webbing"
            disabled={page.book.fact.isPending}
            onClick={() =>
              page.book.happen(concerned(card, fact, page.book).map((id) => ({ card: id, ...fact })))
            }
          >
            {label}
          </button>
        ))}
        {state.condition === "shot" && !card.mayClear.may && <AllTheSame card={card} book={page.book} />}
      </div>
    </div>
  );
}

/** Whose it is and since when, and whether that is long. */
function ownText(id: string, { plan, name, cards }: CardsPage) {
  const card = plan.items.find((i) => i.id === id);
  const since = typeof card?.firstUse === "string" && `in use since ${card.firstUse.slice(0, 4)}`;
  const old = cards.plan.old.includes(id) && "old";
  const said = [card?.owner && `${name(card.owner)}’s own`, since, old].filter(Boolean);
  return said.length > 0 ? ` ${said.join(", ")}.` : "";
}

/** A camera that is stolen takes every card that is in it. */
const concerned = (card: RecordedCard, fact: Omit<Happening, "label">, book: BookOfCards) =>
  fact.kind === "lost" && fact.where
    ? (book.pages?.cards ?? [])
        .filter((c) => c.state.condition === "loaded" && c.state.where === fact.where)
        .map((c) => c.card)
    : [card.card];

interface Happening {
  label: string;
  kind: FactRequest["kind"];
  who?: string | null;
  where?: string | null;
  onTheWay?: boolean;
}

/** What may happen to a card next. */
function happenings({ state, mayClear }: RecordedCard, { plan }: CardsPage): Happening[] {
  const people = plan.people.map((p) => p.name ?? p.id);
  const named = (kind: string) => plan.items.filter((i) => i.kind === kind).map((i) => i.name ?? i.id);
  switch (state.condition) {
    case "loaded":
      return [
        ...people.map((who): Happening => ({ label: `Out, to ${who}`, kind: "taken", who, where: "wallet" })),
        { label: "It is dead", kind: "lost" },
        { label: `The ${state.where ?? "camera"} is stolen`, kind: "lost", where: state.where },
      ];
    case "lost":
      return people.map((who) => ({ label: `Found, with ${who}`, kind: "taken", who, where: "wallet" }));
    case "shot":
      return shotHappenings(state, mayClear.may, people, named("drive"));
    case "clear":
      return [
        ...named("body").map((where): Happening => ({ label: `Into the ${where}`, kind: "put", where })),
        { label: "It holds settings", kind: "settings" },
        { label: "It is not ours", kind: "notOurs" },
      ];
    default:
      return [{ label: "An ordinary card again", kind: "ours" }];
  }
}

function shotHappenings(
  state: RecordedCard["state"],
  may: boolean,
  people: string[],
  drives: string[],
): Happening[] {
  const unread = state.copies.filter((c) => !c.isVerified);
  return [
    ...drives.map((where): Happening => ({
      label: `Copied to the ${where}`,
      kind: "copied",
      where,
      who: people[0],
    })),
    ...unread.map(({ where }): Happening => ({
      label: `Read back from ${where}: the same`,
      kind: "verified",
      where,
    })),
    ...people.map((who): Happening => ({
      label: `On the way with ${who}`,
      kind: "taken",
      who,
      where: "home",
      onTheWay: true,
    })),
    ...(state.onTheWay
      ? [{ label: "Arrived", kind: "taken" as const, who: state.who, where: state.where }]
      : []),
    { label: "It is lost", kind: "lost" },
    ...(may ? [{ label: "Clear it", kind: "cleared" as const }] : []),
  ];
}

const AllTheSame = ({ card, book }: { card: RecordedCard; book: BookOfCards }) => (
  <TypedInFull
    ask="Clear it all the same …"
    phrase={card.phrase}
    label="Clear it"
    done={(words) => book.fact.mutate({ kind: "overridden", card: card.card, words })}
  />
);
