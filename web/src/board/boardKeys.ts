/** What the keys do on the day board. */
export const boardKeys: [string, string][] = [
  ["P", "pull test: the next touch takes a thing away"],
  ["Shift F", "propose the setups with the fewest changes"],
  ["Esc", "put everything back, or close what is open"],
  ["/", "find a part, a need, a thing, a person, a day, or what to do"],
  ["← → ↑ ↓", "move over the board"],
  ["Home, End", "to the first and the last part of a row"],
  ["F6", "from the board into the panel, and back"],
  ["Enter", "see why, or change what is there"],
  ["← → on a join", "move it by 5 minutes"],
  ["Ctrl Z, Ctrl Shift Z", "undo, redo"],
  ["?", "these keys"],
];

export type BoardKey = "pull" | "fewest" | "undo" | "redo" | "help" | "escape" | "panel";

/** The board's shortcuts; none while something is being typed. */
export function boardKeyOf(event: KeyboardEvent, typing: boolean): BoardKey | undefined {
  if (event.defaultPrevented) return undefined;
  if (event.key === "Escape") return "escape";
  if (event.key === "F6" && !event.ctrlKey && !event.altKey) return "panel";
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
