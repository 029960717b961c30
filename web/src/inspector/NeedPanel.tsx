import { ToggleGroup } from "radix-ui";
import { useState } from "react";
import { type Need, type NeedExplanation, type Part, type Weighed } from "../api/client";
import { FramingBench } from "../bench/FramingBench";
import { LightBench } from "../bench/LightBench";
import { rowKey } from "../bench/benchModel";
import { Strands } from "../marks/Strands";
import { fNumber, focal, isoAsked, isoSet, number, seconds, shutter, stops } from "../shared/format";
import { outcomeWord, shortfallText, strandWord, stepText, waitText } from "../shared/words";
import { useDay } from "../day/DayContext";
import { Mends } from "./Mends";
import { NeedForm } from "./NeedForm";
import { Pinch } from "./Pinch";
import { useNeed } from "./useNeed";
import type { Bench } from "../day/useDayUrl";

const shownAtFirst = 5;
const layouts = [
  ["ways", "Ways"],
  ["framing", "Framing bench"],
  ["light", "Light bench"],
] as const;

/** Why a need stands as it does: every body and glass weighed against it, in figures. */
// Long: one need told from its sentence to its figures.
export function NeedPanel({
  assignment,
  part,
  need,
  bench,
}: {
  assignment: string;
  part: Part;
  need: Need;
  bench?: Bench;
}) {
  const { day, asIs, edit, pulls, select } = useDay();
  const [changing, setChanging] = useState(false);
  const { revision } = day.board;
  const { data: told, error } = useNeed(assignment, part.id, need.id, revision, pulls);
  const data = told?.explanation;
  // The panel explains the day as it is; what is only tried out stands beside it.
  const tried = asIs ? day.needReport(part.id, need.id) : undefined;
  if (error) return <p role="alert">{error.message}</p>;
  if (!data) return <p className="text-quiet">Weighing {need.name} …</p>;
  return (
    <div className="flex flex-wrap gap-x-8 gap-y-3">
      <div className="min-w-0 flex-1 basis-[44rem]">
        <h2 className="flex flex-wrap items-center gap-x-3 max-[700px]:pr-14">
          <Strands
            count={data.report.strands}
            outcome={data.report.baseline}
            width={26}
            height={14}
            breaking
          />
          <span className="text-[15px] font-bold">{need.name ?? need.id}</span>
          <span className="font-semibold">
            {outcomeWord[data.report.baseline]}, {strandWord[data.report.strands]}
            {tried && " now"}
          </span>
          {tried && (
            <span className="inline-flex items-center gap-2 border border-dashed border-ink px-1.5 font-semibold">
              <Strands count={tried.strands} outcome={tried.baseline} width={26} height={14} />
              as tried out: {outcomeWord[tried.baseline]}, {strandWord[tried.strands]}
            </span>
          )}
        </h2>
        <p className="text-quiet">
          {askedText(data, part, need)}{" "}
          <button
            className="text-ink underline"
            aria-expanded={changing}
            onClick={() => setChanging(!changing)}
          >
            Change what it asks
          </button>{" "}
          <button
            className="text-ink underline"
            onClick={() => {
              edit({ type: "removeNeed", part: part.id, need: need.id });
              select({ kind: "part", part: part.id });
            }}
          >
            Take it out
          </button>
        </p>
        {!data.report.exhaustive && (
          <p role="note">
            So many ways are there to take these at once that not all were tried: it may stand better than
            shown.
          </p>
        )}
        {changing && (
          <NeedForm part={part} need={need} computed={data.asked.computed} done={() => setChanging(false)} />
        )}
        {told.pinch && !bench && <Pinch drawing={told.pinch} />}
        <details open={!told.pinch || !!bench}>
          <summary className="cursor-pointer py-1">How the verdict came about, in words</summary>
          <ol aria-label="How the verdict came about" className="mt-0.5 flex flex-wrap gap-x-1.5">
            {data.chain.map((link, i) => (
              <li key={i}>
                {i > 0 && <span aria-hidden>→ </span>}
                {link}
              </li>
            ))}
          </ol>
        </details>
        {!need.role && (
          <ToggleGroup.Root
            type="single"
            value={bench ?? "ways"}
            onValueChange={(v) =>
              v &&
              select({
                kind: "need",
                part: part.id,
                need: need.id,
                ...(v === "ways" ? {} : { bench: v as Bench }),
              })
            }
            aria-label="How the ways are laid out"
            className="mt-1 flex"
          >
            {layouts.map(([key, word]) => (
              <ToggleGroup.Item
                key={key}
                value={key}
                className="webbing -ml-px rounded-none font-normal first:ml-0"
              >
                {word}
              </ToggleGroup.Item>
            ))}
          </ToggleGroup.Root>
        )}
        {bench === "framing" && <FramingBench explanation={data} />}
        {bench === "light" && <LightBench explanation={data} part={part} />}
        {!bench && !need.role && <WaysTable explanation={data} />}
      </div>
      <Mends mends={told?.mends} strands={data.report.strands} />
    </div>
  );
}

