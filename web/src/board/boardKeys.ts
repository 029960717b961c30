/** What the keys do on the day board. */
export const boardKeys: [string, string][] = [
  ["P", "pull test: the next touch takes a thing away"],
  ["Esc", "put everything back, or close what is open"],
  ["← → ↑ ↓", "move over the board"],
  ["Enter", "see why, or change what is there"],
  ["← → on a join", "move it by 5 minutes"],
  ["Ctrl Z, Ctrl Shift Z", "undo, redo"],
  ["?", "these keys"],
];
