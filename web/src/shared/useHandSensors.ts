import { PointerSensor, TouchSensor, useSensor, useSensors } from "@dnd-kit/core";

// A press that does not travel is a touch; on a touch screen a drag begins with a hold, so that the page still scrolls. Made once:
// with other options, however alike, everything that can be dragged is drawn anew.
const afterTravel = { activationConstraint: { distance: 6 } };
const afterHold = { activationConstraint: { delay: 200, tolerance: 8 } };

/** How a hand begins to drag, on every page alike. */
export const useHandSensors = () =>
  useSensors(useSensor(PointerSensor, afterTravel), useSensor(TouchSensor, afterHold));
