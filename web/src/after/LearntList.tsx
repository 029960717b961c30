import type { LearntLine } from "../api/client";

const titles: Record<string, string> = {
  light: "Light",
  length: "How long",
  framesPerMinute: "How many pictures",
  distance: "How far away",
  hands: "In your hands",
  framesPerCharge: "A charge",
  isoCeiling: "Your ISO",
  health: "Single batteries",
};

interface Lines {
  title: string;
  lines: LearntLine[];
  use: (id: string, use: boolean) => void;
}

/** What past assignments teach, each figure with how many tell it; refused with one touch. */
export function LearntList({ title, lines, use }: Lines) {
  if (lines.length === 0) return null;
  const kinds = [...new Set(lines.map((l) => l.figure.kind))];
  return (
    <section aria-label={title}>
      <h2 className="text-[15px] font-bold">{title}</h2>
      {kinds.map((kind) => (
        <div key={kind}>
          <h3 className="mt-1 font-semibold text-quiet">{titles[kind] ?? kind}</h3>
          <ul>
            {lines
              .filter((l) => l.figure.kind === kind)
              .map((l) => (
                <Line key={l.figure.id} line={l} use={use} />
              ))}
          </ul>
        </div>
      ))}
    </section>
  );
}

function Line({ line: l, use }: { line: LearntLine; use: Lines["use"] }) {
  const { refused, assignments, from, value, id } = l.figure;
  const isTaken = l.now == null || l.now === String(value);
  // A figure of a thing is a figure of the locker: it is used once it stands there.
  const isUsed = !refused && isTaken;
  return (
    <li className="flex items-baseline gap-x-2 border-t border-rule py-0.5">
      <span className={`min-w-0 flex-1 ${refused ? "text-quiet line-through" : ""}`}>
        {l.said}{" "}
        <span className="text-quiet" title={from.join(", ")}>
          {assignments === 1 ? "from one assignment" : `from ${assignments} assignments`}
          {l.now != null && !isTaken && `; the locker says ${l.now}`}
        </span>
      </span>
      <button
        className="min-h-[24px] underline max-[700px]:min-h-[44px]"
        aria-label={`${isUsed ? "Do not use" : "Use"}: ${l.said}`}
        onClick={() => use(id, !isUsed)}
      >
        {isUsed ? "Do not use" : "Use it"}
      </button>
    </li>
  );
}
