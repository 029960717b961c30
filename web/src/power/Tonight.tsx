import { number, percent, shortDate, time } from "../shared/format";
import type { PowerPage } from "./Power";

/** What is on which charger in the night before each day of work: round by round, each put on while somebody is awake. */
export function Tonight({ power }: PowerPage) {
  const nights = [...new Set(power.nights.map((n) => n.off))];
  return nights.map((off, i) => (
    <section key={off} aria-label={i === 0 ? "Tonight on the chargers" : "The next night on the chargers"}>
      <h2 className="text-[15px] font-bold">
        {i === 0 ? "Tonight on the chargers" : `In the night before ${shortDate(off)}`}
      </h2>
      {power.nights
        .filter((n) => n.off === off)
        .map((night) => (
          <div key={night.type} className="border-t border-rule py-1">
            <p>
              <strong>
                {night.wanted} {night.type}
              </strong>{" "}
              on {night.bays} {night.bays === 1 ? "bay" : "bays"}, {number(night.hours)} h a round
              {night.isUsual && <span className="text-quiet"> (usual figures)</span>}
              {night.short > 0 && (
                <strong className="text-broken">
                  ; {night.short} not full when you leave at {time(night.off)}:{" "}
                  {night.isBetween ? "put them on before you come home, in the car," : "begin a day earlier,"}{" "}
                  or take more bays
                </strong>
              )}
            </p>
            <ol className="flex flex-wrap gap-x-4">
              {night.rounds.map((round) => (
                <li key={round.on}>
                  {round.count} at {time(round.on)}
                  {round.share < 1 && ` (${percent(round.share)} by ${time(night.off)})`}
                </li>
              ))}
            </ol>
          </div>
        ))}
    </section>
  ));
}

/** What else is to be done about charge, with its time. */
export function Reminders({ power, name }: PowerPage) {
  if (power.reminders.length === 0) return null;
  return (
    <section aria-label="Besides">
      <h2 className="text-[15px] font-bold">Besides</h2>
      <ol>
        {power.reminders.map((r) => (
          <li
            key={`${r.at} ${r.text}`}
            className="grid grid-cols-[8rem_1fr] gap-x-3 border-t border-rule py-1"
          >
            <span className="text-quiet">
              {shortDate(r.at)} {time(r.at)}
            </span>
            <span>
              <strong>{r.items.map(name).join(", ")}</strong>: {r.text}
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}
