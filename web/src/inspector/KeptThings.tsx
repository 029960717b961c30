import { useState } from "react";
import type { Person, ThingView } from "../api/client";
import { changes, useLocker, useLockerChange } from "../locker/useLocker";
import { Choose } from "../shared/Choose";
import { Problem } from "../shared/Problem";

const kinds = [
  ["always", "always comes along"],
  ["never", "stays at home"],
] as const;

/** What somebody has decided of their things, whatever is reckoned: kept in the locker, so it is so on every day yet to come. */
export function KeptThings({ person }: { person: Person }) {
  const { data: page } = useLocker(undefined, undefined);
  const change = useLockerChange();
  if (!page) return null;
  const theirs = page.report.things.filter(
    (t) => t.status !== "retired" && (t.owner === "second") === (person.id === "second"),
  );
  const say = (t: ThingView, keep: string) =>
    change.mutate(() => changes.set([{ id: t.id, revision: page.revisions[t.id] ?? 0 }], { keep }));
  return (
    <fieldset className="basis-full">
      <legend className="font-semibold">Whatever is reckoned</legend>
      {change.error && <Problem error={change.error} />}
      <div className="flex flex-wrap items-end gap-x-4 gap-y-1">
        {theirs
          .filter((t) => t.keep)
          .map((t) => (
            <span key={t.id} className="inline-flex items-center gap-1.5 py-1">
              <strong>{t.name}</strong> {t.keep === "always" ? "always comes along" : "stays at home"}
              <button
                className="webbing font-normal"
                aria-label={`As the needs have it: ${t.name}`}
                onClick={() => say(t, "")}
              >
                Forget
              </button>
            </span>
          ))}
        <KeepOne name={person.name ?? person.id} things={theirs.filter((t) => !t.keep)} say={say} />
      </div>
    </fieldset>
  );
}

function KeepOne({
  name,
  things,
  say,
}: {
  name: string;
  things: ThingView[];
  say: (thing: ThingView, keep: string) => void;
}) {
  const [thing, setThing] = useState("");
  const [keep, setKeep] = useState<"always" | "never">("always");
  const chosen = things.find((t) => t.id === thing);
  return (
    <form
      aria-label={`What ${name} keeps`}
      className="flex flex-wrap items-end gap-1.5"
      onSubmit={(e) => {
        e.preventDefault();
        if (!chosen) return;
        say(chosen, keep);
        setThing("");
      }}
    >
      <Choose
        label="Thing"
        value={thing}
        empty="–"
        options={things.map((t): [string, string] => [t.id, t.name])}
        choose={setThing}
      />
      <Choose label="which" value={keep} options={kinds} choose={(k) => k && setKeep(k)} />
      <button className="webbing" disabled={!chosen}>
        Keep it so
      </button>
    </form>
  );
}
