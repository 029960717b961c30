import { useParams, useSearchParams } from "react-router";
import type { BoardView, CheckedLine, CheckedList, CheckedLists } from "../api/client";
import { AssignmentBar } from "../assignment/AssignmentBar";
import { useBoard } from "../day/useBoard";
import { PageHeader } from "../shared/PageHeader";
import { PrintButton } from "../shared/PrintButton";
import { Problem } from "../shared/Problem";
import { Select } from "../shared/Select";
import { Choose } from "../shared/Choose";
import { time } from "../shared/format";
import { useKept } from "../shared/useKept";
import { CheckRow } from "./CheckRow";
import { Leave } from "./Leave";
import { tickedBy } from "./ticker";
import { useLists } from "./useLists";

/** The lists of a day: the evening before, leaving home, before what happens once, going home. */
export function Lists() {
  const key = useParams().assignment ?? "";
  const { board, loadError } = useBoard(key, []);
  const lists = useLists(key);
  // With the network gone one ticks on; what is there stays.
  if (!lists.data || !board) {
    const error = lists.error ?? loadError;
    return <main className="p-6 text-quiet">{error ? <Problem error={error} /> : "Making the lists …"}</main>;
  }
  return <Page key={key} assignment={key} plan={board.plan} lists={lists} checked={lists.data} />;
}

interface PageProps {
  assignment: string;
  plan: BoardView["plan"];
  lists: ReturnType<typeof useLists>;
  checked: CheckedLists;
}

function Page({ assignment, plan, lists, checked }: PageProps) {
  const [search, setSearch] = useSearchParams();
  const [who, setWho] = useKept(tickedBy);
  const all = checked.lists;
  const list = all.find((l) => idOf(l) === search.get("list")) ?? all.find(isOpen) ?? all[0]!;
  const byPlace = search.get("by") !== "price";
  const show = (id: string, first: boolean) =>
    setSearch({ list: id, ...(first ? { by: "price" } : {}) }, { replace: true });
  return (
    <div className="flex h-full flex-col">
      <PageHeader view={`${plan.assignment.name} · Lists`} phoneTitle={plan.assignment.name} />
      <Bar assignment={assignment} name={plan.assignment.name} sheet={sheetOf(list)} />
      <main className="relative min-h-0 flex-1 overflow-auto px-4 py-3 print:overflow-visible print:p-0">
        <Sentence text={list.sentence} />
        <Which all={all} chosen={list} choose={(id) => show(id, !byPlace)} />
        <Troubles lists={lists} />
        <Rows
          list={list}
          plan={plan}
          byPlace={byPlace}
          tick={(line, isDone) => lists.tick({ line, done: isDone, who: who || null })}
        />
        {list.kind === "morning" && (
          <Leave lists={checked} depart={(words) => lists.depart.mutate({ words, who: who || null })} />
        )}
      </main>
      <Foot
        list={list}
        plan={plan}
        who={who}
        setWho={setWho}
        byPlace={byPlace}
        turn={() => show(idOf(list), byPlace)}
      />
    </div>
  );
}

const Bar = (bar: { assignment: string; name: string; sheet: string }) => (
  <AssignmentBar view="lists" {...bar}>
    <PrintButton />
  </AssignmentBar>
);

const Sentence = ({ text }: { text: string }) => (
  <p
    className="max-w-[62rem] text-xl leading-tight font-semibold print:text-base"
    role="status"
    data-testid="verdict"
  >
    {text}
  </p>
);

/** What was refused, and what waits for the network. */
function Troubles({ lists }: Pick<PageProps, "lists">) {
  const { refused, isCut, waiting } = lists;
  return (
    <>
      {refused && <Problem error={refused} />}
      {lists.isCut || !lists.error ? null : <Problem error={lists.error} />}
      {isCut && (
        <p role="alert" className="font-semibold text-hangs">
          The network is gone. {waiting} {waiting === 1 ? "tick waits" : "ticks wait"} here: leave this page
          open, and what waits is sent when it is back.
        </p>
      )}
    </>
  );
}

type Shown = { list: CheckedList; plan: BoardView["plan"]; byPlace: boolean };

const Rows = ({ list, plan, byPlace, tick }: Shown & { tick: (line: string, isDone: boolean) => void }) => (
  <div className="print:columns-2 print:gap-x-6">
    {groups(list, plan, byPlace).map((group) => (
      <Group key={group.title} {...group}>
        {group.lines.map((line) => (
          <CheckRow
            key={line.line.id}
            line={line}
            priceWord={words[line.line.cost.price]}
            toggle={() => tick(line.line.id, line.ticked == null)}
          />
        ))}
      </Group>
    ))}
  </div>
);

