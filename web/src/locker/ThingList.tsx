import type { ThingView } from "../api/client";
import { moveBetweenCells } from "../shared/moveBetweenCells";

/** Everything that is not drawn elsewhere on the page, or, while one looks for something, all that was found. */
// Long: one list with its line.
export function ThingList({
  title,
  things,
  selected,
  select,
}: {
  title: string;
  things: ThingView[];
  selected: string | null;
  select: (id: string) => void;
}) {
  if (things.length === 0) return null;
  return (
    <section aria-label={title} className="border-t border-rule px-4 py-2" onKeyDown={moveBetweenCells}>
      <h2 className="text-[15px] font-bold">
        {title} <span className="font-normal text-quiet">{things.length}</span>
      </h2>
      <ul className="mt-1 grid grid-cols-[repeat(auto-fill,minmax(22rem,1fr))] gap-x-6 max-[700px]:grid-cols-1">
        {things.map((t, row) => (
          <li key={t.id} className="[contain-intrinsic-size:auto_26px] [content-visibility:auto]">
            <button
              data-thing={t.id}
              data-cell={`${row}:0`}
              tabIndex={row === 0 ? 0 : -1}
              aria-pressed={selected === t.id}
              onClick={() => select(t.id)}
              className={
                "narrow flex w-full items-baseline gap-2 border-b border-rule py-0.5 text-left max-[700px]:min-h-[44px] " +
                (selected === t.id ? "bg-ink text-ground" : "")
              }
            >
              <span className="w-[4.5rem] shrink-0 opacity-75">{t.kind}</span>
              <span className="font-semibold">{t.name}</span>
              <span className="min-w-0 flex-1 truncate opacity-80">{t.line}</span>
              <span className={`font-semibold ${selected === t.id ? "" : "text-hangs"}`}>
                {[t.away, t.alone && "alone", ...t.warnings].filter(Boolean).join(", ")}
              </span>
              <span className="opacity-75">{t.owner}</span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
