import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { answer, api, type NeedTried, type PutNeed } from "../api/client";
import { Strands } from "../marks/Strands";
import { fNumber, focal, number, shutter } from "../shared/format";
import { outcomeWord, shortfallText, strandWord } from "../shared/words";
import { useDay } from "../day/DayContext";

/** What a need would come to, were it as it is typed; the last that could be read while something cannot be. */
export function useTried(assignment: string, part: string, need: string, edit: PutNeed | null) {
  const { data } = useQuery({
    queryKey: ["tried", assignment, part, need, edit],
    enabled: !!edit,
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      answer(
        api.POST("/api/assignments/{key}/parts/{part}/needs/{need}/weigh", {
          params: { path: { key: assignment, part, need } },
          body: edit!,
          signal,
        }),
      ),
  });
  return data;
}

/** In one sentence, before anything is sent: what would be asked, what one would choose for it, and how it would stand. */
export function AsTyped({ tried }: { tried?: NeedTried }) {
  const { day } = useDay();
  if (!tried) return null;
  const { asked, report, first } = tried;
  const lens = first && [...first.glass, first.body].map(day.name).join(" on ");
  const fit = first?.fit;
  const over = fit?.stopsOver ?? 0;
  return (
    <output aria-label="As typed" className="flex min-w-0 flex-1 basis-96 items-start gap-2">
      <Strands count={report.strands} outcome={report.baseline} width={24} />
      <span className="max-w-[70ch]">
        <b>
          As typed it{" "}
          {report.baseline === "thins"
            ? "is second best"
            : outcomeWord[report.baseline] === "holds"
              ? "holds"
              : `is ${outcomeWord[report.baseline]}`}
          , {strandWord[report.strands]}.
        </b>{" "}
        {asked.focalMm && `Asks ${focal(asked.focalMm)}. `}
        {fit && lens && (
          <>
            First choice: {lens} at {fNumber(fit.fNumber)} and {shutter(fit.shutterSeconds)}, ISO{" "}
            {number(Math.round(fit.iso))},{" "}
            {over > 0 ? `${number(over)} stops over its ceiling` : `${number(-over)} stops in hand`}
            {shortfallText(first) && `; ${shortfallText(first)}`}.
          </>
        )}
      </span>
    </output>
  );
}
