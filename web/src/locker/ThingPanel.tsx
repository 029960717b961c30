import { Select } from "../shared/Select";
import { weight } from "../shared/format";
import { useState } from "react";
import type { FigureValue, LockerPage, PairFit, ThingDetail, WhenPlanned } from "../api/client";
import { answer, api, ProblemError } from "../api/client";
import { Problem } from "../shared/Problem";
import { TypedField } from "../shared/TypedField";
import { changes, useLockerChange, useThing } from "./useLocker";
import { few } from "../shared/words";
import { Docked } from "../shared/Docked";
import { Followed } from "./Followed";

const fits: Record<PairFit, string> = {
  full: "goes with",
  manualFocusOnly: "manual focus only",
  doubtful: "sometimes fails",
  no: "does not go",
  untested: "untested",
};

interface Props {
  id: string;
  page: LockerPage;
  select: (id: string | null) => void;
}

/** One thing: its figures to type over, what it goes with and why, and what can be done with it. */
// Long: one thing told from its figures to what it goes with.
export function ThingPanel({ id, page, select }: Props) {
  const { data: thing, error } = useThing(id);
  const change = useLockerChange();
  const shown = page.report.things.find((t) => t.id === id);
  const [copies, setCopies] = useState("1");
  const [all, setAll] = useState(false);
  const seen = { id, revision: page.revisions[id] ?? 0 };
  const remove = (planned: WhenPlanned) =>
    change.mutate(() => changes.remove([seen], planned), { onSuccess: () => select(null) });
  const planned =
    change.error instanceof ProblemError &&
    change.error.status === 409 &&
    change.error.message.startsWith("It is planned");
  return (
    <Docked height="middle" close={() => select(null)}>
      {error && <Problem error={error} />}
      <div className="flex flex-wrap items-baseline gap-x-3 pr-14">
        <h2 className="text-[15px] font-bold">{shown?.name ?? id}</h2>
        <span className="text-quiet">
          {shown &&
            [shown.line, shown.weightG == null ? "" : weight(shown.weightG)].filter(Boolean).join(" · ")}
        </span>
        {shown?.alone && <span className="font-semibold text-hangs">alone: {shown.alone}</span>}
        {shown?.away && <span className="font-semibold text-hangs">{shown.away}</span>}
        {thing && thing.idle.length > 0 && (
          <span>
            without it {few(thing.idle.map((i) => page.report.things.find((t) => t.id === i)?.name ?? i))}{" "}
            {thing.idle.length === 1 ? "lies" : "lie"} idle
          </span>
        )}
        {thing && thing.plans.length > 0 && (
          <span className="text-quiet">planned for {few(thing.plans.map((p) => p.name))}</span>
        )}
      </div>
      {change.error && (
        <div className="mt-1.5">
          <Problem error={change.error}>
            {planned && (
              <>
                <button
                  className="webbing"
                  onClick={() => change.mutate(() => changes.set([seen], { status: "retired" }))}
                >
                  Retire it
                </button>
                <button className="webbing" onClick={() => remove("takeOut")}>
                  Take it out and delete it
                </button>
                <button className="webbing" onClick={() => remove("keep")}>
                  Delete it, the days keep it
                </button>
              </>
            )}
            <button className="webbing" onClick={() => change.reset()}>
              Leave it
            </button>
          </Problem>
        </div>
      )}
      <Followed days={change.data ? change.data.followed : null} />
      {!thing && !error && <p className="text-quiet">Looking it up …</p>}
      {thing && (
        <div className="mt-1.5 grid gap-x-8 gap-y-2 min-[1000px]:grid-cols-[3fr_2fr]">
          <Figures
            thing={thing}
            all={all}
            set={(name, text) =>
              change.mutate(() => changes.set([{ id, revision: thing.revision }], { [name]: text }))
            }
          />
          <Around thing={thing} select={select} />
        </div>
      )}
      <div className="mt-2 flex flex-wrap items-center gap-3">
        <button className="webbing" aria-expanded={all} onClick={() => setAll(!all)}>
          {all ? "Fewer figures" : "All figures"}
        </button>
        <form
          className="flex items-center gap-1.5"
          onSubmit={(e) => {
            e.preventDefault();
            change.mutate(() => changes.copy(id, Number(copies)));
          }}
        >
          <button className="webbing">Add</button>
          <input
            aria-label="How many more"
            className="webbing w-14 font-normal"
            inputMode="numeric"
            value={copies}
            onChange={(e) => setCopies(e.target.value)}
          />
          more like it, numbered on
        </form>
        <button className="webbing" onClick={() => remove("ask")}>
          Delete
        </button>
      </div>
    </Docked>
  );
}

