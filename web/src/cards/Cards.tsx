import { useParams, useSearchParams } from "react-router";
import { AssignmentBar } from "../assignment/AssignmentBar";
import type { BoardView, CardDay, Part, UseLevel } from "../api/client";
import { Level } from "../day/Level";
import { MendList } from "../day/MendList";
import { inOrder } from "../day/PartColumns";
import { PulledLine } from "../day/PulledLine";
import type { PlanChange } from "../day/planChange";
import { useBoard } from "../day/useBoard";
import { PageHeader } from "../shared/PageHeader";
import { PrintButton } from "../shared/PrintButton";
import { Problem } from "../shared/Problem";
import { number, said, seconds } from "../shared/format";
import { Book } from "./Book";
import { cardFace } from "./cardFace";
import { Copying } from "./Copying";
import { Evening } from "./Evening";
import { Changes } from "./Changes";
import { Habits } from "./Habits";
import { Losses } from "./Losses";
import { Room } from "./Room";
import { Sent } from "./Sent";
import { useBook } from "./useBook";
import { useCards } from "./useCards";
import { Wallets } from "./Wallets";
import { WalletSheets } from "./WalletSheets";
import { Ways } from "./Ways";

/** What the parts of this page share. */
export interface CardsPage {
  cards: CardDay;
  plan: BoardView["plan"];
  parts: Part[];
  /** What a thing, person or place is called. */
  name: (id: string) => string;
  /** The number on a card, else its name. */
  face: (id: string) => string;
  part: (id: string) => string;
  need: (part: string, id: string) => string;
  edit: (...edits: PlanChange[]) => void;
}

/** Where every picture is: what would be gone with which camera, wallet or bag, and when one may leave. */
export function Cards() {
  const key = useParams().assignment ?? "";
  const [search, setSearch] = useSearchParams();
  const pull = search.getAll("pull");
  const level = (search.get("use") ?? "high") as UseLevel;
  const { board, edit, notice, loadError } = useBoard(key, pull);
  const { data, error } = useCards(key, pull, level);
  if (error ?? loadError)
    return (
      <main className="p-6">
        <Problem error={(error ?? loadError)!} />
      </main>
    );
  if (!data || !board) return <main className="p-6 text-quiet">Following every frame …</main>;
  const { plan } = board;
  const page = pageOf(data, plan, edit);
  const look = (ids: string[], use: string) =>
    setSearch(
      new URLSearchParams([...ids.map((id) => ["pull", id]), ...(use === "high" ? [] : [["use", use]])]),
    );
  return (
    <div className="flex h-full flex-col">
      <PageHeader view={`${plan.assignment.name} · Cards`} phoneTitle={plan.assignment.name} />
      <Bar assignment={key} name={plan.assignment.name} query={search} />
      <main className="relative min-h-0 flex-1 overflow-auto px-4 py-3 print:overflow-visible print:p-0 print:text-[11px]">
        <Sentence cards={data} />
        <PulledLine pull={pull} name={page.name} putBack={() => look([], level)} />
        {notice && <p role="alert">{[notice.title, ...notice.lines].join(" ")}</p>}
        <div className="mt-2 flex flex-wrap gap-x-8 print:hidden">
          <Habits {...page} />
          <Level level={data.level} setLevel={(use) => look(pull, use)} />
        </div>
        <Ways {...page} />
        <Details page={page} assignment={key} />
        <Reckoned {...page} />
      </main>
    </div>
  );
}

const Bar = (props: { assignment: string; name: string; query: URLSearchParams }) => (
  <AssignmentBar view="cards" {...props}>
    <PrintButton />
  </AssignmentBar>
);

function pageOf(cards: CardDay, plan: BoardView["plan"], edit: CardsPage["edit"]): CardsPage {
  const all = [...plan.items, ...plan.people, ...plan.places];
  return {
    cards,
    plan,
    parts: inOrder(plan.parts),
    name: (id) => all.find((x) => x.id === id)?.name ?? id,
    face: cardFace(plan.items),
    part: (id) => plan.parts.find((p) => p.id === id)?.name ?? id,
    need: (part, id) => plan.parts.find((p) => p.id === part)?.needs.find((n) => n.id === id)?.name ?? id,
    edit,
  };
}

const Sentence = ({ cards }: { cards: CardDay }) => (
  <p
    className="max-w-[62rem] text-xl leading-tight font-semibold print:text-base"
    data-testid="verdict"
    role="status"
  >
    {cards.sentence.map(said).join("")}
  </p>
);

/** Where the cards are and what is done with them; what would be gone, and what may be cleared. */
function Details({ page, assignment }: { page: CardsPage; assignment: string }) {
  const [search, setSearch] = useSearchParams();
  const book = useBook(assignment);
  const chosen = search.get("card");
  const choose = (card: string | null) =>
    setSearch((now) => {
      if (card) now.set("card", card);
      else now.delete("card");
      return now;
    });
  return (
    <div className="mt-4 grid gap-x-10 gap-y-4 min-[1000px]:grid-cols-2 print:grid-cols-2 print:gap-x-6">
      <div className="flex flex-col gap-4">
        <Wallets {...page} />
        <Changes {...page} book={book} />
      </div>
      <div className="flex flex-col gap-4">
        <Losses {...page} />
        <Evening {...page} />
        <MendList mends={page.cards.mends} edit={page.edit} />
        <Sent {...page} />
        <Bursts {...page} />
        <Book {...page} book={book} chosen={chosen} choose={choose} />
        <Copying {...page} assignment={assignment} card={chosen} />
      </div>
    </div>
  );
}

/** What needs ask by the second, in seconds until the camera stalls. */
function Bursts({ cards, name, part, need }: CardsPage) {
  const { bursts } = cards.plan;
  if (bursts.length === 0) return null;
  return (
    <section aria-label="Bursts">
      <h2 className="text-[15px] font-bold">Bursts</h2>
      <ul>
        {bursts.map((b) => (
          <li key={`${b.part}/${b.need}`} className="border-t border-rule py-0.5">
            <strong>{need(b.part, b.need)}</strong> in {part(b.part)}, {number(b.fps)} a second on the{" "}
            {name(b.body)}:{" "}
            {b.seconds == null
              ? "without end"
              : `full after ${seconds(b.seconds)}, then ${seconds(b.busySeconds)} busy`}
            {b.fullTooSoon && <strong className="text-hangs"> before the burst is over</strong>}
            {b.busyAfter != null && (
              <strong className="text-hangs"> not ready for what follows for {seconds(b.busyAfter)}</strong>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

function Reckoned(page: CardsPage) {
  const { estimated, isBest } = page.cards.plan;
  return (
    <>
      <Room {...page} />
      <p className="mt-3 max-w-[62rem] text-quiet print:hidden">
        Reckoned with 95 % of a card’s printed size, and 5 % of that kept free; frames come evenly through
        each part. {!isBest && "Not every plan was tried: perhaps fewer changes would do. "}
        {estimated.length > 0 && (
          <>
            <strong>Usual size of a raw file, as nobody has measured it</strong>:{" "}
            {estimated.map(page.name).join(", ")}.
          </>
        )}
      </p>
      <WalletSheets {...page} />
    </>
  );
}
