import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useParams } from "react-router";
import { answer, api, type DayQuestion, type PersonCard } from "../api/client";
import { AssignmentBar } from "../assignment/AssignmentBar";
import { FileButton } from "../shared/FileButton";
import { seconds, time } from "../shared/format";
import { PageHeader } from "../shared/PageHeader";
import { Problem } from "../shared/Problem";
import { outcomeWord, stepText, waitText } from "../shared/words";
import { Given, useGiveBack } from "./RecordHome";

type Named = { id: string; name: string };

/** The evening before and after: what one takes along, the five questions, what came home. */
export function Desk() {
  const { assignment = "" } = useParams();
  const { data, error } = useQuery({
    queryKey: ["board", assignment, "team"],
    queryFn: ({ signal }) =>
      answer(api.GET("/api/assignments/{key}/board", { params: { path: { key: assignment } }, signal })),
  });
  const people = data?.plan?.people.map((p): Named => ({ id: p.id, name: p.name ?? p.id })) ?? [];
  const names = new Map(
    [...(data?.plan?.items ?? []), ...(data?.plan?.places ?? []), ...(data?.plan?.people ?? [])].map((x) => [
      x.id,
      x.name ?? x.id,
    ]),
  );
  return (
    <>
      <PageHeader view="On the day" />
      {data?.plan && (
        <AssignmentBar assignment={assignment} name={data.plan.assignment.name} view="on-the-day" />
      )}
      <main className="mx-auto flex max-w-5xl flex-col gap-6 px-4 py-4">
        {error && <Problem error={error} />}
        {data?.plan && (
          <>
            <TakeAlong assignment={assignment} people={people} />
            <FiveQuestions assignment={assignment} people={people} name={(id) => names.get(id) ?? id} />
            <CameHome assignment={assignment} />
          </>
        )}
      </main>
    </>
  );
}

function TakeAlong({ assignment, people }: { assignment: string; people: Named[] }) {
  const { data: cards } = useQuery({
    queryKey: ["board", assignment, "paper-cards"],
    queryFn: ({ signal }) =>
      answer(
        api.GET("/api/assignments/{key}/paper-cards", { params: { path: { key: assignment } }, signal }),
      ),
  });
  const at = `/api/assignments/${encodeURIComponent(assignment)}`;
  return (
    <section aria-label="To take along">
      <h2 className="text-[15px] font-bold">To take along</h2>
      <p className="max-w-[46rem] text-quiet">
        The card is one sheet, folded over and then like a book, and needs no battery. The file is all of it
        for a phone in flight mode: open it once before you leave, on the phone that goes along.
      </p>
      <ul className="mt-2">
        {people.map((p) => (
          <Along
            key={p.id}
            assignment={assignment}
            at={at}
            person={p}
            cards={cards?.filter((c) => c.person === p.id) ?? []}
          />
        ))}
      </ul>
      {people.length > 1 && (
        <a className="underline" href={`${at}/paper`} target="_blank" rel="noreferrer">
          Everybody&apos;s cards
        </a>
      )}
    </section>
  );
}

const Along = ({
  assignment,
  at,
  person: p,
  cards,
}: {
  assignment: string;
  at: string;
  person: Named;
  cards: PersonCard[];
}) => (
  <li className="flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-rule py-2">
    <strong className="w-40">{p.name}</strong>
    <a
      className="underline"
      href={`${at}/paper?person=${encodeURIComponent(p.id)}`}
      target="_blank"
      rel="noreferrer"
    >
      Card to print
    </a>
    <a className="underline" href={`${at}/pocket-file?person=${encodeURIComponent(p.id)}&save=true`} download>
      File for the phone
    </a>
    <a
      className="underline"
      href={`${at}/pocket-file?person=${encodeURIComponent(p.id)}`}
      target="_blank"
      rel="noreferrer"
    >
      Look at the file
    </a>
    <Link className="underline" to={`/${assignment}/live?person=${encodeURIComponent(p.id)}`}>
      Live here, with replanning
    </Link>
    {cards.map(({ card }) => (
      <Worst key={card.day} card={card} />
    ))}
  </li>
);

/** What a card says in the first place, and what it had no room for. */
const Worst = ({ card }: { card: PersonCard["card"] }) => (
  <div className="w-full max-w-[60rem]">
    {card.worst.map((w) => (
      <p key={w.name}>
        <strong>{w.name}</strong>: {w.costs}. {w.then}
      </p>
    ))}
    {card.worst.length === 0 && <p>No single loss costs a picture that matters.</p>}
    {card.leftOut && <p className="text-hangs">{card.leftOut}</p>}
  </div>
);

