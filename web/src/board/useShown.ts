import { useEffect } from "react";
import type { Selection } from "../day/useDayUrl";

/** Keeps in view what is selected: a panel that opens takes room from the day. */
export function useShown(selection: Selection | null, ready: boolean) {
  const part = selection && "part" in selection ? selection.part : null;
  const mark =
    selection?.kind === "need"
      ? `[data-need="${selection.part}/${selection.need}"]`
      : selection?.kind === "hand"
        ? `[data-hand="${selection.part}/${selection.person}/${selection.position}"]`
        : selection?.kind === "item"
          ? `[data-item="${selection.item}"]`
          : part
            ? `[data-part="${part}"]`
            : null;
  useEffect(() => {
    const main = document.querySelector("main");
    if (!mark || !ready || !main) return;
    const show = () => {
      const at = main.querySelector(mark);
      if (!at) return;
      const [room, here] = [main.getBoundingClientRect(), at.getBoundingClientRect()];
      const seen = here.top >= room.top && here.bottom <= room.bottom;
      at.scrollIntoView({ block: seen ? "nearest" : "center", inline: "nearest" });
    };
    // At once, and again as the panel fills and takes more room.
    const watch = new ResizeObserver(show);
    watch.observe(main);
    return () => watch.disconnect();
  }, [mark, ready]);
}
