import { useQuery } from "@tanstack/react-query";
import { useParams } from "react-router";
import { answer, api, type TextPiece } from "../api/client";
import { AssignmentBar } from "../assignment/AssignmentBar";
import { said } from "../shared/format";
import { PageHeader } from "../shared/PageHeader";
import { PrintButton } from "../shared/PrintButton";
import { Problem } from "../shared/Problem";
import { AskedOnce } from "./AskedOnce";
import { GlassUsed } from "./GlassUsed";
import { LearntList } from "./LearntList";
import { PartsUsed } from "./PartsUsed";
import { Pictures } from "./Pictures";
import { useAfter } from "./useAfter";

/** Afterwards: what was really used, what is asked once, and what the next assignment starts with. */
// Long: the markup of the page.
export function After() {
  const { assignment = "" } = useParams();
  const after = useAfter(assignment);
  const { data } = after;
  if (!data)
    return <main className="p-6">{after.error ? <Problem error={after.error} /> : "Opening …"}</main>;
  const used = data.used ?? null;
  const failed = [after.begin, after.thing, after.batteries, after.clock, after.learnt].find((m) => m.error);
  return (
    <div className="flex h-full flex-col">
      <PageHeader view={`${data.name} · Afterwards`} phoneTitle={data.name} />
      <AssignmentBar assignment={assignment} name={data.name} view="afterwards">
        <PrintButton />
      </AssignmentBar>
      <main className="min-h-0 flex-1 overflow-auto px-4 py-3 print:overflow-visible print:p-0">
        {failed?.error && <Problem error={failed.error} />}
        {used ? (
          <div className="grid gap-x-8 gap-y-4 min-[1000px]:grid-cols-[minmax(0,1fr)_21rem]">
            <div className="flex min-w-0 flex-col gap-4">
              <Headline assignment={assignment} pieces={used.headline} />
              <PartsUsed assignment={assignment} used={used} />
              <GlassUsed used={used} />
            </div>
            <aside className="flex flex-col gap-4">
              <AskedOnce used={used} after={after} />
              <LearntList
                title="What the next assignment starts with"
                lines={data.learnt}
                use={(id, use) => after.learnt.mutate({ id, use })}
              />
              <Pictures page={data} after={after} />
            </aside>
          </div>
        ) : (
          <div className="flex max-w-[46rem] flex-col gap-4">
            <h2 className="text-xl leading-tight font-semibold">What did you really use?</h2>
            <p>
              The day&apos;s pictures tell it: which glass took them, in what light, how many in which part.
              Only what the cameras wrote beside each picture is read. Nothing is copied, changed or sent
              anywhere.
            </p>
            <Pictures page={data} after={after} />
          </div>
        )}
      </main>
    </div>
  );
}

/** First what it comes to; what of the rest is there for safety takes a moment longer to work out. */
function Headline({ assignment, pieces }: { assignment: string; pieces: TextPiece[] }) {
  const { data } = useQuery({
    queryKey: ["board", assignment, "seldom"],
    queryFn: ({ signal }) =>
      answer(api.GET("/api/assignments/{key}/seldom", { params: { path: { key: assignment } }, signal })),
  });
  return (
    <p role="status" className="max-w-[62rem] text-xl leading-tight font-semibold" data-testid="used">
      {[...pieces, ...(data?.told ?? [])].map(said).join("")}
    </p>
  );
}
