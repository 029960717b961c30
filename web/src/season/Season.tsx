import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Link } from "react-router";
import { answer, api, type CarriedOver, type PlanEdit, type SeasonGap, type SeasonPage } from "../api/client";
import { LearntList } from "../after/LearntList";
import { useUseLearnt } from "../after/useAfter";
import { PageHeader } from "../shared/PageHeader";
import { Problem } from "../shared/Problem";
import { number, said, monthDay } from "../shared/format";
import { Strip } from "./Strip";

/** The season: every assignment a tick with its strands, and between them only what carries over. */
// Long: the markup of the page.
export function Season() {
  const client = useQueryClient();
  const queryKey = ["season"];
  const { data, error } = useQuery({
    queryKey,
    queryFn: ({ signal }) => answer(api.GET("/api/season", { signal })),
    // Strands that are still being worked out are asked for again until they are there.
    refetchInterval: ({ state }) =>
      state.data?.between.some(
        (g) => state.data?.assignments.find((j) => j.key === g.assignment)?.strands == null,
      )
        ? 1500
        : false,
  });
  const learnt = useUseLearnt(() => client.invalidateQueries({ queryKey }));
  const change = useMutation({
    mutationFn: ({
      assignment,
      revision,
      edits,
    }: {
      assignment: string;
      revision: number;
      edits: PlanEdit[];
    }) =>
      answer(
        api.POST("/api/assignments/{key}/edits", {
          params: { path: { key: assignment } },
          body: { baseRevision: revision, edits, pull: [] },
        }),
      ),
    onSettled: () => client.invalidateQueries(),
  });
  const failed = error ?? change.error ?? learnt.error;
  return (
    <div className="flex h-full flex-col">
      <PageHeader view="Season" />
      <main className="min-h-0 flex-1 overflow-auto px-4 py-3">
        {failed && <Problem error={failed} />}
        {!data && !failed && <p className="text-quiet">Looking through the assignments …</p>}
        {data && (
          <div className="flex flex-col gap-4">
            <p
              role="status"
              className="max-w-[62rem] text-xl leading-tight font-semibold"
              data-testid="season"
            >
              {data.sentence.map(said).join("")}
            </p>
            <Strip assignments={data.assignments} between={data.between} />
            <div className="grid gap-x-8 gap-y-4 min-[1000px]:grid-cols-[minmax(0,1fr)_21rem]">
              <Between
                page={data}
                does={(gap, edits) =>
                  change.mutate({ assignment: gap.assignment, revision: gap.revision, edits })
                }
              />
              <aside className="flex flex-col gap-4">
                <LearntList
                  title="What your assignments teach"
                  lines={data.learnt}
                  use={(id, use) => learnt.mutate({ id, use })}
                />
                {data.lacks.length > 0 && (
                  <section aria-label="What you lack">
                    <h2 className="text-[15px] font-bold">What you lack</h2>
                    <ul>
                      {data.lacks.map((l) => (
                        <li key={l} className="border-t border-rule py-0.5">
                          {l}
                        </li>
                      ))}
                    </ul>
                  </section>
                )}
              </aside>
            </div>
          </div>
        )}
      </main>
    </div>
  );
}

type Does = (gap: SeasonGap, edits: PlanEdit[]) => void;

const Between = ({ page, does }: { page: SeasonPage; does: Does }) => (
  <section aria-label="What carries over" className="flex flex-col gap-3">
    {page.between.map((gap) => {
      const assignment = page.assignments.find((j) => j.key === gap.assignment)!;
      return (
        <div key={gap.assignment} id={`gap-${gap.assignment}`}>
          <h2 className="text-[15px] font-bold">
            Before <Link to={`/${gap.assignment}/day`}>{assignment.name}</Link>{" "}
            <span className="font-normal text-quiet">{monthDay(assignment.start)}</span>
          </h2>
          {gap.lines.length === 0 ? (
            <p className="border-t border-rule py-1 text-quiet">Nothing carries over: all of it is here.</p>
          ) : (
            <ul>
              {gap.lines.map((line, i) => (
                <Line key={i} line={line} gap={gap} page={page} does={does} />
              ))}
            </ul>
          )}
        </div>
      );
    })}
  </section>
);

const words: Record<CarriedOver["kind"], string> = {
  promised: "promised",
  cards: "cards",
  charge: "charge",
  away: "not here",
  return: "return",
  service: "service",
};

/** What carries over, and the ways out of it: another date, a partner's, a hire. */
function Line({
  line,
  gap,
  page,
  does,
}: {
  line: CarriedOver;
  gap: SeasonGap;
  page: SeasonPage;
  does: Does;
}) {
  const other = page.assignments.find((j) => j.key === line.other);
  return (
    <li className="grid grid-cols-[5rem_minmax(0,1fr)] gap-x-2 border-t border-rule py-1">
      <span className={`narrow ${line.isTrouble ? "font-semibold text-broken" : "text-quiet"}`}>
        {words[line.kind]}
      </span>
      <span>
        <span className={line.isTrouble ? "font-semibold" : ""}>{line.said.map(said).join("")}</span>
        {line.kind === "promised" && other && (
          <span className="mt-1 flex flex-wrap items-center gap-2">
            {gap.instead.map((i) => (
              <button key={i.said} className="webbing" onClick={() => does(gap, i.edits)}>
                {i.said}
                <span className="font-normal text-quiet"> {then(i)}</span>
              </button>
            ))}
            <Link className="underline" to={`/${gap.assignment}/day?show=rules`}>
              Another date for this assignment
            </Link>
            <Link className="underline" to={`/${other.key}/day?show=rules`}>
              Another date for {other.name}
            </Link>
          </span>
        )}
      </span>
    </li>
  );
}

const then = (i: SeasonGap["instead"][number]) =>
  i.gaps < i.gapsNow
    ? i.gaps === 0
      ? "then every picture is covered"
      : `then ${number(i.gaps)} not covered instead of ${number(i.gapsNow)}`
    : i.exposed === 0
      ? "then nothing hangs by one thing"
      : `then ${number(i.exposed)} exposed instead of ${number(i.exposedNow)}`;
