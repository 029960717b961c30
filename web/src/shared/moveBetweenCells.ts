import type { KeyboardEvent } from "react";

const steps: Record<string, [rows: number, columns: number]> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
};

/** The first and the last of the row one is in. */
const ends: Record<string, number> = { Home: -1, End: 1 };

/** Rows further apart than this are different sections (the strands and the needs). */
const farApart = 50;

/**
 * Arrow keys walk the board: left and right to the neighbouring part, up and down to the next thing in the column; Home and End go to
 * the ends of a row.
 * Cells name themselves data-cell="row:column".
 */
export function moveBetweenCells(event: KeyboardEvent<HTMLElement>) {
  const step = steps[event.key];
  const end = ends[event.key];
  const here = (event.target as HTMLElement).dataset.cell?.split(":").map(Number);
  if ((!step && !end) || !here || event.defaultPrevented) return;
  const [row = 0, column = 0] = here;
  const cells = [...event.currentTarget.querySelectorAll<HTMLElement>("[data-cell]")].map((cell) => {
    const [r = 0, c = 0] = (cell.dataset.cell ?? "").split(":").map(Number);
    return { cell, r, c };
  });
  const distance = ({ r, c }: { r: number; c: number }) => {
    if (!step) return r === row && (c - column) * (end ?? 0) > 0 ? Math.abs(c - column) : 0;
    if (step[0] !== 0) return c === column ? (r - row) * step[0] : 0;
    const along = (c - column) * step[1];
    return along > 0 && Math.abs(r - row) < farApart ? along * farApart + Math.abs(r - row) : 0;
  };
  const next = cells
    .filter((c) => distance(c) > 0)
    .sort((a, b) => (distance(a) - distance(b)) * (step ? 1 : -1))[0];
  if (!next) return;
  event.preventDefault();
  next.cell.focus();
}