function Foot({
  list,
  plan,
  who,
  setWho,
  byPlace,
  turn,
}: Shown & { who: string; setWho: (who: string) => void; turn: () => void }) {
  return (
    <footer className="flex flex-wrap items-center gap-x-4 border-t-2 border-ink bg-raised px-4 py-1 max-[700px]:min-h-[48px] print:hidden">
      <span aria-live="polite">
        <strong>
          {done(list)} of {list.lines.length}
        </strong>{" "}
        {list.kind === "morning" ? "here" : "done"}
      </span>
      <Choose
        label="By"
        beside
        value={who}
        choose={setWho}
        empty="anybody"
        options={tickers(plan, who).map((name) => [name, name] as const)}
      />
      <button className="ml-auto min-h-[32px] underline max-[700px]:min-h-[44px]" onClick={turn}>
        {byPlace ? "what matters first" : "by place"}
      </button>
    </footer>
  );
}

const sheetOf = (list: CheckedList) => [list.title, time(list.at)].filter(Boolean).join(", ");

/** The team, and whoever this phone was let in as. */
const tickers = (plan: BoardView["plan"], who: string) => [
  ...new Set([...plan.people.map((p) => p.name ?? p.id), ...(who ? [who] : [])]),
];

const idOf = (list: CheckedList) => (list.part ? `before-${list.part}` : list.kind);
const done = (list: CheckedList) => list.lines.filter((l) => l.ticked).length;
const isOpen = (list: CheckedList) => done(list) < list.lines.length;

/** Three lists of the whole day, and one before each part that holds what happens once. */
function Which({
  all,
  chosen,
  choose,
}: {
  all: CheckedList[];
  chosen: CheckedList;
  choose: (id: string) => void;
}) {
  return (
    <nav aria-label="Lists" className="my-2 flex flex-wrap items-center gap-2 print:hidden">
      {all
        .filter((l) => !l.part)
        .map((list) => (
          <button
            key={list.kind}
            className="webbing max-[700px]:min-h-[44px] max-[700px]:px-2"
            aria-pressed={list === chosen}
            onClick={() => choose(idOf(list))}
          >
            {list.title} <span className="font-normal max-[700px]:hidden">{howFar(list)}</span>
          </button>
        ))}
      <Before lists={all.filter((l) => l.part)} chosen={chosen} choose={choose} />
    </nav>
  );
}

const Before = ({
  lists,
  chosen,
  choose,
}: {
  lists: CheckedList[];
  chosen: CheckedList;
  choose: (id: string) => void;
}) =>
  lists.length > 0 && (
    <Select
      className={`webbing max-w-full max-[700px]:min-h-[44px] ${chosen.part ? "outline-2 outline-ink" : "font-normal"}`}
      aria-label="Before a part"
      value={chosen.part ? idOf(chosen) : ""}
      choose={(id) => id && choose(id)}
    >
      <option value="">Before …</option>
      {lists.map((list) => (
        <option key={idOf(list)} value={idOf(list)}>
          {list.title} · {howFar(list)}
        </option>
      ))}
    </Select>
  );

const howFar = (list: CheckedList) =>
  [time(list.at), `${done(list)}/${list.lines.length}`].filter(Boolean).join(" · ");

interface Lines {
  title: string;
  lines: CheckedLine[];
}

function Group({ title, lines, children }: Lines & { children: React.ReactNode }) {
  return (
    <section aria-label={title} className="mt-3 max-w-[62rem] print:mt-0 print:pb-2">
      <h2 className="flex items-baseline justify-between border-b-2 border-ink text-[15px] font-bold print:break-after-avoid print:text-[12px]">
        {title}
        <span className="font-normal text-quiet">
          {lines.filter((l) => l.ticked).length} of {lines.length}
        </span>
      </h2>
      <ul>{children}</ul>
    </section>
  );
}

/** By place, in the order one loads; or by what it costs, the dearest first. */
function groups(list: CheckedList, plan: BoardView["plan"], byPlace: boolean): Lines[] {
  const nameOf = (line: CheckedLine) =>
    byPlace
      ? (plan.places.find((p) => p.id === line.line.place)?.name ?? line.line.place ?? list.title)
      : words[line.line.cost.price];
  const lines = byPlace ? list.lines : [...list.lines].sort((a, b) => rank(a) - rank(b));
  const titles = [...new Set(lines.map(nameOf))];
  return titles.map((title) => ({ title, lines: lines.filter((l) => nameOf(l) === title) }));
}

const order = ["once", "picture", "comfort"];
const rank = ({ line }: CheckedLine) => order.indexOf(line.cost.price) * 10 + line.cost.strands;

/** What a line costs, in a word. */
const words = { once: "what happens once", picture: "a picture less", comfort: "comfort" };
