import type { Outcome } from "../api/client";
import { strandWord } from "../shared/words";

interface Props {
  /** 0 broken, 1 hangs by one thing, 2, 3 for three and more. */
  count: number;
  /** Second best is drawn in thin thread. */
  outcome?: Outcome;
  width?: number | "full";
  height?: number;
  /** Without a label the mark is decoration beside words that say the same. */
  label?: string;
  breaking?: boolean;
}

const colour = ["var(--broken)", "var(--hangs)", "var(--holds)", "var(--holds)"];

/**
 * The sign of the whole interface: parallel threads for what carries a thing, one for what hangs by one, a broken one
 * for what nothing carries. It reads without colour.
 */
export function Strands({ count, outcome, width = 20, height = 12, label, breaking }: Props) {
  const broken = count === 0;
  const rows = broken ? [0.5] : ([[0.5], [0.28, 0.72], [0.14, 0.5, 0.86]][Math.min(count, 3) - 1] ?? []);
  const thread = outcome === "thins" ? 1 : Math.max(2, height / 6);
  return (
    <svg
      role={label ? "img" : undefined}
      aria-label={label ? `${label}: ${strandWord[Math.min(count, 3)]}` : undefined}
      aria-hidden={label ? undefined : true}
      width={width === "full" ? "100%" : width}
      height={height}
      className="shrink-0"
    >
      {rows.map((y) => (
        <line
          key={y}
          x1="0"
          x2="100%"
          y1={y * height}
          y2={y * height}
          stroke={colour[Math.min(count, 3)]}
          strokeWidth={broken ? thread + 0.5 : thread}
          strokeDasharray={broken ? "5 4" : undefined}
          className={broken && breaking ? "breaks" : undefined}
        />
      ))}
    </svg>
  );
}
