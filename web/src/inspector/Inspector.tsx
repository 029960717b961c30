import { Docked } from "../shared/Docked";
import { useDay } from "../day/DayContext";
import { HandPanel } from "./HandPanel";
import { ItemPanel } from "./ItemPanel";
import { KitPanel } from "../searches/KitPanel";
import { NeedPanel } from "./NeedPanel";
import { MostPinch } from "./Pinch";
import { PartPanel } from "./PartPanel";
import { Proposals } from "../searches/Proposals";
import { RulesPanel } from "./RulesPanel";
import { SetupsPanel } from "../searches/SetupsPanel";
import { TeamPanel } from "./TeamPanel";
import { TimetablePanel } from "./TimetablePanel";

/** What is selected, in figures, with what can be done about it. Docked, so that the board stays in view. */
// Long: one panel for each thing that can be looked at.
export function Inspector({ assignment }: { assignment: string }) {
  const { day, selection, select } = useDay();
  if (!selection) return null;
  const tall =
    (selection.kind === "need" && !!selection.bench) ||
    selection.kind === "part" ||
    selection.kind === "most" ||
    selection.kind === "kit" ||
    selection.kind === "team" ||
    selection.kind === "timetable" ||
    selection.kind === "rules";
  const part = "part" in selection ? day.parts.find((p) => p.id === selection.part) : undefined;
  const need = selection.kind === "need" ? part?.needs.find((n) => n.id === selection.need) : undefined;
  const item = selection.kind === "item" ? day.item(selection.item) : undefined;
  return (
    <Docked height={tall ? "tall" : "low"} close={() => select(null)}>
      {part && need && (
        <NeedPanel
          key={`${part.id}/${need.id}`}
          assignment={assignment}
          part={part}
          need={need}
          bench={selection.kind === "need" ? selection.bench : undefined}
        />
      )}
      {part && selection.kind === "part" && <PartPanel key={part.id} part={part} />}
      {part && selection.kind === "hand" && (
        <HandPanel
          key={`${part.id}/${selection.person}/${selection.position}`}
          assignment={assignment}
          part={part}
          at={selection}
        />
      )}
      {item && <ItemPanel key={item.id} item={item} />}
      {(selection.kind === "setups" || selection.kind === "kit") && <Proposals shown={selection.kind} />}
      {selection.kind === "setups" && <SetupsPanel assignment={assignment} />}
      {selection.kind === "kit" && <KitPanel assignment={assignment} />}
      {selection.kind === "team" && <TeamPanel />}
      {selection.kind === "rules" && <RulesPanel />}
      {selection.kind === "timetable" && <TimetablePanel assignment={assignment} />}
      {selection.kind === "most" && (
        <>
          <h2 className="text-[15px] font-bold">What carries most</h2>
          <MostPinch />
        </>
      )}
      {!part && !item && ("part" in selection || "item" in selection) && (
        <p>This is no longer in the plan.</p>
      )}
    </Docked>
  );
}
