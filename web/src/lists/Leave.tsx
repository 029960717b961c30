import type { CheckedLists } from "../api/client";
import { TypedInFull } from "../shared/TypedInFull";
import { time } from "../shared/format";

/** Leaving home: at once where nothing that matters is open, else typed in full. */
export function Leave({
  lists: { phrase, departed },
  depart,
}: {
  lists: CheckedLists;
  depart: (words: string | null) => void;
}) {
  return (
    <section aria-label="Leave" className="my-4 print:hidden">
      {departed && (
        <p role="note">
          {departed.who ?? "Somebody"} left at {time(departed.at)}
          {departed.text ? `: ${departed.text}` : ", with everything that matters"}.
        </p>
      )}
      {phrase == null ? (
        <button className="webbing max-[700px]:min-h-[44px]" onClick={() => depart(null)}>
          I leave now
        </button>
      ) : (
        <TypedInFull ask="Leave all the same …" phrase={phrase} label="I leave now" done={depart} />
      )}
    </section>
  );
}
