import { memo } from "react";
import type { Need, NeedReport, Part } from "../api/client";
import { Strands } from "../marks/Strands";
import { outcomeWord, strandWord } from "../shared/words";
import { useDay, type DayActions } from "../day/DayContext";

/** A need with its strand mark; weak ones stand out by weight, not by colour alone. */
export function NeedMark({ part, need, cell }: { part: Part; need: Need; cell?: string }) {
  const { day, asIs, select, selection } = useDay();
  return (
    <Mark
      part={part}
      need={need}
      cell={cell}
      report={day.needReport(part.id, need.id)}
      was={asIs ? (asIs.needReport(part.id, need.id)?.strands ?? null) : undefined}
      selected={selection?.kind === "need" && selection.part === part.id && selection.need === need.id}
      select={select}
    />
  );
}

interface MarkProps {
  part: Part;
  need: Need;
  cell?: string;
  report?: NeedReport;
  /** While edits are tried out, its strands as it is. */
  was?: number | null;
  selected: boolean;
  select: DayActions["select"];
}

const Mark = memo(function Mark({ part, need, cell, report, was, selected, select }: MarkProps) {
  const count = report?.strands ?? 0;
  const name = need.name ?? need.id;
  const changed = was !== undefined && was !== count;
  const said = report ? `${outcomeWord[report.baseline]}, ${strandWord[count]}` : "";
  return (
    <button
      data-cell={cell}
      tabIndex={cell && !cell.endsWith(":0") ? -1 : 0}
      data-need={`${part.id}/${need.id}`}
      data-strands={count}
      aria-pressed={selected}
      title={`${name}, ${need.importance}: ${said}`}
      onClick={() => select(selected ? null : { kind: "need", part: part.id, need: need.id })}
      className={
        "narrow flex min-h-[21px] w-full items-start gap-1.5 px-1 py-0.5 text-left leading-[1.15] " +
        "max-[700px]:min-h-[44px] max-[700px]:items-center max-[700px]:text-[15px] " +
        `${selected ? "bg-ink text-ground" : ""} ` +
        `${changed ? "outline-2 -outline-offset-2 outline-ink outline-dashed" : ""} ` +
        (count < 2 && need.importance !== "nice" ? "font-bold" : "")
      }
    >
      <span className="flex shrink-0 flex-col items-center pt-px">
        <span className={selected ? "rounded-sm bg-ground" : ""}>
          <Strands count={count} outcome={report?.baseline} width={16} breaking />
        </span>
        {need.importance === "once" && (
          <span aria-hidden className="text-[10px] leading-none">
            1×
          </span>
        )}
      </span>
      <span className="line-clamp-2 min-w-0">{name}</span>
      <span className="sr-only">
        , {need.importance}: {said}
        {changed && `; as it is: ${strandWord[was ?? 3]}`}
      </span>
    </button>
  );
});
