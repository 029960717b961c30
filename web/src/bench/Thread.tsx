import type { threadOf } from "./benchModel";

/** A stretch of a bench: whole threads hold, a thin one is second best, a broken one does not serve. */
export function Thread({
  kind,
  x1,
  x2,
  y,
}: {
  kind: ReturnType<typeof threadOf>;
  x1: number;
  x2: number;
  y: number;
}) {
  const ends = { x1, x2: Math.max(x2, x1 + 12) };
  if (kind === "whole")
    return (
      <g stroke="var(--holds)" strokeWidth="2.5">
        <line {...ends} y1={y - 2.5} y2={y - 2.5} />
        <line {...ends} y1={y + 2.5} y2={y + 2.5} />
      </g>
    );
  return (
    <line
      {...ends}
      y1={y}
      y2={y}
      stroke={kind === "thin" ? "var(--hangs)" : "var(--quiet)"}
      strokeWidth={kind === "thin" ? 1.5 : 2}
      strokeDasharray={kind === "thin" ? undefined : "5 4"}
    />
  );
}
