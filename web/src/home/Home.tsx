import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate, Link } from "react-router";
import { answer, api, ProblemError } from "../api/client";
import { StartDay } from "./StartDay";
import { Strands } from "../marks/Strands";
import { date } from "../shared/format";
import { PageHeader } from "../shared/PageHeader";
import { Problem } from "../shared/Problem";
import { FileButton } from "../shared/FileButton";

const largestFile = 8 * 1024 * 1024;

/** Every assignment with its verdict, and the ways to begin. */
export function Home() {
  const list = useQuery({
    queryKey: ["assignments"],
    queryFn: ({ signal }) => answer(api.GET("/api/assignments", { signal })),
    // Verdicts that are still being worked out are asked for again until they are there.
    refetchInterval: ({ state }) => (state.data?.some((a) => !a.verdict) ? 1500 : false),
  });
  return (
    <div>
      <PageHeader view="Assignments" />
      <main className="mx-auto max-w-4xl px-4 py-5">
        <h1 className="text-xl font-semibold">
          {!list.data ? "Opening …" : list.data.length === 0 ? "Plan your first day" : "Your assignments"}
        </h1>
        {list.error && <p role="alert">{list.error.message}</p>}
        <ul className="mt-2">
          {list.data?.map((a) => (
            <li key={a.key} className="border-b border-rule">
              <Link to={`/${a.key}/day`} className="flex items-center gap-4 py-3">
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
                  {a.verdict ? (
                    <>
                      <span className="block font-semibold">{a.verdict.headline}</span>
                      <span className="line-clamp-2 max-w-prose text-quiet">
                        {a.verdict.details.map((d) => d.text).join("")}
                      </span>
                    </>
                  ) : (
                    <span className="block text-quiet">The verdict is being worked out …</span>
                  )}
                </span>
              </Link>
            </li>
          ))}
        </ul>
        {list.data?.length === 0 && (
          <p className="mt-2 max-w-prose">
            Yoke Pair walks through a day of photographs part by part and tells you what one failure could
            cost. Put what you own into the locker, start a day from a usual one, or see it on a demo day.
          </p>
        )}
        {list.data && <StartDay past={list.data} />}
        <Begin />
      </main>
    </div>
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
