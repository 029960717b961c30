import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useDeferredValue, useState } from "react";
import { useNavigate, Link, useLocation } from "react-router";
import { answer, api, ProblemError, type AssignmentSummary, type Shelf } from "../api/client";
import { useShelf } from "../assignment/useShelf";
import { useActions } from "../shared/actions";
import { assignmentsQuery } from "../shared/assignments";
import { Entry, LinkEntry, Menu } from "../shared/Menu";
import { StartDay } from "./StartDay";
import { Strands } from "../marks/Strands";
import { date, said } from "../shared/format";
import { PageHeader } from "../shared/PageHeader";
import { Problem } from "../shared/Problem";
import { FileButton } from "../shared/FileButton";

const largestFile = 8 * 1024 * 1024;

/** Every assignment with its verdict, and the ways to begin. */
// Long: the markup of the page.
export function Home() {
  const list = useQuery({
    ...assignmentsQuery,
    // Verdicts that are still being worked out are asked for again until they are there.
    refetchInterval: ({ state }) =>
      state.data?.some((a) => !a.verdict && !a.unreadable && a.shelf !== "deleted") ? 1500 : false,
  });
  // The list is what one comes for: the form for a new day is drawn after it.
  const past = useDeferredValue(list.data);
  const { search } = useLocation();
  const on = (shelf: Shelf) => list.data?.filter((a) => a.shelf === shelf) ?? [];
  const current = on("current");
  const over = current.filter((a) => isOver(a));
  const ahead = over.length > mostOverShown ? current.filter((a) => !isOver(a)) : current;
  useActions([{ name: "Start a day", run: () => document.getElementById("start-name")?.focus() }]);
  return (
    <div>
      <PageHeader view="Assignments" />
      <main className="mx-auto max-w-4xl px-4 py-5">
        <h1 className="text-xl font-semibold">
          {!list.data ? "Opening …" : current.length === 0 ? "Plan your first day" : "Your assignments"}
        </h1>
        {list.error && <p role="alert">{list.error.message}</p>}
        <JustShelved />
        <ul className="mt-2">
          {ahead.map((a) => (
            <AssignmentLine key={a.key} assignment={a} />
          ))}
        </ul>
        {ahead !== current && <Folded word="Over" assignments={over.toReversed()} />}
        {shelves.map(([shelf, word]) => (
          <Folded key={shelf} word={word} assignments={on(shelf)} />
        ))}
        {list.data && current.length === 0 && (
          <p className="mt-2 max-w-prose">
            Yoke Pair walks through a day of photographs part by part and tells you what one failure could
            cost. Put what you own into the locker, start a day from a usual one, or see it on a demo day.
          </p>
        )}
        {past && <StartDay key={search} past={past.filter((a) => a.shelf !== "deleted")} />}
        <Begin />
      </main>
    </div>
  );
}

const mostOverShown = 5;
const mostShown = 50;

const isOver = (a: AssignmentSummary) => !!a.end && new Date(a.end) < new Date();

/** Those one seldom looks for: drawn once they are asked for, and not all at once. */
function Folded({ word, assignments }: { word: string; assignments: AssignmentSummary[] }) {
  const [open, setOpen] = useState(false);
  const [most, setMost] = useState(mostShown);
  if (assignments.length === 0) return null;
  return (
    <details className="mt-2" onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary className="cursor-pointer py-1.5">
        {word}: {assignments.length}
      </summary>
      {open && (
        <ul>
          {assignments.slice(0, most).map((a) => (
            <AssignmentLine key={a.key} assignment={a} />
          ))}
        </ul>
      )}
      {open && assignments.length > most && (
        <button className="webbing mt-1" onClick={() => setMost(most + mostShown)}>
          {assignments.length - most} more
        </button>
      )}
    </details>
  );
}

const shelves: [Shelf, string][] = [
  ["archived", "Archived"],
  ["deleted", "Deleted in the last 30 days"],
];

/** An assignment with its verdict, and what can be done with it. */
function AssignmentLine({ assignment: a }: { assignment: AssignmentSummary }) {
  const shelve = useShelf();
  const put = (shelf: Shelf) => shelve.mutate({ key: a.key, shelf });
  const gone = a.shelf === "deleted";
  return (
    <li className="flex items-start gap-2 border-b border-rule">
      {gone || a.unreadable ? (
        <span className="flex min-w-0 flex-1 items-center gap-4 py-3">
          <Known assignment={a} />
        </span>
      ) : (
        <Link to={`/${a.key}/day`} className="flex min-w-0 flex-1 items-center gap-4 py-3">
          <Known assignment={a} />
        </Link>
      )}
      <span className="flex shrink-0 py-2.5 [&_button]:max-[700px]:min-h-[44px]">
        {a.shelf !== "current" && (
          <button className="webbing" onClick={() => put("current")} aria-label={`Put ${a.name} back`}>
            Put it back
          </button>
        )}
        {!gone && a.unreadable && (
          <button className="webbing" onClick={() => put("deleted")} aria-label={`Delete ${a.name}`}>
            Delete it
          </button>
        )}
        {!gone && !a.unreadable && <LineMenu assignment={a} put={put} />}
      </span>
      {shelve.error && <Problem error={shelve.error} />}
    </li>
  );
}

