import { createContext, useContext } from "react";
import type { PartAsUsed, PlanEdit, ProblemError } from "../api/client";
import type { Day } from "./dayModel";
import type { PlanChange } from "./planChange";
import type { Pull } from "./pulls";
import type { Selection } from "./useDayUrl";

/** Edits that may be looked at on the board before they are made. */
export interface Trial {
  label: string;
  edits: PlanEdit[];
}

/** What every piece of the board needs: the day, what is selected, and what can be done. */
export interface DayActions {
  day: Day;
  selection: Selection | null;
  select: (selection: Selection | null) => void;
  edit: (...edits: PlanChange[]) => void;
  /** For forms: they close only when the change was made. */
  editThen: (edits: PlanEdit[], made: () => void, refused?: (error: ProblemError) => void) => void;
  /** Shows the day as it would be with some edits, nothing of it kept. */
  tryOut: (trial: Trial) => void;
  /** While edits are tried out, the day as it is. */
  asIs: Day | null;
  /** Whether the next touch pulls a thing. */
  pulling: boolean;
  togglePull: (pull: Pull) => void;
  changePull: (pull: Pull) => void;
  /** Pulls while pulling, else shows. */
  touchItem: (item: string, part?: string) => void;
  pulls: string[];
  /** What each part really used, once its pictures were read. */
  was: PartAsUsed[] | undefined;
}

export const DayContext = createContext<DayActions | null>(null);

export function useDay(): DayActions {
  const actions = useContext(DayContext);
  if (!actions) throw new Error("useDay outside a board");
  return actions;
}
