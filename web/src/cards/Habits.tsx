import type { CardRules } from "../api/client";
import type { CardsPage } from "./Cards";
import { ofRules } from "../day/planChange";

const policies = [
  ["fill", "Change when full, and where ticked"],
  ["perPart", "A card for each part"],
] as const;

const seconds = [
  ["raw", "Raw to both slots"],
  ["jpeg", "JPEG to the second, which stays in"],
] as const;

const halves = [
  ["partner", "Second half to somebody else"],
  ["bag", "… into the bag"],
  ["shooter", "… both in one wallet"],
] as const;

/** The three habits with cards; each shows at once what it is worth. */
export function Habits({ cards: { rules }, plan, edit }: CardsPage) {
  const set = (changed: Partial<CardRules>) => edit(ofRules("cards", changed));
  return (
    <>
      <Choice
        legend="When cards are changed"
        options={policies}
        value={rules.policy}
        choose={(policy) => set({ policy })}
      />
      {plan.rules.dualRecord && (
        <>
          <Choice
            legend="What goes to the second slot"
            options={seconds}
            value={rules.second}
            choose={(second) => set({ second })}
          />
          <Choice
            legend="Who keeps what comes out of the second slot"
            options={halves}
            value={rules.half}
            choose={(half) => set({ half })}
          />
        </>
      )}
    </>
  );
}

function Choice<T extends string>({
  legend,
  options,
  value,
  choose,
}: {
  legend: string;
  options: readonly (readonly [T, string])[];
  value: T;
  choose: (value: T) => void;
}) {
  return (
    <fieldset className="flex flex-wrap items-center gap-x-4">
      <legend className="sr-only">{legend}</legend>
      {options.map(([is, label]) => (
        <label key={is} className="flex min-h-[28px] items-center gap-2 max-[700px]:min-h-[44px]">
          <input type="radio" name={legend} checked={value === is} onChange={() => choose(is)} />
          {label}
        </label>
      ))}
    </fieldset>
  );
}
