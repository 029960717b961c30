import { useDay } from "../day/DayContext";
import type { Report } from "../api/client";
import { said } from "../shared/format";
import { useLate } from "../shared/useLate";

type VerdictPiece = Report["verdictParts"]["details"][number];

/** The one sentence above all: what could cost a picture. */
export function VerdictBar({
  pending,
  pulling,
  phone,
}: {
  pending: boolean;
  pulling: boolean;
  phone: boolean;
}) {
  const { day } = useDay();
  const { report, pull } = day.board;
  const slow = useLate(pending, 200);
  return (
    <div className={`min-w-0 flex-1 basis-80 ${slow ? "opacity-60" : ""}`} aria-live="polite">
      <p
        className="text-xl leading-tight font-semibold max-[700px]:line-clamp-2 max-[700px]:text-[17px] [@media(max-height:520px)]:line-clamp-1"
        data-testid="verdict"
      >
        {pull ? pull.headline : report.verdictParts.headline}
        {slow && <span className="ml-3 text-sm font-normal text-quiet">working it out …</span>}
      </p>
      {!phone && <VerdictDetails pulling={pulling} />}
    </div>
  );
}

/** The same thing by thing, each linked to where it is. */
export function VerdictDetails({ pulling }: { pulling: boolean }) {
  const { report, pull } = useDay().day.board;
  return (
    <>
      {!pull && (
        <p className="mt-1 max-w-[62rem]">
          {report.verdictParts.details.map((piece, i) => (
            <Piece key={i} piece={piece} />
          ))}
        </p>
      )}
      {pulling && (
        <p className="mt-1 text-quiet">
          Touch anything: a body, a lens, a small thing, a bag; on a strand also all of a camera or who
          carries it. It is gone, and you see what breaks.
        </p>
      )}
    </>
  );
}

function Piece({ piece }: { piece: VerdictPiece }) {
  const { item, part, need } = piece;
  const text = said(piece);
  const { select, touchItem } = useDay();
  if (item)
    return (
      <button className="font-semibold underline underline-offset-2" onClick={() => touchItem(item)}>
        {text}
      </button>
    );
  if (part && need)
    return (
      <button className="underline underline-offset-2" onClick={() => select({ kind: "need", part, need })}>
        {text}
      </button>
    );
  return <span>{text}</span>;
}

/** What is done from here most: beside the verdict, and under the thumb on a phone. */
export function DayActions({
  pulling,
  togglePulling,
  putAllBack,
}: {
  pulling: boolean;
  togglePulling: () => void;
  putAllBack: () => void;
}) {
  const { select, pulls } = useDay();
  return (
    <div className="flex gap-2">
      <button className="webbing" onClick={() => select({ kind: "most" })}>
        What carries most
      </button>
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
  );
}
