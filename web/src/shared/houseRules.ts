import type { Plan, Report } from "../api/client";

export type HouseRule = Report["house"][number];

/** Each rule of the house: its switch, its words, and what is missing where it is not kept. */
export const houseRules: [
  keyof Omit<Plan["rules"]["house"], "extra">,
  string,
  (lacking: number) => string,
][] = [
  ["twoBodiesEach", "two working bodies each", (n) => `${n} ${n === 1 ? "body" : "bodies"} short`],
  [
    "leadAlone",
    "the lead alone could do every once and must",
    (n) => `${n} ${n === 1 ? "need" : "needs"} not without the others`,
  ],
  [
    "cellsForEachFlash",
    "one full change of cells for each flash",
    (n) => `${n} ${n === 1 ? "set" : "sets"} short`,
  ],
  [
    "twoSenders",
    "two senders where stand lights are asked",
    (n) => `${n} ${n === 1 ? "sender" : "senders"} short`,
  ],
];

/** A rule that is not kept, with what is missing. */
export function ruleShort(rule: HouseRule) {
  const [, words, short] = houseRules.find(([kind]) => kind === rule.kind) ?? ["", rule.kind, String];
  return `${words} (${short(rule.lacking)})`;
}
