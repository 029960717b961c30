import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type Need, type NeedExplanation, type Part, type Weighed } from "../api/client";
import { Strands } from "../marks/Strands";
import { fNumber, focal, isoAsked, isoSet, number, seconds, shutter, stops } from "../shared/format";
import { outcomeWord, shortfallText, strandWord, stepText, waitText } from "../shared/words";
import { useDay } from "./DayContext";
import { Mends } from "./Mends";
import { NeedForm } from "./NeedForm";

const shownAtFirst = 5;

/** Why a need stands as it does: every body and glass weighed against it, in figures. */
export function NeedPanel({ assignment, part, need }: { assignment: string; part: Part; need: Need }) {
  const { day, edit, pulls, select } = useDay();
  const [all, setAll] = useState(false);
  const [changing, setChanging] = useState(false);
  const { revision } = day.board;
  const { data, error } = useQuery({
    queryKey: ["why", assignment, part.id, need.id, revision, pulls],
    queryFn: () =>
      answer(
        api.GET("/api/assignments/{key}/parts/{part}/needs/{need}", {
          params: { path: { key: assignment, part: part.id, need: need.id }, query: { pull: pulls } },
        }),
      ),
    placeholderData: (old) => old,
  });
  if (error) return <p role="alert">{error.message}</p>;
  if (!data) return <p className="text-quiet">Weighing {need.name} …</p>;
  const serving = data.weighed.filter((w) => w.noFor.length === 0 || w.gone.length > 0);
  const rows = all
    ? data.weighed
    : data.weighed.slice(0, Math.max(shownAtFirst, Math.min(serving.length, shownAtFirst + 3)));
  const rest = data.weighed.length - rows.length;

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
          </span>
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
        {changing && <NeedForm part={part} need={need} done={() => setChanging(false)} />}
        <Cuts explanation={data} />
        <div className="mt-1.5">
          <table className="w-full border-collapse text-left [&_td]:pr-4 [&_td]:align-baseline [&_th]:pr-4 [&_th]:text-[12px] [&_th]:font-normal [&_th]:text-quiet max-[700px]:block max-[700px]:[&_tbody]:block max-[700px]:[&_thead]:hidden max-[700px]:[&_tr]:flex max-[700px]:[&_tr]:flex-wrap max-[700px]:[&_tr]:border-b max-[700px]:[&_tr]:border-rule max-[700px]:[&_tr]:py-1.5">
            <thead>
              <tr>
                <th>Glass on body</th>
                <th>{need.closeWidthMm ? "Frame" : "Framing"}</th>
                <th>ISO asked</th>
                <th className="whitespace-nowrap">Ready in</th>
                <th>That is</th>
              </tr>
            </thead>
            <tbody>
              {rows.map((w) => (
                <Row key={`${w.body}/${w.glass.join("/")}/${w.flash ?? ""}`} weighed={w} explanation={data} />
              ))}
            </tbody>
          </table>
        </div>
        {rest > 0 && (
          <button className="mt-1 py-1 underline" onClick={() => setAll(true)}>
            and {rest} more that come after these
          </button>
        )}
      </div>
      <Mends assignment={assignment} part={part} need={need} strands={data.report.strands} />
    </div>
  );
}

function askedText({ asked }: NeedExplanation, part: Part, need: Need) {
  const said = [
    `${part.name}, ${need.importance}, ${waitText(asked.toleranceSeconds)}`,
    asked.closeWidthMm
      ? `a frame ${number(asked.closeWidthMm)} mm wide`
      : asked.focalMm
        ? `framing ${focal(asked.focalMm)}`
        : "any framing",
    shutter(asked.shutterSeconds),
    asked.minFNumber ? `${fNumber(asked.minFNumber)} for depth` : "",
    `EV ${asked.ev}`,
    asked.fps ? `${number(asked.fps)} frames a second` : "",
    `${number(asked.minMegapixels)} MP or more`,
  ];
  return said.filter(Boolean).join(" · ");
}

/** What must fail together, in words. */
function Cuts({ explanation: { report, why } }: { explanation: NeedExplanation }) {
  const { day, touchItem } = useDay();
  if (why) return <p className="mt-0.5 font-semibold">{why[0]?.toUpperCase() + why.slice(1)}.</p>;
  const smallest = report.cuts.filter((c) => c.length === report.margin);
  if (smallest.length === 0) return null;
  return (
    <p className="mt-0.5">
      {report.margin === 1 ? "It is gone without " : "It takes the loss of "}
      {smallest.slice(0, 4).map((cut, i) => (
        <span key={cut.join()}>
          {i > 0 && ", or "}
          {cut.map((id, j) => (
            <span key={id}>
              {j > 0 && " and "}
              <button
                className={`underline underline-offset-2 ${report.margin === 1 ? "font-bold" : ""}`}
                onClick={() => touchItem(id)}
              >
                {day.name(id)}
              </button>
            </span>
          ))}
        </span>
      ))}
      {smallest.length > 4 && `, or ${smallest.length - 4} other combinations`}.
    </p>
  );
}

function Row({ weighed: w, explanation: { asked } }: { weighed: Weighed; explanation: NeedExplanation }) {
  const { day } = useDay();
  const gone = w.gone.length > 0;
  const no = w.noFor.length > 0;
  const short = shortfallText(w);
  const late = w.seconds != null && asked.toleranceSeconds != null && w.seconds > asked.toleranceSeconds;
  const verdict = gone
    ? `gone: ${w.gone.map(day.name).join(", ")}`
    : no
      ? `no: ${short}`
      : w.seconds == null
        ? "cannot be got at"
        : [late ? "late" : outcomeWord[w.outcome], short].filter(Boolean).join(", ");
  return (
    <tr className={gone || no ? "text-quiet" : ""}>
      <td
        className={`narrow min-w-[15rem] ${gone ? "line-through" : ""} ${!gone && !no ? "font-semibold" : ""}`}
      >
        {[...w.glass, ...(w.flash ? [w.flash] : [])].map(day.name).join(" + ")}{" "}
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
