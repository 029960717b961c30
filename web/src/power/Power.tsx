import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useParams, useSearchParams } from "react-router";
import { AssignmentBar } from "../assignment/AssignmentBar";
import { answer, api, type BoardView, type PlanEdit, type PowerDay } from "../api/client";
import { readPull } from "../day/pulls";
import { useBoard } from "../day/useBoard";
import { PageHeader } from "../shared/PageHeader";
import { Problem } from "../shared/Problem";
import { said } from "../shared/format";
import { Bands } from "./Bands";
import { Cautions } from "./Cautions";
import { Stock } from "./Stock";
import { ToDo } from "./ToDo";
import { Tonight } from "./Tonight";

/** What the parts of this page share. */
export interface PowerPage {
  power: PowerDay;
  plan: BoardView["plan"];
  name: (id: string) => string;
  part: (id: string) => string;
  isBody: (id: string) => boolean;
  /** Whether somebody wants a change of a camera's battery before a part. */
  isPinned: (body: string, part: string) => boolean;
  edit: (...edits: PlanEdit[]) => void;
}

/** How many go on charge, when what is changed, and what goes dark when one is left at home. */
export function Power() {
  const key = useParams().assignment ?? "";
  const [search, setSearch] = useSearchParams();
  const pull = search.getAll("pull");
  const { board, edit, notice, loadError } = useBoard(key, pull);
  const { data, error } = useQuery({
    queryKey: ["board", key, "power", pull],
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      answer(api.GET("/api/assignments/{key}/power", { signal, params: { path: { key }, query: { pull } } })),
  });
  if (error ?? loadError)
    return (
      <main className="p-6">
        <Problem error={(error ?? loadError)!} />
      </main>
    );
  if (!data || !board) return <main className="p-6 text-quiet">Counting frames and charges …</main>;
  const { plan } = board;
  const page: PowerPage = {
    power: data,
    plan,
    name: (id) => plan.items.find((i) => i.id === id)?.name ?? id,
    part: (id) => plan.parts.find((p) => p.id === id)?.name ?? id,
    isBody: (id) => plan.items.some((i) => i.id === id && i.kind === "body"),
    isPinned: (body, part) => plan.parts.find((p) => p.id === part)?.changes?.includes(body) === true,
    edit,
  };
  const pulling = (ids: string[]) => setSearch(new URLSearchParams(ids.map((id) => ["pull", id])));
  return (
    <div className="flex h-full flex-col">
      <PageHeader view={`${plan.assignment.name} · Power`} phoneTitle={plan.assignment.name} />
      <AssignmentBar assignment={key} name={plan.assignment.name} view="power" query={search}>
        <button className="py-1" onClick={() => print()}>
          Print
        </button>
      </AssignmentBar>
      <main className="min-h-0 flex-1 overflow-auto px-4 py-3 print:overflow-visible">
        <p className="max-w-[62rem] text-xl leading-tight font-semibold" data-testid="verdict" role="status">
          {data.sentence.map(said).join("")}
        </p>
        {pull.length > 0 && (
          <p className="mt-1 flex flex-wrap items-center gap-3">
            <span>
              As if <strong>{pull.map((text) => page.name(readPull(text).item)).join(" and ")}</strong> stayed
              at home.
            </span>
            <button className="webbing" onClick={() => pulling([])}>
              Put back
            </button>
          </p>
        )}
        {notice && <p role="alert">{[notice.title, ...notice.lines].join(" ")}</p>}
        <Policy {...page} />
        <Bands {...page} />
        <div className="mt-4 grid gap-x-10 gap-y-4 min-[1000px]:grid-cols-2">
          <ToDo {...page} />
          <div className="flex flex-col gap-4">
            <Stock {...page} pulled={pull} pull={pulling} />
            <Tonight {...page} />
            <Cautions {...page} />
          </div>
        </div>
        <Figures {...page} />
      </main>
    </div>
  );
}

/** The two habits: a full battery before what happens once, or as few changes as can be. */
function Policy({ power, edit }: PowerPage) {
  return (
    <fieldset className="mt-2 flex flex-wrap items-center gap-x-4 print:hidden">
      <legend className="sr-only">When batteries are changed</legend>
      {([true, false] as const).map((fresh) => (
        <label key={String(fresh)} className="flex min-h-[28px] items-center gap-2 max-[700px]:min-h-[44px]">
          <input
            type="radio"
            name="policy"
            checked={power.freshBeforeOnce === fresh}
            onChange={() => edit({ type: "setRules", freshBeforeOnce: fresh })}
          />
          {fresh ? "Fresh before what happens once" : "As few changes as can be"}
        </label>
      ))}
    </fieldset>
  );
}

function Figures({ power, name }: PowerPage) {
  const { estimated, isBest } = power.plan;
  return (
    <p className="mt-3 max-w-[62rem] text-quiet">
      Reckoned with the frames of a busy day, taken evenly through each part; a battery that is below 70 % is
      not fresh, and 15 % is kept back where something happens once.{" "}
      {estimated.length > 0 &&
        `Nobody has said how many frames ${estimated.map(name).join(", ")} ${estimated.length === 1 ? "takes" : "take"} on a charge: 800 is the usual figure. `}
      {!isBest && "Not every plan was tried: perhaps fewer changes would do. "}A flash pops at every frame of
      the camera it lights for, at the power the light bench finds; cells are used down to 40 %. Packs, lamps,
      triggers, recorders and what else runs are not reckoned yet.
    </p>
  );
}
