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
export const figure = (value: string) => (value.trim() === "" ? null : Number(value.replace(/^f\//, "")));
export const range = (value: string): [number, number] | null => {
  const ends = value
    .split(/[-–]/)
    .map(Number)
    .filter((n) => n > 0);
  return ends.length === 0 ? null : [ends[0] ?? 0, ends[1] ?? ends[0] ?? 0];
};
