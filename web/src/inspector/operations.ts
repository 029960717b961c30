import type { Person, Report } from "../api/client";

export type OwnSeconds = NonNullable<Person["seconds"]>;
export type Operation = Exclude<keyof OwnSeconds, "extra">;
type Counted = Report["reckoning"]["steps"][number]["action"];

/** The operations of the hands, each with the step it is counted by. */
export const operations: [Operation, string, Counted][] = [
  ["raise", "Raise another camera", "raise"],
  ["changeLens", "Change a lens", "changeLens"],
  ["fitAdapter", "Fit adapter, converter or tube", "fitAdapter"],
  ["changeBattery", "Change a battery or cells", "changeBattery"],
  ["changeCard", "Change a card", "changeCard"],
  ["fitFlash", "Fit flash or trigger", "fitFlash"],
  ["borrow", "Get something from a colleague", "borrow"],
  ["fitSupport", "Onto a tripod or monopod", "fitSupport"],
  ["fitFilter", "Screw in a filter", "fitFilter"],
  ["placeLight", "Put a light on its stand", "placeLight"],
];
