import { useEffect } from "react";

/** Where the focus was last in what stays when a panel closes. */
let lastInMain: HTMLElement | null = null;

const isThere = (element: HTMLElement | null): element is HTMLElement =>
  !!element?.isConnected && !element.matches(":disabled") && element.getClientRects().length > 0;

/** The element itself or, if it takes none, made to take the focus. */
function focus(element: HTMLElement) {
  if (element.tabIndex < 0 && !element.hasAttribute("tabindex")) element.tabIndex = -1;
  element.focus({ preventScroll: true });
}

/** To where one was on the page itself, else to the first place of the board, else to the page's main part. */
export function focusMain() {
  const to = isThere(lastInMain) ? lastInMain : (firstCell() ?? document.querySelector<HTMLElement>("main"));
  if (to) focus(to);
}

/** Where the arrow keys begin. */
const firstCell = () => document.querySelector<HTMLElement>('main [data-first-cell] [data-cell="0:0"]');

/** Into the panel that is open; false where there is none. */
export function focusPanel() {
  const panel = document.querySelector<HTMLElement>("[data-panel]");
  if (panel) focus(panel);
  return !!panel;
}

/** To the panel that is about to open, or else to the page. */
export function focusOpened(frames = 20) {
  if (focusPanel()) return;
  if (frames === 0) focusMain();
  else requestAnimationFrame(() => focusOpened(frames - 1));
}

/**
 * The focus never falls to the page: when what has it goes away or can no longer take it (a panel that closes, a button that has nothing
 * left to do, a page that is left), it goes to the panel it was in, if that is still there, and else back to where it was before.
 */
export function useFocusKept() {
  useEffect(() => {
    let last: HTMLElement | null = null;
    let panel: Element | null = null;
    const note = (event: FocusEvent) => {
      last = event.target as HTMLElement;
      panel = last.closest("[data-panel]");
      if (last.closest("main") && !last.matches("main")) lastInMain = last;
    };
    const keep = () => {
      const at = document.activeElement;
      // A page that is being opened has its board a moment later.
      if (at?.matches("main") && firstCell()) return focus(firstCell()!);
      if (at && at !== document.body) return;
      // Nothing had it yet, or whoever touched bare page meant to have nothing in focus.
      if (!last || isThere(last)) return;
      if (panel?.isConnected) focusPanel();
      else focusMain();
    };
    const watch = new MutationObserver(keep);
    watch.observe(document.body, {
      childList: true,
      subtree: true,
      attributeFilter: ["disabled", "tabindex"],
    });
    document.addEventListener("focusin", note);
    return () => {
      watch.disconnect();
      document.removeEventListener("focusin", note);
    };
  }, []);
}
