import { Link } from "react-router";
import { useDay } from "../day/DayContext";
import { useLate } from "../shared/useLate";

interface Props {
  pending: boolean;
  pulling: boolean;
  togglePulling: () => void;
  putAllBack: () => void;
}

/** The one sentence above all: what could cost a picture, each thing linked to where it is. */
export function VerdictBar({ pending, pulling, togglePulling, putAllBack }: Props) {
  const { day, select, touchItem, pulls } = useDay();
  const { report, pull } = day.board;
  const slow = useLate(pending, 200);
  return (
    <section
      aria-label="Verdict"
      aria-busy={pending}
      className="flex flex-wrap items-start gap-x-6 gap-y-2 px-4 pt-2.5 pb-2"
    >
      <div className={`min-w-0 flex-1 basis-80 ${slow ? "opacity-60" : ""}`} aria-live="polite">
        <p className="text-xl leading-tight font-semibold" data-testid="verdict">
          {pull ? pull.headline : report.verdictParts.headline}
          {slow && <span className="ml-3 text-sm font-normal text-quiet">working it out …</span>}
        </p>
        {!pull && (
          <p className="mt-1 max-w-[62rem]">
            {report.verdictParts.details.map((piece, i) => {
              const { item, part, need } = piece;
              if (item)
                return (
                  <button
                    key={i}
                    className="font-semibold underline underline-offset-2"
                    onClick={() => touchItem(item)}
                  >
                    {piece.text}
                  </button>
                );
              if (part && need)
                return (
                  <button
                    key={i}
                    className="underline underline-offset-2"
                    onClick={() => select({ kind: "need", part, need })}
                  >
                    {piece.text}
                  </button>
                );
              return <span key={i}>{piece.text}</span>;
            })}
          </p>
        )}
        {pulling && (
          <p className="mt-1 text-quiet">
            Touch anything: a body, a lens, a small thing, a bag; on a strand also all of a camera or who
            carries it. It is gone, and you see what breaks.
          </p>
        )}
      </div>
      <div className="flex gap-2">
        <button className="webbing" onClick={() => select({ kind: "most" })}>
          What carries most
        </button>
        <Link to={`/${day.board.key}/what-if`} className="webbing">
          What if
        </Link>
        {(pulls.length > 0 || pulling) && (
          <button className="webbing" onClick={putAllBack}>
            Put all back <kbd className="font-normal max-[700px]:hidden">Esc</kbd>
          </button>
        )}
        <button className="webbing" aria-pressed={pulling} onClick={togglePulling}>
          {pulls.length > 0 ? `Pulled: ${pulls.length}` : "Pull test"}{" "}
          <kbd className="font-normal max-[700px]:hidden">P</kbd>
        </button>
      </div>
    </section>
  );
}
