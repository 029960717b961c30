import { ProblemError } from "../api/client";
import type { PlanChange } from "../day/planChange";
import { Problem } from "../shared/Problem";
import type { Notice } from "../day/useBoard";

/** A change that was not made, and what can be done about it. */
export function NoticeBar({
  notice,
  dismiss,
  again,
}: {
  notice: Notice;
  dismiss: () => void;
  again: (edits: PlanChange[]) => void;
}) {
  const { again: edits } = notice;
  return (
    <Problem error={new ProblemError(0, notice.title, notice.lines)}>
      {edits && (
        <button className="webbing" onClick={() => again(edits)}>
          Make my change on the new plan
        </button>
      )}
      <button className="webbing" onClick={dismiss}>
        {edits ? "Leave it" : "Close"}
      </button>
    </Problem>
  );
}
