import { useParams, useSearchParams } from "react-router";
import type { BagDay, BoardView, Part } from "../api/client";
import { AssignmentBar } from "../assignment/AssignmentBar";
import { MendList } from "../day/MendList";
import { inOrder } from "../day/PartColumns";
import { PulledLine } from "../day/PulledLine";
import type { PlanChange } from "../day/planChange";
import { useBoard } from "../day/useBoard";
import { PageHeader } from "../shared/PageHeader";
import { PrintButton } from "../shared/PrintButton";
import { Problem } from "../shared/Problem";
import { said } from "../shared/format";
import { Beams } from "./Beams";
import { BoxesAtHome } from "./Boxes";
import { Burdens } from "./Burdens";
import { Road } from "./Road";
import { useBags } from "./useBags";

/** What the parts of this page share. */
export interface BagsPage {
  bags: BagDay;
  plan: BoardView["plan"];
  parts: Part[];
  /** What a thing, person or place is called. */
  name: (id: string) => string;
  need: (part: string, id: string) => string;
  edit: (...edits: PlanChange[]) => void;
}

/** What is in which bag and what goes if it goes, and what is felt on whose shoulders. */
export function Bags() {
  const key = useParams().assignment ?? "";
  const [search, setSearch] = useSearchParams();
  const pull = search.getAll("pull");
  const { board, edit, notice, loadError } = useBoard(key, pull);
  const { data, error } = useBags(key, pull);
  if (error ?? loadError)
    return (
      <main className="p-6">
        <Problem error={(error ?? loadError)!} />
      </main>
    );
  if (!data || !board) return <main className="p-6 text-quiet">Weighing every bag …</main>;
  const { plan } = board;
  const page = pageOf(data, plan, edit);
  return (
    <div className="flex h-full flex-col">
      <PageHeader view={`${plan.assignment.name} · Bags`} phoneTitle={plan.assignment.name} />
      <AssignmentBar view="bags" assignment={key} name={plan.assignment.name} query={search}>
        <PrintButton />
      </AssignmentBar>
      <main className="relative min-h-0 flex-1 overflow-auto px-4 py-3 print:overflow-visible print:p-0">
        <p
          className="max-w-[62rem] text-xl leading-tight font-semibold print:text-base"
          data-testid="verdict"
          role="status"
        >
          {data.sentence.map(said).join("")}
        </p>
        <PulledLine pull={pull} name={page.name} putBack={() => setSearch({})} />
        {notice && <p role="alert">{[notice.title, ...notice.lines].join(" ")}</p>}
        <MendList mends={data.splits} edit={edit} />
        <Beams {...page} />
        <BoxesAtHome {...page} />
        <Burdens {...page} />
        <Road {...page} manifest={`/${key}/manifest`} />
      </main>
    </div>
  );
}

function pageOf(bags: BagDay, plan: BoardView["plan"], edit: BagsPage["edit"]): BagsPage {
  const all = [...plan.items, ...plan.people, ...plan.places];
  return {
    bags,
    plan,
    parts: inOrder(plan.parts),
    name: (id) => all.find((x) => x.id === id)?.name ?? id,
    need: (part, id) => plan.parts.find((p) => p.id === part)?.needs.find((n) => n.id === id)?.name ?? id,
    edit,
  };
}
