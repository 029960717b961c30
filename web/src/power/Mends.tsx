import type { PowerPage } from "./Power";

/** What would do about what is short; each was planned through before it is shown. */
export function Mends({ power, edit }: PowerPage) {
  if (power.mends.length === 0) return null;
  return (
    <section aria-label="What would do" className="mt-3">
      <h2 className="text-[15px] font-bold">What would do</h2>
      <ul className="max-w-[62rem]">
        {power.mends.map((mend) => (
          <li key={mend.label} className="flex items-center gap-3 border-t border-rule py-1">
            <span className="flex-1">
              {mend.label}
              <span className="text-quiet">
                {mend.stillShort === 0
                  ? ": then there is enough, whichever one dies"
                  : `: then ${mend.stillShort} ${mend.stillShort === 1 ? "is" : "are"} still short`}
              </span>
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
