import type { Part, Person, Place, PlacedLight, Plan, PlanEdit } from "../api/client";
import { setupOf, type Position } from "./dayModel";

/**
 * What is to be done to a plan: an edit, or one worked out on the plan as it is when its turn comes. Edits that carry a whole thing are of
 * the second kind, so that two of its fields filled in quickly, or in two tabs, never undo one another.
 */
export type PlanChange = PlanEdit | ((plan: Plan) => PlanEdit);

export const editsOn = (plan: Plan, changes: PlanChange[]): PlanEdit[] =>
  changes.map((change) => (typeof change === "function" ? change(plan) : change));

function still<T extends { id: string }>(all: T[], id: string): T {
  const found = all.find((thing) => thing.id === id);
  if (!found) throw new Error("What you changed is not in this day any more.");
  return found;
}

export const ofPerson =
  (id: string, change: (person: Person) => Partial<Person>): PlanChange =>
  ({ people }) => {
    const person = still(people, id);
    return { type: "setPerson", person: { ...person, ...change(person) } };
  };

export const ofPlace =
  (id: string, change: Partial<Place>): PlanChange =>
  ({ places }) => ({ type: "putPlace", place: { ...still(places, id), ...change } });

/** One more or one less of those a part names. */
export const ofPart =
  (id: string, change: (part: Part) => { present: string[] } | { unreachable: string[] }): PlanChange =>
  ({ parts }) => ({ type: "setPart", part: id, ...change(still(parts, id)) });

export const withOrWithout = (all: string[], one: string, on: boolean) =>
  on ? [...all, one] : all.filter((id) => id !== one);

type Used = { frames?: number | null; videoMinutes?: number | null; liveViewMinutes?: number | null };

/** What a camera takes in a part; what is not said is as usual. */
export const used =
  (part: string, item: string, some: Used): PlanChange =>
  ({ parts }) => {
    const { frames, videoMinutes, liveViewMinutes } =
      still(parts, part).use?.find((u) => u.item === item) ?? ({} as Used);
    return { type: "setUse", part, item, minutes: null, frames, videoMinutes, liveViewMinutes, ...some };
  };

export const ofLights =
  (part: string, change: (lights: PlacedLight[]) => PlacedLight[]): PlanChange =>
  ({ parts }) => ({ type: "setLights", part, lights: change(still(parts, part).lights ?? []) });

type Rules = Plan["rules"];
type RulesOfSubject = "cards" | "carrier" | "house" | "power";

/** Some of the rules of one subject. */
export const ofRules =
  <Subject extends RulesOfSubject>(
    subject: Subject,
    change: Partial<NonNullable<Rules[Subject]>>,
  ): PlanChange =>
  ({ rules }) => ({ type: "setRules", [subject]: { ...rules[subject], ...change } });

type Hand = Position & { part: string };

/** A body or glass into a hand, with what else is in it. */
export const mounted =
  (hand: Hand, some: { body?: string; lens?: string }): PlanChange =>
  ({ parts }) => {
    const { body, lens } = setupOf(still(parts, hand.part), hand) ?? {};
    return { type: "mount", ...hand, body, lens, ...some };
  };

/** What is on the camera of a hand or under it. */
export const equipped =
  (hand: Hand, some: { shoe?: string | null; support?: string | null; unattended?: boolean }): PlanChange =>
  ({ parts }) => {
    const setup = setupOf(still(parts, hand.part), hand);
    return {
      type: "equip",
      ...hand,
      shoe: setup?.flash ?? setup?.trigger,
      support: setup?.support,
      unattended: !!setup?.unattended,
      ...some,
    };
  };