/** Every body and glass, the best first, in figures. */
// Long: one need told from its sentence to its figures.
function WaysTable({ explanation: data }: { explanation: NeedExplanation }) {
  const [all, setAll] = useState(false);
  const closeUp = data.asked.closeWidthMm != null;
  const serving = data.weighed.filter((w) => w.noFor.length === 0 || w.gone.length > 0);
  const rows = all
    ? data.weighed
    : data.weighed.slice(0, Math.max(shownAtFirst, Math.min(serving.length, shownAtFirst + 3)));
  const rest = data.weighed.length - rows.length;
  return (
    <>
      <div className="mt-1.5">
        <table
          className={
            "w-full border-collapse text-left [&_td]:pr-4 [&_td]:align-baseline [&_th]:pr-4 [&_th]:text-[12px] " +
            "[&_th]:font-normal [&_th]:text-quiet max-[700px]:block max-[700px]:[&_tbody]:block max-[700px]:[&_thead]:hidden " +
            "max-[700px]:[&_tr]:flex max-[700px]:[&_tr]:flex-wrap max-[700px]:[&_tr]:border-b " +
            "max-[700px]:[&_tr]:border-rule max-[700px]:[&_tr]:py-1.5"
          }
        >
          <thead>
            <tr>
              <th>Glass on body</th>
              <th>{closeUp ? "Frame" : "Framing"}</th>
              <th>ISO asked</th>
              <th className="whitespace-nowrap">Ready in</th>
              <th>That is</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((w) => (
              <Row key={rowKey(w)} weighed={w} explanation={data} />
            ))}
          </tbody>
        </table>
      </div>
      {rest > 0 && (
        <button className="mt-1 py-1 underline" onClick={() => setAll(true)}>
          and {rest} more that come after these
        </button>
      )}
    </>
  );
}

function askedText({ asked }: NeedExplanation, part: Part, need: Need) {
  if (need.role)
    return `${part.name}, ${need.importance}, ${waitText(asked.toleranceSeconds)} · a thing that is: ${need.role}`;
  const said = [
    `${part.name}, ${need.importance}, ${waitText(asked.toleranceSeconds)}`,
    asked.closeWidthMm
      ? `a frame ${number(asked.closeWidthMm)} mm wide`
      : asked.focalMm
        ? framingText(asked)
        : "any framing",
    need.shortestShutterSeconds
      ? `${shutter(asked.shutterSeconds)} to ${shutter(need.shortestShutterSeconds)}, to be blurred`
      : shutter(asked.shutterSeconds),
    asked.minFNumber ? `${fNumber(asked.minFNumber)} for depth` : "",
    [`EV ${asked.ev}`, ...lightWords(need, part, asked.computed.flashPathM == null)].join(", or "),
    need.moment ? `at once with the rest of “${need.moment}”` : "",
    asked.fps ? `${number(asked.fps)} frames a second${burstText(need)}` : "",
    `${number(asked.minMegapixels)} MP or more`,
  ];
  return said.filter(Boolean).join(" · ");
}

