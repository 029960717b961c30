import type { ThingView } from "../api/client";

/** What one looks for. Empty texts and false look for nothing in particular. */
export interface Filters {
  text: string;
  kind: string;
  owner: string;
  state: string;
  age: string;
  alone: boolean;
}

export const noFilters: Filters = { text: "", kind: "", owner: "", state: "", age: "", alone: false };

export const states: Record<string, string> = {
  here: "here on the day",
  away: "not here on the day",
  warned: "doubtful, weak or due",
  estimated: "with estimates",
};

export const ages: Record<string, string> = {
  "2": "over 2 years",
  "5": "over 5 years",
  "10": "over 10 years",
};

export const isFiltered = (f: Filters) => Object.values(f).some(Boolean);

/** Whether a thing is one of those looked for: every word of the text must be somewhere in what is shown of it. */
export function matches(thing: ThingView, f: Filters) {
  if (f.kind && thing.kind !== f.kind) return false;
  if (f.owner && thing.owner !== f.owner) return false;
  if (f.alone && !thing.alone) return false;
  if (f.age && (thing.ageYears ?? 0) < Number(f.age)) return false;
  if (f.state === "here" && thing.away) return false;
  if (f.state === "away" && !thing.away) return false;
  if (f.state === "warned" && thing.warnings.length === 0) return false;
  if (f.state === "estimated" && thing.estimates === 0) return false;
  if (!f.text) return true;
  const shown =
    `${thing.kind} ${thing.name} ${thing.line} ${thing.owner ?? ""} ${thing.away ?? ""} ${thing.state ?? ""} ${thing.warnings.join(" ")}`.toLowerCase();
  return f.text
    .toLowerCase()
    .split(/\s+/)
    .every((word) => shown.includes(word));
}
