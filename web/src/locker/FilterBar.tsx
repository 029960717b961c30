import { Select } from "../shared/Select";
import { useState, type ReactNode } from "react";
import type { LockerPage, ThingView } from "../api/client";
import { Problem } from "../shared/Problem";
import { ages, isFiltered, noFilters, states, type Filters } from "./filters";
import { changes, useLockerChange } from "./useLocker";

interface Props {
  page: LockerPage;
  filters: Filters;
  set: (filters: Filters) => void;
  found: ThingView[];
}

/** Looking for things, and changing all that were found at once. */
// Long: a form: its fields in the order of the page.
export function FilterBar({ page, filters, set, found }: Props) {
  const [editing, setEditing] = useState(false);
  const { things } = page.report;
  const kinds = [...new Set(things.map((t) => t.kind))];
  const owners = [...new Set(things.map((t) => t.owner).filter((o): o is string => !!o))].sort();
  const choose = (key: keyof Filters) => (value: string) => set({ ...filters, [key]: value });
  return (
    <section aria-label="Find" className="border-t border-rule px-4 py-1.5">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <input
          id="find"
          type="search"
          aria-label="Find things"
          placeholder="Find"
          value={filters.text}
          onChange={(e) => choose("text")(e.target.value)}
          className="webbing w-44 font-normal placeholder:text-quiet"
        />
        <Pick label="Kind" value={filters.kind} choose={choose("kind")} options={kinds.map((k) => [k, k])} />
        <Pick
          label="Whose"
          value={filters.owner}
          choose={choose("owner")}
          options={owners.map((o) => [o, o])}
        />
        <Pick label="State" value={filters.state} choose={choose("state")} options={Object.entries(states)} />
        <Pick label="Age" value={filters.age} choose={choose("age")} options={Object.entries(ages)} />
        <label className="flex items-center gap-1.5 max-[700px]:min-h-[44px]">
          <input
            type="checkbox"
            checked={filters.alone}
            onChange={(e) => set({ ...filters, alone: e.target.checked })}
          />
          alone of its kind
        </label>
        {isFiltered(filters) && (
          <>
            <span role="status">
              {found.length} of {things.length}
            </span>
            <button className="underline" onClick={() => set(noFilters)}>
              Show all
            </button>
            <button
              className="underline"
              aria-expanded={editing}
              onClick={() => setEditing(!editing)}
              disabled={found.length === 0}
            >
              Change these {found.length}
            </button>
          </>
        )}
        <span className="ml-auto flex flex-wrap gap-x-4">
          <a className="underline" href="/api/locker/export.csv" download>
            Table
          </a>
          <a className="underline" href="/api/locker/export.json" download>
            Locker file
          </a>
        </span>
      </div>
      {editing && isFiltered(filters) && found.length > 0 && (
        <ChangeMany page={page} found={found} done={() => setEditing(false)} />
      )}
    </section>
  );
}

function Pick({
  label,
  value,
  choose,
  options,
}: {
  label: string;
  value: string;
  choose: (v: string) => void;
  options: [string, string][];
}): ReactNode {
  return (
    <Select aria-label={label} className="webbing px-2 font-normal" value={value} choose={choose}>
      <option value="">{label}: any</option>
      {options.map(([key, word]) => (
        <option key={key} value={key}>
          {word}
        </option>
      ))}
    </Select>
  );
}

/** One figure for all that were found, in one step that one undo takes back. */
// Long: a form: its fields in the order of the page.
function ChangeMany({ page, found, done }: { page: LockerPage; found: ThingView[]; done: () => void }) {
  const change = useLockerChange();
  const kinds = new Set(found.map((t) => t.kind));
  const figures = page.figures.filter((f) => [...kinds].every((k) => f.kinds.includes(k)));
  const [name, setName] = useState("owner");
  const [text, setText] = useState("");
  const figure = figures.find((f) => f.name === name) ?? figures[0];
  if (!figure) return null;
  const apply = () =>
    change.mutate(
      () =>
        changes.set(
          found.map((t) => ({ id: t.id, revision: page.revisions[t.id] ?? 0 })),
          { [figure.name]: text },
        ),
      { onSuccess: done },
    );
  return (
    <form
      className="mt-1.5 flex flex-wrap items-center gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        apply();
      }}
    >
      Set
      <Select aria-label="Figure" className="webbing font-normal" value={figure.name} choose={setName}>
        {figures.map((f) => (
          <option key={f.name} value={f.name}>
            {f.words}
            {f.unit ? `, ${f.unit}` : ""}
          </option>
        ))}
      </Select>
      to
      {figure.options.length > 0 ? (
        <Select aria-label="Value" className="webbing font-normal" value={text} choose={setText}>
          <option value="">not said</option>
          {figure.options.map((o) => (
            <option key={o}>{o}</option>
          ))}
        </Select>
      ) : (
        <input
          aria-label="Value"
          className="webbing font-normal"
          value={text}
          onChange={(e) => setText(e.target.value)}
        />
      )}
      <button className="webbing" disabled={change.isPending}>
        on {found.length} {found.length === 1 ? "thing" : "things"}
      </button>
      {change.error && <Problem error={change.error} />}
    </form>
  );
}