const burstText = ({ burstSeconds, readySeconds }: Need) =>
  (burstSeconds ? ` for ${seconds(burstSeconds)}` : "") +
  (readySeconds == null ? "" : `, ready again in ${seconds(readySeconds)}`);

const framingText = ({ focalMm, acceptMm, bands }: NeedExplanation["asked"]) =>
  [
    `framing ${focal(focalMm ?? [])}`,
    bands.length > 0 ? "all of it" : "",
    acceptMm ? `still fine ${focal(acceptMm)}` : "",
  ]
    .filter(Boolean)
    .join(", ");

/** What else than the light there is may be used; flash not where it is banned, and where it cannot be reckoned that is said. */
const lightWords = (need: Need, part: Part, pathless: boolean) => {
  const words = { ambient: "", flash: "flash", stands: "lights in the room", continuous: "continuous light" };
  return need.light
    .filter((l) => l !== "ambient" && (l === "continuous" || part.flash !== "banned"))
    .map((l) =>
      l === "flash" && pathless
        ? "flash (not reckoned: say how high the ceiling is, or how far its light goes)"
        : words[l],
    );
};

// Long: one need told from its sentence to its figures.
function Row({ weighed: w, explanation: { asked } }: { weighed: Weighed; explanation: NeedExplanation }) {
  const { day } = useDay();
  const gone = w.gone.length > 0;
  const no = w.noFor.length > 0;
  const short = shortfallText(w);
  const late = !gone && !no && w.outcome === "late";
  const verdict = gone
    ? `gone: ${w.gone.map(day.name).join(", ")}`
    : no
      ? `no: ${short}`
      : w.seconds == null
        ? "cannot be got at"
        : [outcomeWord[w.outcome], short].filter(Boolean).join(", ");
  return (
    <tr className={gone || no ? "text-quiet" : ""}>
      <td
        className={`narrow min-w-[15rem] ${gone ? "line-through" : ""} ${!gone && !no ? "font-semibold" : ""}`}
      >
        {[...w.glass, ...w.with].map(day.name).join(" + ")}{" "}
        <span className="font-normal">on {day.name(w.body)}</span>
        {w.person && day.board.plan.people.length > 1 && (
          <span className="font-normal text-quiet"> · {day.name(w.person)}</span>
        )}
      </td>
      <td className="whitespace-nowrap">
        {asked.closeWidthMm ? `${number(w.fit.frameMm ?? 0)} mm wide` : focal(w.equivalentMm)}
        {w.fit.megapixelsLeft < asked.minMegapixels * 3 && (
          <span className="text-quiet"> {number(w.fit.megapixelsLeft)} MP left</span>
        )}
      </td>
      <td className="whitespace-nowrap">
        {w.fit.flashPower != null ? (
          <>flash at {number(w.fit.flashPower * 100)} % power</>
        ) : (
          <>
            {isoAsked(w.fit.iso)} of {isoSet(w.isoCeiling)}{" "}
            <span className="text-quiet">
              {stops(w.fit.stopsOver)}, {fNumber(w.fit.fNumber)}
              {w.fit.shutterSeconds < asked.shutterSeconds * 0.99 &&
                `, held still at ${shutter(w.fit.shutterSeconds)}`}
            </span>
          </>
        )}
      </td>
      <td
        className="whitespace-nowrap"
        title={w.steps.map((s) => `${stepText(s, day.name)} ${seconds(s.seconds)}`).join(", then ")}
      >
        {w.seconds == null ? "–" : seconds(w.seconds)}
      </td>
      <td className={late ? "font-semibold" : ""}>{verdict}</td>
    </tr>
  );
}
