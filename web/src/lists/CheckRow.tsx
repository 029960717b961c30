import type { CheckedLine } from "../api/client";
import { Strands } from "../marks/Strands";
import { time } from "../shared/format";

/** A line of a list, as large as a thumb; the whole of it ticks. */
export function CheckRow({
  line: { line, ticked, was },
  priceWord,
  toggle,
}: {
  line: CheckedLine;
  priceWord: string;
  toggle: () => void;
}) {
  const isDone = ticked != null;
  return (
    <li className="border-b border-rule print:break-inside-avoid print:text-[9.5px] print:leading-tight">
      <button
        role="checkbox"
        aria-checked={isDone}
        className="flex min-h-[44px] w-full items-center gap-3 py-1 text-left max-[700px]:min-h-[72px] print:min-h-0! print:gap-2 print:py-0.5"
        onClick={toggle}
      >
        <span
          aria-hidden
          className={`size-6 shrink-0 border-2 max-[700px]:size-8 print:size-3.5 ${isDone ? "border-quiet bg-quiet" : "border-ink"}`}
        />
        <span className="min-w-0 flex-1">
          <strong
            className={`block text-[15px] leading-tight print:text-[11px] ${isDone ? "font-semibold text-quiet line-through" : ""}`}
          >
            {line.text}
          </strong>
          <span className={was ? "font-semibold text-hangs" : "text-quiet"}>{under(line, ticked, was)}</span>
        </span>
        <Price cost={line.cost} word={priceWord} isDone={isDone} />
      </button>
    </li>
  );
}

/** Who ticked it and when; else why it is open again, or what it costs. */
function under(line: CheckedLine["line"], ticked: CheckedLine["ticked"], was: CheckedLine["was"]) {
  if (ticked) return [ticked.who, time(ticked.at)].filter(Boolean).join(", ");
  return was ? `ticked before as: ${was}` : line.why;
}

/** What it costs, in a strand and a word. */
const Price = ({
  cost,
  word,
  isDone,
}: {
  cost: CheckedLine["line"]["cost"];
  word: string;
  isDone: boolean;
}) => (
  <span
    className={`flex w-[7.5rem] shrink-0 flex-col items-end gap-0.5 max-[700px]:w-[5rem] print:w-[5rem] ${isDone ? "opacity-40" : ""}`}
  >
    {cost.price !== "comfort" && <Strands count={cost.strands} width={28} height={12} />}
    <span className="narrow text-right text-[11px] leading-tight print:text-[9px] text-quiet">{word}</span>
  </span>
);
