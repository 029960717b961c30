import { useDraggable } from "@dnd-kit/core";
import { useMemo, type PointerEvent, type TouchEvent } from "react";

/** What a hand has hold of while it drags. */
export interface Held {
  item: string;
}

/** One draggable for a whole heap of things, whichever of them was touched: of a hundred that listen, each is asked at every move of the pointer. */
export function useHeldThing(id: string) {
  const held = useMemo<Held>(() => ({ item: "" }), []);
  const { setNodeRef, listeners } = useDraggable({ id, data: held });
  const pick =
    <E extends PointerEvent | TouchEvent>(listener?: (event: E) => void) =>
    (event: E) => {
      const tag = (event.target as Element).closest<HTMLElement>("[data-item]");
      if (!tag) return;
      held.item = tag.dataset.item ?? "";
      listener?.(event);
    };
  return {
    held,
    setNodeRef,
    hold: {
      onPointerDown: pick(listeners?.onPointerDown as (event: PointerEvent) => void),
      onTouchStart: pick(listeners?.onTouchStart as (event: TouchEvent) => void),
    },
  };
}
