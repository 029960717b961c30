import { useDay } from "../day/DayContext";
import { Tick } from "../shared/Choose";
import { houseRules, type HouseRule } from "../shared/houseRules";
import { ofRules } from "../day/planChange";

/** What one asks of a kit whatever the needs say; no proposal breaks it further. */
export function HouseRules() {
  const { day, edit } = useDay();
  const { house } = day.board.plan.rules;
  const said = new Map<HouseRule["kind"], HouseRule>(day.board.report.house.map((h) => [h.kind, h]));
  return (
    <fieldset className="flex flex-wrap items-start gap-x-6 gap-y-1">
      <legend className="mb-0.5 font-semibold">Rules of the house</legend>
      {houseRules.map(([kind, words, short]) => {
        const lacking = said.get(kind)?.lacking;
        return (
          <div key={kind}>
            <Tick label={words} on={house[kind]} set={(on) => edit(ofRules("house", { [kind]: on }))} />
            {lacking !== undefined && (
              <p className={`text-[12px] ${lacking > 0 ? "font-bold" : "text-quiet"}`}>
                {lacking > 0 ? short(lacking) : "kept"}
              </p>
            )}
          </div>
        );
      })}
    </fieldset>
  );
}
