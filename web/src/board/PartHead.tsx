import type { Part } from "../api/client";
import { number, shortDate, seconds, time } from "../shared/format";
import { useDay } from "../day/DayContext";

/** What a part forbids, in words. */
export function rulesOf(part: Part, name: (id: string) => string): string[] {
  const rules: string[] = [];
  if (part.flash === "banned") rules.push("no flash");
  if (part.quiet === "required") rules.push("silent");
  if (part.quiet === "preferred") rules.push("quiet");
  if (part.stayBehindM) rules.push(`a line ${number(part.stayBehindM)} m off`);
  if (part.ledBands) rules.push("banding LED");
  if (part.rain) rules.push("rain");
  for (const place of part.unreachable) rules.push(`${name(place).toLowerCase()} out of reach`);
  return rules;
}

export function PartHead({ part, column }: { part: Part; column: number }) {
  const { day, select, selection } = useDay();
  const selected = selection?.kind === "part" && selection.part === part.id;
  const before = day.parts[column - 1];
  const several = day.parts.at(-1)?.start?.slice(0, 10) !== day.parts[0]?.start?.slice(0, 10);
  const newDay = several && before?.start?.slice(0, 10) !== part.start?.slice(0, 10);
  const meanwhile = day.parts.find(
    (p) => p.id !== part.id && (p.start ?? "") < (part.end ?? "") && (part.start ?? "") < (p.end ?? ""),
  );
  const faint = selected ? "" : "text-quiet";
  return (
    <button
      data-cell={`0:${column}`}
      data-part={part.id}
      tabIndex={column === 0 ? 0 : -1}
      aria-pressed={selected}
      title="Change times, light and rules"
      onClick={() => select(selected ? null : { kind: "part", part: part.id })}
      className={
        `narrow ${newDay && before ? "border-l-4 border-ink" : ""} flex min-h-[88px] flex-col items-start ` +
        `px-1.5 pt-1 pb-1 text-left leading-[1.25] ${selected ? "bg-ink text-ground" : ""}`
      }
    >
      <span className="w-full truncate text-[13.5px] font-bold">{part.name ?? part.id}</span>
      <span className={faint}>
        {newDay && <b className={`block ${selected ? "" : "text-ink"}`}>{shortDate(part.start)}</b>}
        {time(part.start)}
        {part.fixedStart && " sharp"}
        {meanwhile && `, during ${meanwhile.name ?? meanwhile.id}`}
      </span>
      <span className={`w-full truncate ${faint}`}>{part.location}</span>
      <Light part={part} />
      <span className="w-full text-[11.5px] leading-[1.15] font-bold">
        {rulesOf(part, day.name).join(", ")}
      </span>
    </button>
  );
}

/** By what light it is judged, and what lights stand there. */
function Light({ part }: { part: Part }) {
  const { report } = useDay().day.board;
  const lamps = (part.lights ?? []).filter((l) => !l.relay).length;
  const move = report.lightMoves.find((m) => m.part === part.id);
  const dusk = report.parts.find((p) => p.part === part.id)?.duskEv;
  return (
    <span>
      EV {dusk == null ? part.ev : `${dusk} at dusk`}
      {lamps > 0 && `, ${lamps} ${lamps === 1 ? "light" : "lights"}`}
      {move?.tight && <b> begin {seconds(move.seconds - (move.freeSeconds ?? 0))} before</b>}
    </span>
  );
}
