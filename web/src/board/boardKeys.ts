/** What the keys do on the day board. */
export const boardKeys: [string, string][] = [
  ["P", "pull test: the next touch takes a thing away"],
  ["Shift F", "propose the setups with the fewest changes"],
  ["Esc", "put everything back, or close what is open"],
  ["← → ↑ ↓", "move over the board"],
  ["Enter", "see why, or change what is there"],
  ["← → on a join", "move it by 5 minutes"],
  ["Ctrl Z, Ctrl Shift Z", "undo, redo"],
  ["?", "these keys"],
];

export type BoardKey = "pull" | "fewest" | "undo" | "redo" | "help" | "escape";

/** The board's shortcuts; none while something is being typed. */
export function boardKeyOf(event: KeyboardEvent, typing: boolean): BoardKey | undefined {
  if (event.defaultPrevented) return undefined;
  if (event.key === "Escape") return "escape";
  if (typing || event.altKey) return undefined;
  const key = event.key.toLowerCase();
  if (event.ctrlKey || event.metaKey) {
    if (key === "z") return event.shiftKey ? "redo" : "undo";
    return key === "y" ? "redo" : undefined;
  }
  if (key === "p") return "pull";
  if (key === "f" && event.shiftKey) return "fewest";
  return key === "?" ? "help" : undefined;
}
