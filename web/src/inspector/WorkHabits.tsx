import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type Illumination, type Person } from "../api/client";
import { Choose } from "../shared/Choose";
import { TypedField } from "../shared/TypedField";
import { lightsLiked } from "../shared/words";
import { useDay } from "../day/DayContext";
import { HouseRules } from "./HouseRules";
import { KeptThings } from "./KeptThings";
import { operations } from "./operations";
import { ofPerson } from "../day/planChange";

type Habits = NonNullable<Person["habits"]>;

const habitsOf = (person: Person): Habits => person.habits ?? { glass: [] };

const ranks = ["first", "else", "else"];

/** How somebody works: glass for each kind of part, where they live, the light they like, their seconds, what they keep; the lead's house rules. */
// Long: a form: its fields in the order of the page.
export function WorkHabits({ person }: { person: Person }) {
  const { day, edit } = useDay();
  const [open, setOpen] = useState(false);
  const { data } = useQuery({
    queryKey: ["starting"],
    queryFn: () => answer(api.GET("/api/starting")),
    staleTime: Infinity,
  });
  const habits = habitsOf(person);
  const putGlass = (change: (glass: Habits["glass"]) => Habits["glass"]) =>
    edit(ofPerson(person.id, (p) => ({ habits: { ...habitsOf(p), glass: change(habitsOf(p).glass) } })));
  const put = (change: Partial<Habits>) =>
    edit(ofPerson(person.id, (p) => ({ habits: { ...habitsOf(p), ...change } })));
  const nameOf = (id?: string | null) =>
    id == null ? "every other part" : (data?.kinds.find((k) => k.id === id)?.name.toLowerCase() ?? id);
  return (
    <details className="basis-full" onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary className="cursor-pointer py-1">
        How {person.name ?? person.id} works
        {habits.glass.length > 0 && (
          <span className="text-quiet">
            :{" "}
            {habits.glass
              .map((g) => `${g.lenses.map(day.name).join(" or ")} for ${nameOf(g.kind)}`)
              .join("; ")}
          </span>
        )}
      </summary>
      <div className="flex flex-wrap items-end gap-x-4 gap-y-2">
        <TypedField
          label="Lives at, mm"
          form="millimetres"
          mayBeEmpty
          value={habits.livesAtMm == null ? "" : String(habits.livesAtMm)}
          commit={(mm) => put({ livesAtMm: mm === "" ? null : Number(mm) })}
        />
        <Choose
          label="Likes"
          value={habits.light ?? ""}
          empty="whatever each need has"
          options={lightsLiked}
          choose={(light) => put({ light: (light || null) as Illumination | null })}
        />
        <Choose
          label="Works with"
          value={habits.style ?? ""}
          empty="no style of hands"
          options={data?.styles.map((s): [string, string] => [s.id, s.name]) ?? []}
          choose={(style) => put({ style: style || null })}
        />
        <KeptGlass
          glass={habits.glass}
          nameOf={nameOf}
          forget={(gone) => putGlass((all) => all.filter((g) => g.kind !== gone.kind))}
        />
        <NewHabit
          name={person.name ?? person.id}
          kinds={[...new Set(day.parts.map((p) => p.kind).filter((k) => k != null))].map((k) => [
            k,
            nameOf(k),
          ])}
          keep={(kind, lenses) =>
            putGlass((all) => [...all.filter((g) => (g.kind ?? "") !== kind), { kind: kind || null, lenses }])
          }
        />
        <Own person={person} />
        {/* The locker is read only by whoever looks. */}
        {open && <KeptThings person={person} />}
        {person === day.board.plan.people[0] && <HouseRules />}
      </div>
    </details>
  );
}

/** Seconds of one's own, where they differ from everybody's. */
function Own({ person }: { person: Person }) {
  const { day, edit } = useDay();
  const { seconds } = day.board.plan.rules;
  return (
    <fieldset className="basis-full">
      <legend className="font-semibold">Seconds of one’s own</legend>
      <div className="flex flex-wrap gap-x-4 gap-y-1 [&_input]:w-20">
        {operations.map(([operation, words]) => (
          <div key={operation}>
            <TypedField
              label={
                <>
                  {words}
                  <span className="sr-only">, {person.name ?? person.id}</span>, s
                </>
              }
              form="seconds"
              mayBeEmpty
              value={person.seconds?.[operation] == null ? "" : String(person.seconds[operation])}
              commit={(s) =>
                edit(
                  ofPerson(person.id, (p) => ({
                    seconds: { ...p.seconds, [operation]: s === "" ? null : Number(s) },
                  })),
                )
              }
            />
            <p className="text-[12px] text-quiet">else {seconds[operation]}</p>
          </div>
        ))}
      </div>
    </fieldset>
  );
}

type Usual = NonNullable<Person["habits"]>["glass"][number];

/** The habits there are, each with a way to forget it. */
function KeptGlass({
  glass,
  nameOf,
  forget,
}: {
  glass: Usual[];
  nameOf: (kind?: string | null) => string;
  forget: (gone: Usual) => void;
}) {
  const { day } = useDay();
  return glass.map((g) => (
    <span key={g.kind ?? ""} className="inline-flex items-center gap-1.5 py-1">
      <strong>{g.lenses.map(day.name).join(", else ")}</strong> for {nameOf(g.kind)}
      <button
        className="webbing font-normal"
        aria-label={`No habit for ${nameOf(g.kind)}`}
        onClick={() => forget(g)}
      >
        Forget
      </button>
    </span>
  ));
}

/** Ranked glass for one kind of part, or for all others. */
function NewHabit({
  name,
  kinds,
  keep,
}: {
  name: string;
  kinds: [string, string][];
  keep: (kind: string, lenses: string[]) => void;
}) {
  const { day } = useDay();
  const [kind, setKind] = useState("");
  const [lenses, setLenses] = useState<string[]>([]);
  const glass = day.board.plan.items.filter((i) => i.kind === "lens");
  return (
    <form
      aria-label={`Glass ${name} takes`}
      className="flex flex-wrap items-end gap-1.5"
      onSubmit={(e) => {
        e.preventDefault();
        keep(kind, lenses.filter(Boolean));
        setLenses([]);
      }}
    >
      <Choose label="For" value={kind} empty="every other part" options={kinds} choose={setKind} />
      {ranks.map((rank, i) => (
        <Choose
          key={i}
          label={`takes ${rank}`}
          value={lenses[i] ?? ""}
          empty="–"
          options={glass.map((l): [string, string] => [l.id, day.name(l.id)])}
          choose={(id) => setLenses(Object.assign([...lenses], { [i]: id }))}
        />
      ))}
      <button className="webbing" disabled={!lenses.some(Boolean)}>
        Keep this habit
      </button>
    </form>
  );
}
