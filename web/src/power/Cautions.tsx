import { number } from "../shared/format";
import type { PowerPage } from "./Power";

/** What is usual for lithium on the way and on the charger; the carrier and the maker say what holds. */
export function Cautions({ power, plan }: PowerPage) {
  const types = power.plan.types.flatMap((t) => {
    const one = plan.items.find((i) => i.kind === "battery" && i.type === t.type);
    const wattHours = one?.kind === "battery" ? one.wattHours : null;
    return wattHours == null ? [] : [`${t.type} ${number(wattHours)} Wh`];
  });
  return (
    <section aria-label="Cautions" className="text-quiet">
      <p>
        Usual rules in the air, check your carrier: spare lithium batteries
        {types.length > 0 && ` (${types.join(", ")})`} travel in the cabin, contacts covered, never in the
        hold; up to 100 Wh each are taken as they are, 100 to 160 Wh two at most and asked for.
      </p>
      <p>
        One that is swollen, wet or hot is neither charged nor taken along. Charge on something that does not
        burn, and not out of sight. Old and new cells do not go into one flash, and come out of it the day
        after.
      </p>
    </section>
  );
}