/** Figures that say nothing are folded away, but for those the arithmetic cannot do without. */
function Figures({
  thing,
  all,
  set,
}: {
  thing: ThingDetail;
  all: boolean;
  set: (name: string, text: string) => void;
}) {
  const always = ["name", "owner", "status", "from", "to", "doubtful", "keep"];
  const shown = thing.figures.filter((f) => all || f.essential || f.text !== "" || always.includes(f.name));
  return (
    <div className="grid grid-cols-[repeat(auto-fill,minmax(8.5rem,1fr))] content-start gap-x-3 gap-y-1.5">
      {shown.map((f) => (
        <FigureField key={f.name} figure={f} commit={(text) => set(f.name, text)} />
      ))}
    </div>
  );
}

function FigureField({ figure, commit }: { figure: FigureValue; commit: (text: string) => void }) {
  const label = (
    <>
      {figure.words}
      {figure.unit ? <span className="text-quiet">, {figure.unit}</span> : null}
      {figure.estimated && <em className="text-hangs not-italic"> estimate</em>}
    </>
  );
  const options = figure.form === "yesNo" ? ["yes", "no"] : figure.options;
  if (options.length === 0)
    return <TypedField label={label} value={figure.text} commit={commit} mayBeEmpty={!figure.essential} />;
  return (
    <label className="flex flex-col gap-0.5">
      <span>{label}</span>
      <Select className="webbing px-2 font-normal" value={figure.text} choose={commit}>
        <option value="">{unsaid[figure.name] ?? "not said"}</option>
        {options
          .filter((o) => o !== "ready" || figure.text === "ready")
          .map((o) => (
            <option key={o} value={o}>
              {plainWords(o)}
            </option>
          ))}
      </Select>
    </label>
  );
}

/** What it means that nothing is said. */
const unsaid: Record<string, string> = { status: "ready", keep: "as the needs have it" };

/** rentedOut reads as rented out. */
const plainWords = (option: string) => option.replace(/[A-Z]/g, (c) => ` ${c.toLowerCase()}`);

// Long: one thing told from its figures to what it goes with.
function Around({ thing, select }: { thing: ThingDetail; select: (id: string) => void }) {
  const change = useLockerChange();
  const [editing, setEditing] = useState<string | null>(null);
  const [note, setNote] = useState("");
  const say = (other: string, fit: PairFit | null) =>
    change.mutate(
      () =>
        answer(api.POST("/api/locker/pair", { body: { a: thing.id, b: other, fit, note: note || null } })),
      { onSuccess: () => setEditing(null) },
    );
  // What goes together first; a whole drawer of identical cards is one line until it is opened.
  const groups = new Map<string, ThingDetail["around"]>();
  for (const n of thing.around) {
    const key = `${fits[n.fit]}|${n.kind}|${n.reason}`;
    groups.set(key, [...(groups.get(key) ?? []), n]);
  }
  return (
    <div>
      <h3 className="font-semibold">Goes with {thing.around.length === 0 && "nothing here"}</h3>
      {change.error && <Problem error={change.error} />}
      <ul>
        {[...groups].map(([key, all]) => (
          <li key={key} className="border-b border-rule py-0.5">
            <span
              className={
                all[0]?.fit === "full" ? "text-holds" : all[0]?.fit === "no" ? "text-broken" : "text-hangs"
              }
            >
              {fits[all[0]?.fit ?? "no"]}
            </span>{" "}
            {all.map((n, i) => (
              <span key={n.id}>
                {i > 0 && ", "}
                <button className="font-semibold underline decoration-rule" onClick={() => select(n.id)}>
                  {n.name}
                </button>
                {(all.length === 1 || n.overruled) && (
                  <button
                    className="ml-1 text-quiet underline"
                    onClick={() => {
                      setEditing(editing === n.id ? null : n.id);
                      setNote("");
                    }}
                  >
                    overrule<span className="sr-only"> how {n.name} goes with it</span>
                  </button>
                )}
              </span>
            ))}
            <span className="text-quiet">: {all[0]?.reason}</span>
            {all.length > 1 && !all[0]?.overruled && (
              <label className="ml-1 text-quiet">
                <span className="sr-only">Overrule one of these</span>
                <Select className="bg-transparent underline" value="" choose={setEditing}>
                  <option value="">overrule …</option>
                  {all.map((n) => (
                    <option key={n.id} value={n.id}>
                      {n.name}
                    </option>
                  ))}
                </Select>
              </label>
            )}
            {all.some((n) => n.id === editing) && editing && (
              <div className="flex flex-wrap items-center gap-2 py-1">
                <input
                  aria-label="Why"
                  placeholder="Why, in your words"
                  className="webbing font-normal"
                  value={note}
                  onChange={(e) => setNote(e.target.value)}
                />
                {(Object.keys(fits) as PairFit[]).map((fit) => (
                  <button key={fit} className="webbing px-2 font-normal" onClick={() => say(editing, fit)}>
                    {fits[fit]}
                  </button>
                ))}
                {all[0]?.overruled && (
                  <button className="underline" onClick={() => say(editing, null)}>
                    take it back
                  </button>
                )}
              </div>
            )}
          </li>
        ))}
      </ul>
    </div>
  );
}
