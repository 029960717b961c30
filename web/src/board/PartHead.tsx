import type { Part } from "../api/client";
import { time } from "../shared/format";
import { useDay } from "./DayContext";

/** What a part forbids, in words. */
export function rulesOf(part: Part, name: (id: string) => string): string[] {
  const rules: string[] = [];
  if (part.flash === "banned") rules.push("no flash");
  if (part.quiet === "required") rules.push("silent");
  if (part.quiet === "preferred") rules.push("quiet");
  for (const place of part.unreachable) rules.push(`${name(place).toLowerCase()} out of reach`);
  return rules;
}

export function PartHead({ part, column }: { part: Part; column: number }) {
  const { day, select, selection } = useDay();
  const selected = selection?.kind === "part" && selection.part === part.id;
  const faint = selected ? "" : "text-quiet";
  return (
    <button
      data-cell={`0:${column}`}
      tabIndex={column === 0 ? 0 : -1}
      aria-pressed={selected}
      title="Change times, light and rules"
      onClick={() => select(selected ? null : { kind: "part", part: part.id })}
      className={`narrow flex min-h-[88px] flex-col items-start px-1.5 pt-1 pb-1 text-left leading-[1.25] ${selected ? "bg-ink text-ground" : ""}`}
    >
      <span className="w-full truncate text-[13.5px] font-bold">{part.name ?? part.id}</span>
      <span className={faint}>{time(part.start)}</span>
      <span className={`w-full truncate ${faint}`}>{part.location}</span>
      <span>EV {part.ev}</span>
      <span className="w-full text-[11.5px] leading-[1.15] font-bold">
        {rulesOf(part, day.name).join(", ")}
      </span>
    </button>
  );
}
