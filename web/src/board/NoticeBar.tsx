import type { PlanEdit } from "../api/client";
import type { Notice } from "./useBoard";

/** A change that was not made: what is wrong, where, and how to mend it. */
export function NoticeBar({
  notice,
  dismiss,
  again,
}: {
  notice: Notice;
  dismiss: () => void;
  again: (edits: PlanEdit[]) => void;
}) {
  const { again: edits } = notice;
  return (
    <div
      role="alert"
      className="flex flex-wrap items-center gap-x-4 gap-y-1 border-y-2 border-broken bg-raised px-4 py-2"
    >
      <div className="flex-1 basis-80">
        <strong>{notice.title}</strong>
        <ul>
          {notice.lines.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      </div>
      {edits && (
        <button className="webbing" onClick={() => again(edits)}>
          Make my change on the new plan
        </button>
      )}
      <button className="webbing" onClick={dismiss}>
        {edits ? "Leave it" : "Close"}
      </button>
    </div>
  );
}
