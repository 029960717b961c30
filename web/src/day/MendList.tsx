import type { PlanEdit } from "../api/client";
import type { PlanChange } from "./planChange";

/** What would do about what is short; each was planned through before it is shown. */
export function MendList({
  mends,
  edit,
}: {
  mends: { label: string; edits: PlanEdit[]; then: string }[];
  edit: (...edits: PlanChange[]) => void;
}) {
  if (mends.length === 0) return null;
  return (
    <section aria-label="What would do" className="mt-3">
      <h2 className="text-[15px] font-bold">What would do</h2>
      <ul className="max-w-[62rem]">
        {mends.map((mend) => (
          <li key={mend.label} className="flex items-center gap-3 border-t border-rule py-1">
            <span className="flex-1">
              {mend.label}
              <span className="text-quiet">: {mend.then}</span>
            </span>
            <button className="webbing print:hidden" onClick={() => edit(...mend.edits)}>
              Do it
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
