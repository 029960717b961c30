import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useEffect, useMemo } from "react";
import { Link, useParams, useSearchParams } from "react-router";
import { answer, api, type Person, type PocketDay } from "../api/client";
import { isHouse } from "../api/token";
import { localText } from "../shared/format";
import { Problem } from "../shared/Problem";
import { OnTheDay, type Asking, type Known } from "./OnTheDay";
import { inOrder, lookUp } from "./pocketModel";
import { fileOf } from "./record";
import { TakeFile } from "./TakeFile";
import "./live.css";

/** The day as it is worked, with the server at hand: the same screens, and what is left planned anew. */
export function Live() {
  const { assignment = "" } = useParams();
  const [query, setQuery] = useSearchParams();
  const person = query.get("person");
  useHall();
  const { team, day, error: problem } = useLiveDay(assignment, person);
  const asking = useMemo(() => day && askingOf(day), [day]);
  if (problem) return <Problem error={problem} />;
  if (!person) return <Who people={team} choose={(id) => setQuery({ person: id }, { replace: true })} />;
  if (!day || !asking) return <main className="p-5 text-[15px]">Opening the day …</main>;
  return (
    <>
      {!isHouse && (
        <nav className="p-3 max-[700px]:hidden">
          <Link to={`/${assignment}/on-the-day`} className="underline">
            Back to the desk
          </Link>
        </nav>
      )}
      <OnTheDay day={day} home={null} asking={asking} />
      <TakeFile day={day} />
    </>
  );
}

/** The day of a person; the team as long as nobody has said who they are. */
function useLiveDay(assignment: string, person: string | null) {
  const team = useQuery({
    queryKey: ["live", assignment, "team"],
    enabled: !person,
    queryFn: ({ signal }) =>
      answer(api.GET("/api/assignments/{key}/board", { params: { path: { key: assignment } }, signal })),
  });
  const { data: day, error } = useQuery({
    queryKey: ["live", assignment, person],
    enabled: !!person,
    staleTime: Infinity,
    queryFn: ({ signal }) =>
      answer(
        api.GET("/api/assignments/{key}/pocket", {
          params: { path: { key: assignment }, query: { person: person! } },
          signal,
        }),
      ),
  });
  return { team: team.data?.plan?.people, day, error: error ?? team.error };
}

const Who = ({ people, choose }: { people?: Person[]; choose: (id: string) => void }) => (
  <main className="mx-auto max-w-[520px] p-5 text-[15px]">
    <h1 className="text-xl font-bold">{people ? "Who are you?" : "Opening …"}</h1>
    <ul className="mt-3 flex flex-col gap-2">
      {people?.map((p) => (
        <li key={p.id}>
          <button className="webbing min-h-16 w-full text-lg" onClick={() => choose(p.id)}>
            {p.name ?? p.id}
          </button>
        </li>
      ))}
    </ul>
  </main>
);

/** Dim by itself, whatever the desk likes. */
function useHall() {
  useEffect(() => {
    const { dataset } = document.documentElement;
    const before = dataset.theme;
    dataset.theme = "hall";
    document.title = "On the day · Yoke Pair";
    return () => {
      dataset.theme = localStorage.getItem("theme") ?? before;
    };
  }, []);
}

const minutesApart = 5;

type State = Parameters<Asking["useKnown"]>[0];

/** What the server says of the rest of the day; asked anew every few minutes, and when something happens. */
function useRest(day: PocketDay, { now, out, late, readings }: State): Known {
  const path = { key: day.key };
  const rounded = new Date(Math.floor(now.getTime() / (minutesApart * 60_000)) * minutesApart * 60_000);
  const asked = {
    person: day.person,
    now: localText(rounded),
    pull: out.map((f) => `${f.kind}:${f.id}@${f.part}`),
    read: readings.map((r) => `${r.body}:${r.kind === "frames" ? `${r.value}f` : r.value}`),
    lateFrom: late?.from,
    late: late?.minutes,
  };
  const { data, isPlaceholderData, isError } = useQuery({
    queryKey: ["live", day.key, "rest", asked],
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      answer(api.GET("/api/assignments/{key}/rest", { params: { path, query: asked }, signal })),
  });
  // With the server out of reach what was worked out beforehand still answers.
  if (isError) return { answered: lookUp(day, out) };
  if (!data || isPlaceholderData) return { answered: "asking", parts: data?.parts, told: data?.told };
  const here = out.at(-1) && day.parts.findIndex((p) => p.id === out.at(-1)!.part);
  return {
    answered: inOrder(
      day,
      data.changes.filter((c) => c.part >= (here ?? 0)),
    ),
    parts: data.parts,
    told: data.told,
  };
}

function askingOf(day: PocketDay): Asking {
  const path = { key: day.key };
  return {
    useKnown: (state) => useRest(day, state),
    useLate: (from, minutes) =>
      useQuery({
        queryKey: ["live", day.key, "late", from, minutes],
        enabled: minutes != null,
        queryFn: ({ signal }) =>
          answer(
            api.GET("/api/assignments/{key}/late", {
              params: { path, query: { from, minutes: minutes! } },
              signal,
            }),
          ),
      }).data,
    send: (facts) => {
      // What does not get through is sent again with the next.
      void api
        .POST("/api/assignments/{key}/records", { params: { path }, body: fileOf(day, facts) })
        .catch(() => undefined);
    },
  };
}
