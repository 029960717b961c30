import { useParams, useSearchParams } from "react-router";
import { AssignmentBar } from "../assignment/AssignmentBar";
import type { BoardView, PowerDay, UseLevel } from "../api/client";
import { Level } from "../day/Level";
import { MendList } from "../day/MendList";
import { PulledLine } from "../day/PulledLine";
import type { PlanChange } from "../day/planChange";
import { useBoard } from "../day/useBoard";
import { PageHeader } from "../shared/PageHeader";
import { PrintButton } from "../shared/PrintButton";
import { Problem } from "../shared/Problem";
import { number, said } from "../shared/format";
import { Bands } from "./Bands";
import { Cautions } from "./Cautions";
import { FromOneToTheNext } from "./FromOneToTheNext";
import { Settings } from "./Settings";
import { Stock } from "./Stock";
import { ToDo } from "./ToDo";
import { Reminders, Tonight } from "./Tonight";
import { Frames } from "./Use";
import { usePower } from "./usePower";

/** What the parts of this page share. */
export interface PowerPage {
  power: PowerDay;
  plan: BoardView["plan"];
  name: (id: string) => string;
  part: (id: string) => string;
  isBody: (id: string) => boolean;
  /** Whether somebody wants a change of a camera's battery before a part. */
  isPinned: (body: string, part: string) => boolean;
  /** What a thing's use is counted in. */
  unitOf: (id: string) => "frames" | "pops" | "minutes";
  edit: (...edits: PlanChange[]) => void;
}

/** How many go on charge, when what is changed, and what goes dark when one is left at home. */
// Long: the markup of the page.
export function Power() {
  const key = useParams().assignment ?? "";
  const [search, setSearch] = useSearchParams();
  const pull = search.getAll("pull");
  const level = (search.get("use") ?? "high") as UseLevel;
  const { board, edit, notice, loadError } = useBoard(key, pull);
  const { data, error } = usePower(key, pull, level);
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
    unitOf: (id) => units[plan.items.find((i) => i.id === id)?.kind ?? ""] ?? "minutes",
    isPinned: (body, part) => plan.parts.find((p) => p.id === part)?.changes?.includes(body) === true,
    edit,
  };
  const look = (ids: string[], use: string) =>
    setSearch(
      new URLSearchParams([...ids.map((id) => ["pull", id]), ...(use === "high" ? [] : [["use", use]])]),
    );
  const pulling = (ids: string[]) => look(ids, level);
  return (
    <div className="flex h-full flex-col">
      <PageHeader view={`${plan.assignment.name} · Power`} phoneTitle={plan.assignment.name} />
      <AssignmentBar assignment={key} name={plan.assignment.name} view="power" query={search}>
        <PrintButton />
      </AssignmentBar>
      <main className="relative min-h-0 flex-1 overflow-auto px-4 py-3 print:overflow-visible print:p-0 print:text-[11px]">
        <p
          className="max-w-[62rem] text-xl leading-tight font-semibold print:text-base"
          data-testid="verdict"
          role="status"
        >
          {data.sentence.map(said).join("")}
        </p>
        <PulledLine pull={pull} name={page.name} putBack={() => pulling([])} />
        {notice && <p role="alert">{[notice.title, ...notice.lines].join(" ")}</p>}
        <Policy {...page} />
        <Level level={data.level} setLevel={(use) => look(pull, use)} />
        <MendList
          mends={page.power.mends.map((m) => ({
            ...m,
            then:
              m.stillShort === 0
                ? "then there is enough, whichever one dies"
                : `then ${m.stillShort} ${m.stillShort === 1 ? "is" : "are"} still short`,
          }))}
          edit={page.edit}
        />
        <Bands {...page} />
        <div className="mt-4 grid gap-x-10 gap-y-4 min-[1000px]:grid-cols-2 print:block print:columns-2 print:gap-x-6">
          <ToDo {...page} />
          <div className="flex flex-col gap-4 print:block print:[&>*]:mt-2">
            <Stock {...page} pulled={pull} pull={pulling} />
            <Tonight {...page} />
            <Reminders {...page} />
            <FromOneToTheNext {...page} assignment={key} />
            <Cautions {...page} />
          </div>
        </div>
        <Frames {...page} />
        <Settings {...page} />
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

const units: Record<string, "frames" | "pops"> = { body: "frames", flash: "pops", pack: "pops" };

const figureWords: Record<string, string> = {
  framesPerCharge: "frames a charge",
  videoMinutesPerCharge: "minutes of video a charge",
  liveViewMinutesPerCharge: "minutes of live view a charge",
  fullPops: "pops at full power",
  runMinutes: "minutes a charge",
};

/** What all this is reckoned with, and what of it nobody has said. */
function Figures({ power, name }: PowerPage) {
  const { figures, isBest } = power.plan;
  const words = (f: (typeof figures)[number]) =>
    f.figure === "runMinutes" && f.value >= 120
      ? `${name(f.item)} ${number(f.value / 60)} hours a charge`
      : `${name(f.item)} ${number(f.value)} ${figureWords[f.figure] ?? f.figure}`;
  const usual = figures.filter((f) => f.source === "usual");
  const typed = figures.filter((f) => f.source === "rated");
  return (
    <div className="mt-3 max-w-[62rem] text-quiet print:hidden">
      <p>
        Reckoned with the frames above, taken evenly through each part. A flash pops at every frame of the
        camera it lights for, at the power the light bench finds; what else the day relies on is switched on
        for its whole part. {!isBest && "Not every plan was tried: perhaps fewer changes would do. "}
      </p>
      {usual.length > 0 && (
        <p>
          <strong>Usual figures, as nobody has said</strong>: {usual.map(words).join("; ")}.
        </p>
      )}
      {typed.length > 0 && <p>As told: {typed.map(words).join("; ")}.</p>}
    </div>
  );
}