/** What would you do? Five of the worst moments of one's own plan. */
function FiveQuestions({
  assignment,
  people,
  name,
}: {
  assignment: string;
  people: Named[];
  name: (id: string) => string;
}) {
  const [person, setPerson] = useState(people[0]?.id ?? "");
  const { data, error } = useQuery({
    queryKey: ["questions", assignment, person],
    queryFn: ({ signal }) =>
      answer(
        api.GET("/api/assignments/{key}/questions", {
          params: { path: { key: assignment }, query: { person } },
          signal,
        }),
      ),
  });
  return (
    <section aria-label="Questions for the evening before">
      <div className="flex flex-wrap items-baseline gap-x-3">
        <h2 className="text-[15px] font-bold">{headOf(data)}</h2>
        {people.length > 1 && <WhoIsAsked people={people} person={person} ask={setPerson} />}
      </div>
      {error && <Problem error={error} />}
      <ol className="mt-1">
        {data?.map((q) => (
          <Question key={`${person} ${q.part} ${q.need} ${q.loss}`} question={q} name={name} />
        ))}
      </ol>
    </section>
  );
}

const headOf = (asked?: DayQuestion[]) =>
  asked?.length === 0
    ? "Nothing that fails leaves you a choice to make"
    : `${asked ? `${asked.length} questions` : "Questions"} for the evening before`;

const WhoIsAsked = ({
  people,
  person,
  ask,
}: {
  people: Named[];
  person: string;
  ask: (id: string) => void;
}) => (
  <span role="group" aria-label="Who is asked" className="flex gap-1">
    {people.map((p) => (
      <button key={p.id} className="webbing" aria-pressed={p.id === person} onClick={() => ask(p.id)}>
        {p.name}
      </button>
    ))}
  </span>
);

function Question({ question: q, name }: { question: DayQuestion; name: (id: string) => string }) {
  const [chosen, setChosen] = useState<number | null>(null);
  const best = q.choices[q.best]!;
  return (
    <li className="border-t border-rule py-2">
      <p>
        <strong>
          {q.at && `${time(q.at)}, `}
          {q.partName}. {q.loss}.
        </strong>{" "}
        {q.need} ({waitText(q.waitSeconds)}): what do you do?
      </p>
      <div role="group" aria-label="What you do" className="mt-1 flex flex-wrap gap-2">
        {q.choices.map((c, n) => (
          <button
            key={c.text}
            className="webbing text-left"
            aria-pressed={n === chosen}
            onClick={() => setChosen(n)}
          >
            {c.text}
          </button>
        ))}
      </div>
      {chosen != null && (
        <p role="status" className="mt-1 max-w-[52rem]">
          <strong>{judged(q, chosen)}</strong>{" "}
          {chosen === q.best
            ? ""
            : `Better: ${best.text}${best.picture ? `, ${best.picture}` : ""}, ${seconds(best.seconds ?? 0)}. `}
          {q.answer.steps.map((s, i) => `${i + 1}. ${stepText(s, name)} (${seconds(s.seconds)})`).join("  ")}
          {q.answer.stays.length > 0 && ` Does not move along: ${q.answer.stays.join("; ")}.`}
        </p>
      )}
    </li>
  );
}

const inWords = { holds: "In time", thins: "In time, second best", late: "Too late", lost: "Lost" } as const;

const judged = (q: DayQuestion, n: number) => {
  const { outcome, seconds: takes, picture } = q.choices[n]!;
  const wait = q.waitSeconds == null ? "as long as it takes" : seconds(q.waitSeconds);
  const told = [inWords[outcome], takes != null && `${seconds(takes)} of ${wait}`, picture];
  return `${told.filter(Boolean).join(", ")}.`;
};

const happened: Record<string, string> = {
  ticked: "done",
  unticked: "opened again",
  changed: "changed",
  failed: "failed",
  mended: "works again",
  slid: "late",
  read: "read off",
  put: "put in",
};

/** What phones gave back, of everybody together. */
function CameHome({ assignment }: { assignment: string }) {
  const give = useGiveBack(assignment);
  const { data } = useQuery({
    queryKey: ["records", assignment],
    queryFn: ({ signal }) =>
      answer(api.GET("/api/assignments/{key}/records", { params: { path: { key: assignment } }, signal })),
  });
  const failed = data?.filter((f) => f.kind === "failed").length ?? 0;
  return (
    <section aria-label="What came home">
      <h2 className="text-[15px] font-bold">
        {!data || data.length === 0
          ? "No record has come home yet"
          : `${data.length} came home, ${failed === 0 ? "nothing failed" : `${failed} of them a failure`}`}
      </h2>
      <div className="mt-1 flex flex-wrap items-center gap-3">
        <FileButton
          accept=".json,application/json"
          choose={(file) => void file.text().then((text) => give.mutate(text))}
        >
          Take in a record
        </FileButton>
        {give.error && <Problem error={give.error} />}
        {give.data && <Given given={give.data} />}
      </div>
      <ol className="mt-2">
        {data?.map((f, i) => (
          <li key={i} className="flex gap-3 border-t border-rule py-0.5">
            <span className="w-20 text-quiet">{time(f.at)}</span>
            <span className="w-32">{f.who}</span>
            <span>
              {f.words}, {happened[f.kind] ?? outcomeWord.holds}
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}
