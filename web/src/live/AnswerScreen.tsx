import type { PocketDay, PocketNeed, PocketPart } from "../api/client";
import { Strands } from "../marks/Strands";
import { seconds, time } from "../shared/format";
import { outcomeWord, stepText } from "../shared/words";
import { usePocketNames } from "./names";
import { hanging, needOf, type Answered, type Change, type Failure } from "./pocketModel";

interface Page {
  day: PocketDay;
  parts: PocketPart[];
  /** The part that goes on, or is next. */
  at: number;
  now: Date;
  out: Failure[];
  answered: Answered | "asking";
  restore: (f: Failure) => void;
  another: () => void;
  back: () => void;
}

/** What one does now: the picture that is worst off first, then the rest of the part, then the rest of the day. */
export function AnswerScreen(page: Page) {
  const { day, parts, at, now, out, answered, restore, another, back } = page;
  const { name } = usePocketNames();
  const part = parts[at]!;
  return (
    <div className="flex min-h-full flex-col gap-4">
      <header>
        <div className="flex items-baseline justify-between gap-3">
          <p className="text-lg leading-tight font-bold">
            {out.map((f) => toldOf(day, f, name)).join(" and ")}
          </p>
          <span className="text-lg whitespace-nowrap">{time(now.toISOString())}</span>
        </div>
        <p className="text-quiet">{[part.name, part.location].filter(Boolean).join(", ")}</p>
      </header>
      {answered === "beyond" ? (
        <Beyond day={day} out={out} />
      ) : answered === "asking" ? (
        <p role="status">Working it out …</p>
      ) : (
        <Told {...page} changes={answered} />
      )}
      <footer className="sticky bottom-0 mt-auto grid grid-cols-2 gap-3 bg-ground py-3">
        <button className="min-h-20 border-2 border-ink text-lg" onClick={() => restore(out.at(-1)!)}>
          It works again
        </button>
        <button className="failed min-h-20 text-lg font-bold" onClick={another}>
          And another thing failed
        </button>
        <button className="col-span-2 text-quiet underline" onClick={back}>
          Back to now; it stays out
        </button>
      </footer>
    </div>
  );
}

const toldOf = (day: PocketDay, failure: Failure, name: (id: string) => string) =>
  failure.kind === "item"
    ? `${name(failure.id)} is dead`
    : (day.losses.find((l) => l.kind === failure.kind && l.id === failure.id)?.name ?? failure.id);

function Beyond({ day, out }: { day: PocketDay; out: Failure[] }) {
  return (
    <div role="status">
      <p className="text-2xl font-bold">Beyond what was worked out.</p>
      <p className="mt-2">
        This file knows any one loss, and any two single things. Ask the app at home for {out.length} losses
        of {day.name} together; or take one back, and do what holds for the other.
      </p>
    </div>
  );
}

function Told({ day, parts, at, out, changes }: Page & { changes: Change[] }) {
  const here = changes.filter((c) => c.part === at);
  const later = changes.filter((c) => c.part > at);
  const [first, ...others] = here;
  const hangs = hanging(day, out, at);
  return (
    <>
      {first ? (
        <First day={day} change={first} />
      ) : (
        <p className="text-2xl font-bold">Here nothing changes: go on.</p>
      )}
      {others.length > 0 && (
        <section aria-label="The rest of this part">
          <h2 className="text-quiet">And here</h2>
          <Short day={day} changes={others} />
        </section>
      )}
      <section aria-label="The rest of the day">
        <h2 className="text-quiet">
          {later.length > 0 ? "For the rest of the day" : "The rest of the day stays as planned."}
        </h2>
        {[...new Set(later.map((c) => c.part))].map((n) => (
          <div key={n} className="mt-1">
            <h3 className="font-semibold">
              {time(parts[n]!.start)} {parts[n]!.name}
            </h3>
            <Short day={day} changes={later.filter((c) => c.part === n)} />
          </div>
        ))}
      </section>
      {hangs && hangs.length > 0 && <Hanging needs={hangs} />}
    </>
  );
}

const Hanging = ({ needs }: { needs: PocketNeed[] }) => (
  <section aria-label="Hangs by one thing now">
    <h2 className="text-quiet">Hangs by one thing now</h2>
    <ul>
      {needs.map((n) => (
        <li key={n.id} className="flex items-center gap-3 text-lg">
          <Strands count={1} width={34} height={18} /> {n.name}
        </li>
      ))}
    </ul>
  </section>
);

/** One picture, told whole: by which hand, what the picture is then, how long it takes, step by step. */
function First({ day, change }: { day: PocketDay; change: Change }) {
  const { name } = usePocketNames();
  const need = needOf(day, change);
  const { hand, picture, seconds: takes, steps, stays } = change.answer;
  return (
    <section aria-label="What to do now">
      <h1 className="text-2xl leading-tight font-bold">
        {need.name}: {hand ?? (picture ? "not as it was meant" : "nothing left does it")}
        {picture && <span className="block">{picture}</span>}
      </h1>
      <p className="mt-1 text-lg">
        {[
          change.outcome !== "holds" && outcomeWord[change.outcome],
          takes != null && seconds(takes),
          need.waitSeconds != null && takes != null && `it waits ${seconds(need.waitSeconds)}`,
        ]
          .filter(Boolean)
          .join(" · ")}
      </p>
      <ol className="mt-3 flex flex-col gap-2">
        {steps.map((step, i) => (
          <li key={i} className="flex items-baseline gap-4 bg-raised px-4 py-2.5 text-lg">
            <strong>{i + 1}</strong>
            <span className="flex-1">{stepText(step, name)}</span>
            <span className="text-quiet">{seconds(step.seconds)}</span>
          </li>
        ))}
      </ol>
      {stays.length > 0 && <p className="mt-2 font-semibold">Does not move along: {stays.join("; ")}.</p>}
    </section>
  );
}

const Short = ({ day, changes }: { day: PocketDay; changes: Change[] }) => (
  <ul>
    {changes.map((c) => {
      const { hand, picture, seconds: takes } = c.answer;
      return (
        <li key={`${c.part}/${c.need}`}>
          <strong className={c.outcome === "lost" || c.outcome === "late" ? "text-broken" : ""}>
            {needOf(day, c).name}
            {c.outcome !== "holds" && `, ${outcomeWord[c.outcome]}`}
          </strong>
          :{" "}
          {[hand, picture, takes != null && seconds(takes)].filter(Boolean).join(", ") ||
            "nothing left does it"}
        </li>
      );
    })}
  </ul>
);
