import type { Outcome, Step, Weighed } from "../api/client";
import { number, seconds, shutter } from "./format";

export type NameOf = (id: string) => string;

export const outcomeWord: Record<Outcome, string> = {
  holds: "holds",
  thins: "second best",
  late: "late",
  lost: "lost",
};

const several: Record<string, string> = {
  body: "bodies",
  cells: "sets of cells",
  lens: "lenses",
  flash: "flashes",
  battery: "batteries",
  powerbank: "power banks",
  carry: "pieces of carrying gear",
  other: "other things",
};
const one: Record<string, string> = {
  cells: "set of cells",
  powerbank: "power bank",
  carry: "piece of carrying gear",
  other: "other thing",
};

/** "2 lenses", "1 set of cells". */
export const countOf = (kind: string, count: number) =>
  `${count} ${count === 1 ? (one[kind] ?? kind) : (several[kind] ?? `${kind}s`)}`;

/** Names in a row, no more than one reads: the others are counted. */
export const few = (names: string[], most = 3) =>
  names.length <= most + 1
    ? names.join(" and ")
    : `${names.slice(0, most).join(", ")} and ${names.length - most} more`;

/** What the strand mark of a need, part or item says to those who do not see it. */
export const strandWord = [
  "not covered",
  "hangs by one thing",
  "survives any one failure",
  "survives any two failures",
];

export function stepText(step: Step, name: NameOf) {
  const what = (step.items ?? [step.item]).map(name).join(", ");
  switch (step.action) {
    case "fetch":
      return `take ${what} from ${step.from ? name(step.from) : "its stand"}`;
    case "borrow":
      return `get ${what} from ${name(step.from ?? "")}`;
    case "raise":
      return `raise ${what}`;
    case "changeLens":
      return `put on ${what}`;
    case "fitAdapter":
      return `fit ${what}`;
    case "fitFlash":
      return `fit ${what}`;
    case "fitSupport":
      return `put it on ${what}`;
    case "fitFilter":
      return `screw in ${what}`;
    case "placeLight":
      return `put ${what} on the stand`;
    case "changeBattery":
      return `put in ${what}`;
    case "changeCard":
      return `put in ${what}`;
  }
}

const shortfall: Record<string, (w: Weighed) => string> = {
  tooShort: (w) => `too short, crop ${number(w.fit.factor)}×`,
  tooLong: (w) => `too long ${number(w.fit.factor)}×`,
  megapixels: (w) => `only ${number(w.fit.megapixelsLeft)} MP left`,
  notCloseEnough: (w) => `frame ${number(w.fit.frameMm ?? 0)} mm wide`,
  tubeTooClose: () => "the tube focuses too close",
  iso: (w) => `${number(w.fit.stopsOver)} stops over`,
  noise: () => "can be heard",
  frameRate: () => "too few frames a second",
  bufferFull: () => "buffer full before the burst is over",
  stillWriting: () => "still writing when what follows begins",
  lightNotWanted: () => "asks for other light",
  support: () => "needs a tripod or monopod",
  tooMuchLight: (w) => `too bright by ${number(w.fit.ndStops)} stops, an ND would mend it`,
  notSoftEnough: (w) => `background too sharp at f/${number(w.fit.fNumber)}`,
  banding: () => "may band under this light",
  colour: () => "flash of another colour",
  flashShort: () => "flash too weak or slow",
  noBlur: (w) => `cannot be held still long enough, frozen at ${shutter(w.fit.shutterSeconds)}`,
  shutterTooFast: (w) => `the body has no faster shutter than ${shutter(w.fit.shutterSeconds)}`,
  fewerLights: () => "fewer lights than asked",
  onCamera: () => "flash on the camera, not on a stand",
  widerThanAsked: () => "wider than asked, still the picture",
  tighterThanAsked: () => "tighter than asked, still the picture",
  doubtful: () => "sometimes works",
  oneRecord: () => "one card only",
};

/** Why a way is second best or no use, in a few words; nothing for a full one. */
export function shortfallText(w: Weighed) {
  const causes = w.noFor.length > 0 ? w.noFor : w.secondBestFor;
  return causes.map((cause) => shortfall[cause]?.(w) ?? cause).join(", ");
}

export function waitText(wait: number | null | undefined) {
  return wait == null ? "can wait" : `within ${seconds(wait)}`;
}

/** Light one likes to work by. */
export const lightsLiked = [
  ["available", "the light there is"],
  ["bounce", "flash, bounced"],
  ["stands", "lights on stands"],
  ["continuous", "continuous light"],
] as const;
