import type { PowerRules } from "../api/client";
import { time } from "../shared/format";
import { TypedField } from "../shared/TypedField";
import type { PowerPage } from "./Power";
import { ofRules } from "../day/planChange";

const hundredths = (share: number) => String(Math.round(share * 100));

const shares = [
  ["Kept of batteries and packs, %", "batteryReserve"],
  ["Kept of cells, %", "cellReserve"],
  ["Fresh is at least, %", "fresh"],
] as const;

const hours = [
  ["At home the evening before", "homeAt"],
  ["To bed", "bedAt"],
] as const;

/** What is kept back, and when one is at home and awake to charge. */
export function Settings(page: PowerPage) {
  const { rules } = page.power;
  return (
    <details className="mt-3 print:hidden">
      <summary className="cursor-pointer font-bold">
        Reserves and hours: {hundredths(rules.batteryReserve)} % kept of batteries,{" "}
        {hundredths(rules.cellReserve)} % of cells, bed at {time(`2000-01-01T${rules.bedAt}`)}
      </summary>
      <Fields {...page} />
      <p className="text-quiet">
        Up an hour and a half before you leave; after a day of work asleep half an hour after you are home. A
        round is put on when somebody is awake.
      </p>
    </details>
  );
}

function Fields({ power: { rules }, edit }: PowerPage) {
  const set = (changed: Partial<PowerRules>) => edit(ofRules("power", changed));
  return (
    <div className="mt-1 flex flex-wrap gap-x-6 gap-y-2 [&_input]:w-24">
      {shares.map(([label, figure]) => (
        <TypedField
          key={figure}
          label={label}
          form="number"
          value={hundredths(rules[figure])}
          commit={(typed) => set({ [figure]: Number(typed) / 100 })}
        />
      ))}
      {hours.map(([label, figure]) => (
        <TypedField
          key={figure}
          label={label}
          type="time"
          value={rules[figure].slice(0, 5)}
          commit={(typed) => set({ [figure]: `${typed}:00` })}
        />
      ))}
      <TypedField
        label="On the way, minutes"
        form="number"
        value={String(rules.travelMinutes)}
        commit={(typed) => set({ travelMinutes: Number(typed) })}
      />
    </div>
  );
}
