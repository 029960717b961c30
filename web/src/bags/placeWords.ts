export const wornWords = {
  shoulders: "on the shoulders",
  hips: "on the hips",
  hands: "in the hand",
  wheels: "on wheels",
  stays: "stays where it is",
} as const;

export const travelWords = {
  car: "by car",
  train: "by train, beside you",
  cabin: "in the cabin",
  hold: "in the hold",
} as const;

/** A camera that hangs is on somebody; the shoulders are what is usual. */
export const camerasOnWords = { hips: "on a belt", hands: "in the hand" } as const;
