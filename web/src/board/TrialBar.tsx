import { useEffect } from "react";
import { useLocation, useNavigate } from "react-router";
import { useDay, type Trial } from "../day/DayContext";
import type { Day } from "../day/dayModel";

const hanging = (day: Day) =>
  day.board.report.needs.filter((n) => n.importance !== "nice" && n.strands === 1).length;

/** Says that the board shows what would be, and what that changes. */
export function TrialBar({ trial, leave }: { trial: Trial; leave: () => void }) {
  const { day, asIs, edit } = useDay();
  if (!asIs) return null;
  const came = day.board.plan.items.filter((i) => !asIs.item(i.id));
  const went = asIs.board.plan.items.filter((i) => !day.item(i.id));
  const told = [
    `not covered ${asIs.board.report.gaps.length} → ${day.board.report.gaps.length}`,
    `hanging by one thing ${hanging(asIs)} → ${hanging(day)}`,
    came.length > 0 && `along: ${came.map((i) => i.name ?? i.id).join(", ")}`,
    went.length > 0 && `at home: ${went.map((i) => i.name ?? i.id).join(", ")}`,
  ].filter(Boolean);
  return (
    <section
      aria-label="Tried out"
      role="status"
      className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b-2 border-ink border-dashed bg-raised px-4 py-2"
    >
      <p className="min-w-0 flex-1 basis-96">
        <strong>As it would be, nothing of it kept:</strong> {trial.label}.{" "}
        <span className="text-quiet">{told.join("; ")}. What changes is outlined.</span>
      </p>
      <button className="webbing" onClick={() => edit(...trial.edits)}>
        Do it
      </button>
      <button className="webbing" onClick={leave}>
        Leave it <kbd className="font-normal max-[700px]:hidden">Esc</kbd>
      </button>
    </section>
  );
}

/** A page that found edits may send the user here to look at them. */
export function useTrialFromElsewhere(tryOut: (trial: Trial) => void, ready: boolean) {
  const { state } = useLocation() as { state: { trial?: Trial } | null };
  const navigate = useNavigate();
  const trial = state?.trial;
  useEffect(() => {
    if (!trial || !ready) return;
    tryOut(trial);
    void navigate(".", { replace: true, state: null });
  }, [trial, ready, tryOut, navigate]);
}
