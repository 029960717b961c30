/** A text with one of its lines, by its number from 1, written otherwise. */
export const withLine = (text: string, number: number, change: (line: string) => string) =>
  text
    .split("\n")
    .map((line, at) => (at === number - 1 ? change(line) : line))
    .join("\n");