function LineMenu({ assignment: a, put }: { assignment: AssignmentSummary; put: (shelf: Shelf) => void }) {
  return (
    <span className="[&_button]:min-w-[44px]">
      <Menu label="More" named={`More for ${a.name}, ${date(a.start)}`}>
        <LinkEntry>
          <Link to={`/?${new URLSearchParams({ copy: a.key, name: a.name })}`}>Copy to another day</Link>
        </LinkEntry>
        <LinkEntry>
          <Link to={`/${a.key}/day?show=rules`}>Rename or move to another day</Link>
        </LinkEntry>
        <LinkEntry>
          <a href={`/api/assignments/${encodeURIComponent(a.key)}/archive.zip`} download>
            Save it whole, with record and figures
          </a>
        </LinkEntry>
        {a.shelf === "current" && <Entry does={() => put("archived")}>Archive it</Entry>}
        <Entry does={() => put("deleted")}>Delete it</Entry>
      </Menu>
    </span>
  );
}

/** What is known of an assignment without opening it. */
function Known({ assignment: a }: { assignment: AssignmentSummary }) {
  return (
    <>
      {a.strands == null ? (
        <span className="w-[34px]" aria-hidden />
      ) : (
        <Strands count={a.strands} width={34} height={20} label={a.name} />
      )}
      <span className="min-w-0 flex-1">
        <span className="text-base font-bold">{a.name}</span>{" "}
        <span className="text-quiet">
          {date(a.start)}
          {a.people != null && (
            <>
              {" "}
              · {a.people} {a.people === 1 ? "photographer" : "photographers"} · {a.things} things
            </>
          )}
        </span>
        {a.verdict && (
          <>
            <span className="block font-semibold">{a.verdict.headline}</span>
            {a.verdict.details.length > 0 && (
              <span className="line-clamp-2 max-w-prose text-quiet">
                {a.verdict.details.map(said).join("")}
              </span>
            )}
          </>
        )}
        {a.unreadable && <Unreadable assignment={a} why={a.unreadable} />}
        {!a.verdict && !a.unreadable && a.shelf !== "deleted" && (
          <span className="block text-quiet">The verdict is being worked out …</span>
        )}
      </span>
    </>
  );
}

/** A day that is kept but cannot be read: why, and its file as it is. */
function Unreadable({ assignment: a, why }: { assignment: AssignmentSummary; why: string }) {
  return (
    <span className="block max-w-prose">
      <span className="block font-semibold text-broken">
        This day cannot be read. The others are not touched by it.
      </span>
      <span className="line-clamp-2 text-quiet">{why}</span>
      <a className="underline" href={`/api/assignments/${encodeURIComponent(a.key)}/raw`} download>
        Save its file as it is
      </a>
    </span>
  );
}

/** What was put away from its own board, with the way back. */
function JustShelved() {
  const put = (useLocation().state as { put?: string; name?: string; shelf?: Shelf } | null) ?? {};
  const navigate = useNavigate();
  const shelve = useShelf();
  const { put: key, name, shelf } = put;
  if (!key || !shelf) return null;
  return (
    <p role="status" className="mt-1 flex flex-wrap items-center gap-3">
      {name} is {shelf}.
      <button
        className="webbing"
        onClick={() =>
          shelve.mutate({ key, shelf: "current" }, { onSuccess: () => void navigate(`/${key}/day`) })
        }
      >
        Undo
      </button>
    </p>
  );
}

const demoNames: Record<string, string> = {
  "steamer-wedding": "a wedding on a lake steamer",
  "track-night": "a night of track cycling",
};

function Begin() {
  const navigate = useNavigate();
  const client = useQueryClient();
  const demos = useQuery({ queryKey: ["demos"], queryFn: () => answer(api.GET("/api/demos")) });
  const [problem, setProblem] = useState<ProblemError | null>(null);
  const open = useMutation({
    mutationFn: (source: { demo: string } | { file: File }) =>
      "demo" in source ? openDemo(source.demo) : importFile(source.file),
    onMutate: () => setProblem(null),
    onError: (error) =>
      setProblem(error instanceof ProblemError ? error : new ProblemError(0, error.message, [])),
    onSuccess: (added) => {
      void client.invalidateQueries({ queryKey: ["assignments"] });
      void navigate(`/${added.key}/day`);
    },
  });
  return (
    <section aria-label="Begin" className="mt-6 flex flex-wrap items-center gap-3">
      {demos.data?.map((name) => (
        <button key={name} className="webbing" onClick={() => open.mutate({ demo: name })}>
          Open {demoNames[name] ?? name}
        </button>
      ))}
      <FileButton accept=".json,application/json" choose={(file) => open.mutate({ file })}>
        Open a plan file
      </FileButton>
      {problem && (
        <div className="w-full">
          <Problem error={problem} />
        </div>
      )}
    </section>
  );
}

const openDemo = (name: string) => answer(api.POST("/api/demos/{name}", { params: { path: { name } } }));

async function importFile(file: File) {
  if (file.size > largestFile)
    throw new ProblemError(
      413,
      `${file.name} has ${Math.round(file.size / 1e6)} MB; a plan file has at most 8 MB. Nothing was imported.`,
      [],
    );
  const text = await file.text();
  return answer(
    // The file goes as it is: it is the server that reads it and says line by line what is wrong.
    api.POST("/api/assignments/import", {
      body: text as never,
      bodySerializer: (body) => body as never,
      headers: { "Content-Type": "application/json" },
    }),
  );
}
