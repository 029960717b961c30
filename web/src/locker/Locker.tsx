import { Select } from "../shared/Select";
import { useDeferredValue, useMemo, useState } from "react";
import { Link, useSearchParams } from "react-router";
import { date } from "../shared/format";
import { useKeys } from "../shared/useKeys";
import { KeysHelp } from "../shared/KeysHelp";
import { few } from "../shared/words";
import { useActions } from "../shared/actions";
import { PageHeader } from "../shared/PageHeader";
import { Problem } from "../shared/Problem";
import { Bodies, Tokens } from "./BodiesAndTokens";
import { Followed } from "./Followed";
import { FilterBar } from "./FilterBar";
import { isFiltered, matches, noFilters } from "./filters";
import { GlassRuleView } from "./GlassRuleView";
import { QuickAddBox } from "./QuickAddBox";
import { Starters } from "./Starters";
import { ThingList } from "./ThingList";
import { ThingPanel } from "./ThingPanel";
import { UnreadableRows } from "./UnreadableRows";
import { useKept } from "../shared/useKept";
import { changes, useLocker, useLockerChange } from "./useLocker";

/** Everything they own, and what of it stands alone, is missing, or is not here on the day. */
// Long: the page where the pieces of the locker meet.
export function Locker() {
  const [params, setParams] = useSearchParams();
  const [day, body, selected] = [params.get("day"), params.get("body"), params.get("thing")];
  const { data: page, error } = useLocker(day ?? undefined, body ?? undefined);
  const change = useLockerChange();
  const [filters, setFilters] = useState(noFilters);
  const [typed, setTyped] = useKept("quick lines");
  const [help, setHelp] = useState(false);
  const wanted = useDeferredValue(filters);
  const found = useMemo(() => (page?.report.things ?? []).filter((t) => matches(t, wanted)), [page, wanted]);
  const byId = useMemo(() => new Map(page?.report.things.map((t) => [t.id, t])), [page]);
  const foundIds = useMemo(() => new Set(found.map((t) => t.id)), [found]);
  const put = (key: string, value: string | null) =>
    setParams(
      (old) => {
        const now = new URLSearchParams(old);
        if (value) now.set(key, value);
        else now.delete(key);
        return now;
      },
      { replace: true },
    );
  const select = (id: string | null) => put("thing", id === selected ? null : id);
  useKeys<LockerKey>(
    {
      undo: () => change.mutate(changes.undo),
      redo: () => change.mutate(changes.redo),
      escape: () => (help ? setHelp(false) : select(null)),
      help: () => setHelp(!help),
      leave: () => (document.activeElement as HTMLElement | null)?.blur(),
      add: () => document.getElementById("quick")?.focus(),
      find: () => document.getElementById("find")?.focus(),
    },
    lockerKeyOf,
  );

  useActions([
    { name: "Add a thing", run: () => document.getElementById("quick")?.focus() },
    { name: "Find in the locker", run: () => document.getElementById("find")?.focus() },
    { name: "Undo", hint: page?.undo ?? "nothing to undo", run: () => change.mutate(changes.undo) },
    { name: "Redo", hint: page?.redo ?? "nothing to redo", run: () => change.mutate(changes.redo) },
  ]);

  if (error && !page)
    return (
      <main className="p-6">
        <Problem error={error} />
      </main>
    );
  if (!page) return <main className="p-6 text-quiet">Opening the locker …</main>;
  const looking = isFiltered(wanted);
  const { report } = page;
  const rest = looking
    ? found
    : found.filter((t) => t.kind !== "lens" && t.kind !== "body" && t.level == null);
  return (
    <div className="flex h-full flex-col">
      <PageHeader title="Locker" aside={`${report.things.length} things`}>
        <button
          className="py-1 disabled:text-quiet"
          disabled={!page.undo}
          title={page.undo ? `Undo: ${page.undo}` : "Nothing to undo"}
          onClick={() => change.mutate(changes.undo)}
        >
          Undo
        </button>
        <button
          className="py-1 disabled:text-quiet"
          disabled={!page.redo}
          title={page.redo ? `Redo: ${page.redo}` : "Nothing to redo"}
          onClick={() => change.mutate(changes.redo)}
        >
          Redo
        </button>
        <button onClick={() => setHelp(!help)} className="py-1 max-[700px]:hidden">
          Keys <kbd className="text-quiet">?</kbd>
        </button>
        <Link to="/locker/import" className="py-1">
          From a file
        </Link>
        <Link to="/locker/labels" className="py-1">
          Labels
        </Link>
        <Link to="/locker/insurance" className="py-1">
          Insurance
        </Link>
      </PageHeader>
      <main className="min-h-0 flex-1 overflow-auto" data-testid="locker">
        <UnreadableRows rows={page.unreadable} />
        <div className="px-4">
          <Followed days={change.data ? change.data.followed : null} />
        </div>
        <div className="flex flex-wrap items-start gap-x-8 gap-y-3 px-4 py-2.5">
          <div className="min-w-0 flex-1 basis-[30rem]">
            <h1 className="text-xl font-semibold" data-testid="verdict">
              {report.headline}
            </h1>
            <label className="text-quiet">
              on{" "}
              <Select
                className="border-b border-rule bg-transparent text-ink"
                value={day ?? ""}
                choose={(chosen) => put("day", chosen || null)}
              >
                <option value="">{day ? "today" : `today, ${date(page.day)}`}</option>
                {page.assignments
                  .filter((a) => a.day)
                  .map((a) => (
                    <option key={a.key} value={a.day ?? ""}>
                      {a.name}, {date(a.day)}
                    </option>
                  ))}
              </Select>
            </label>
            {report.alone.length > 0 && (
              <ul className="mt-1" aria-label="Alone of their kind">
                {report.alone.slice(0, 6).map((a) => (
                  <li key={a.id}>
                    <button className="font-bold text-hangs underline" onClick={() => select(a.id)}>
                      {byId.get(a.id)?.name}
                    </button>{" "}
                    {a.why}
                    {a.idle.length > 0 &&
                      `; without it ${few(a.idle.map((i) => byId.get(i)?.name ?? i))} ${a.idle.length === 1 ? "lies" : "lie"} idle`}
                  </li>
                ))}
                {report.alone.length > 6 && (
                  <li className="text-quiet">and {report.alone.length - 6} more</li>
                )}
              </ul>
            )}
          </div>
          <QuickAddBox text={typed} setText={setTyped} kinds={page.figures[0]?.kinds ?? []} />
        </div>
        {change.error && <Problem error={change.error} />}
        <Starters
          page={page}
          write={(line) => {
            setTyped(typed ? `${typed}\n${line}` : line);
            document.getElementById("quick")?.focus();
          }}
        />
        {report.things.length > 0 && (
          <>
            <FilterBar page={page} filters={filters} set={setFilters} found={found} />
            {looking && <ThingList title="Found" things={rest} selected={selected} select={select} />}
            {page.glass.lenses.some((l) => foundIds.has(l.id)) && (
              <GlassRuleView
                page={page}
                things={byId}
                shown={(id) => foundIds.has(id)}
                selected={selected}
                select={select}
                look={(b) => put("body", b || null)}
              />
            )}
            <Bodies page={page} things={found} selected={selected} select={select} />
            <Tokens things={found} selected={selected} select={select} />
            {!looking && (
              <ThingList title="Everything else" things={rest} selected={selected} select={select} />
            )}
          </>
        )}
      </main>
      {help && <KeysHelp keys={lockerKeys} close={() => setHelp(false)} />}
      {selected && <ThingPanel key={selected} id={selected} page={page} select={select} />}
    </div>
  );
}

const lockerKeys: [string, string][] = [
  ["A", "add a thing"],
  ["F", "find things"],
  ["↑ ↓ ← →", "move over the glass, the tokens and the lists"],
  ["Enter", "see a thing, or add the lines that are complete"],
  ["Shift Enter", "another line"],
  ["Ctrl Z, Ctrl Shift Z", "undo, redo"],
  ["Esc", "leave a field, close what is open"],
  ["?", "these keys"],
];

type LockerKey = "help" | "undo" | "redo" | "escape" | "leave" | "add" | "find";

/** A to add, F to find, undo and redo, Esc, ?; none while something is being typed. */
function lockerKeyOf(event: KeyboardEvent, typing: boolean): LockerKey | undefined {
  if (event.key === "Escape") return typing ? "leave" : "escape";
  if (typing || event.altKey) return undefined;
  const key = event.key.toLowerCase();
  if (event.ctrlKey || event.metaKey) return key === "z" ? (event.shiftKey ? "redo" : "undo") : undefined;
  return key === "?" ? "help" : key === "a" ? "add" : key === "f" ? "find" : undefined;
}
