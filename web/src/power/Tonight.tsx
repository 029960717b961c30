import { number, time } from "../shared/format";
import type { PowerPage } from "./Power";

/** What is on which charger in the night before: round by round, each put on while somebody is awake. */
export function Tonight({ power }: PowerPage) {
  if (power.tonight.length === 0) return null;
  return (
    <section aria-label="Tonight on the chargers">
      <h2 className="text-[15px] font-bold">Tonight on the chargers</h2>
      {power.tonight.map((night) => (
        <div key={night.type} className="border-t border-rule py-1">
          <p>
            <strong>
              {night.wanted} {night.type}
            </strong>{" "}
            on {night.bays} {night.bays === 1 ? "bay" : "bays"}, {number(night.hours)} h a round
            {night.isUsual && <span className="text-quiet"> (usual figures)</span>}
            {night.short > 0 && (
              <strong className="text-broken">
                ; {night.short} not full when you leave at {time(night.off)}: begin earlier, or take a second
                charger
              </strong>
            )}
          </p>
          <ol className="flex flex-wrap gap-x-4">
            {night.rounds.map((round) => (
              <li key={round.on}>
                {round.count} at {time(round.on)}
                {round.share < 1 && ` (${Math.round(round.share * 100)} % by ${time(night.off)})`}
              </li>
            ))}
          </ol>
        </div>
      ))}
      <p className="text-quiet">
        At home from eight, to bed at eleven, up an hour and a half before you leave, which is an hour before
        the first part. A round is put on when somebody is awake.
      </p>
    </section>
  );
}
