import type { Forms } from "../shared/useTyped";
import type { BounceColour, DepthPreset, LightKind, Motion, Subject } from "../api/client";

// The words a need is put in; what each comes to is the server's to say.

export const worths = [
  ["once", "once"],
  ["must", "must"],
  ["nice", "nice"],
] as const;
export const subjects: [Subject, string][] = [
  ["face", "a face"],
  ["halfLength", "a half-length"],
  ["fullLength", "a person"],
  ["couple", "a couple"],
  ["row", "a row, 4.5 m wide"],
  ["group", "a group"],
  ["room", "a room"],
  ["ring", "a ring, close up"],
  ["athlete", "an athlete"],
];
export const motions: [Motion, string][] = [
  ["still", "still"],
  ["talking", "talking"],
  ["walking", "walking"],
  ["dancing", "dancing"],
  ["running", "running"],
  ["wheels", "on wheels"],
];
export const depths: [DepthPreset, string][] = [
  ["one", "one person"],
  ["couple", "a couple, f/3.2"],
  ["row", "a row, f/5.6"],
  ["group", "a group, f/8"],
  ["ring", "a ring, f/8"],
];
export const colours: [BounceColour, string][] = [
  ["white", "white, 2 stops"],
  ["pale", "pale, 3 stops"],
  ["dark", "dark, 4 stops"],
];
export const lightKinds: [LightKind, string][] = [
  ["ambient", "the light there is"],
  ["flash", "flash on the camera"],
  ["stands", "lights in the room"],
  ["continuous", "continuous light"],
];

export const text = (value: number | null | undefined) => (value == null ? "" : String(value));

/** What each field of a need asks for. */
export const forms: Forms = {
  near: "metres",
  far: "metres",
  people: "count",
  rows: "count",
  room: "metres",
  focal: "millimetresRange",
  accept: "millimetresRange",
  tallest: "metres",
  smallest: "metres",
  close: "millimetres",
  closeMax: "millimetres",
  shutter: "shutter",
  blur: "shutter",
  fps: "framesPerSecond",
  burst: "seconds",
  dueFrames: "count",
  dueMinutes: "number",
  ready: "seconds",
  fNumber: "fNumber",
  depthM: "metresRange",
  soft: "fNumber",
  megapixels: "megapixels",
  print: "centimetres",
  wait: "seconds",
  lasts: "seconds",
  warning: "seconds",
  ceiling: "metres",
  path: "metres",
  loss: "stops",
  lights: "count",
  lightM: "metres",
  lightLoss: "stops",
};

const fields: [string, string][] = [
  ["framing.distanceM[1]", "far"],
  ["framing.distanceM", "near"],
  ["framing.tallestM", "tallest"],
  ["framing.smallestM", "smallest"],
  ["focal", "focal"],
  ["accept", "accept"],
  ["closeWidthMaxMm", "closeMax"],
  ["closeWidthMm", "close"],
  ["shortestShutterSeconds", "blur"],
  ["shutterSeconds", "shutter"],
  ["fps", "fps"],
  ["burstSeconds", "burst"],
  ["due.frames", "dueFrames"],
  ["due.minutes", "dueMinutes"],
  ["readySeconds", "ready"],
  ["minFNumber", "fNumber"],
  ["maxFNumber", "soft"],
  ["depthM", "depthM"],
  ["minMegapixels", "megapixels"],
  ["deliverable", "print"],
  ["toleranceSeconds", "wait"],
  ["momentSeconds", "lasts"],
  ["warningSeconds", "warning"],
  ["bounceLossStops", "loss"],
  ["bounce", "ceiling"],
  ["flashPathM", "path"],
  ["stands.count", "lights"],
  ["stands.distanceM", "lightM"],
  ["stands.lossStops", "lightLoss"],
  ["people", "people"],
  ["rows", "rows"],
  ["roomM", "room"],
  ["nearM", "near"],
  ["farM", "far"],
];

/** The field of the form that a field of the plan file was typed into; "" where it is none of them. */
export const fieldOf = (path: string) => {
  const own = path.replace(/^parts\[\d+\]\.needs\[\d+\]\./, "").replace(/^need\./, "");
  return fields.find(([file]) => own.startsWith(file))?.[1] ?? "";
};
