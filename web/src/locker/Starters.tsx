import type { LockerPage } from "../api/client";
import { changes, useLockerChange } from "./useLocker";

/** Generic kinds with typical figures: a touch writes the line, and it says what is still to be told. */
export function Starters({ page, write }: { page: LockerPage; write: (line: string) => void }) {
  const change = useLockerChange();
  const empty = page.report.things.length === 0;
  return (
    <details open={empty} className="border-t border-rule px-4 py-1.5">
      <summary className="font-semibold">Begin from a usual kind</summary>
      <ul className="mt-1 flex flex-wrap gap-1">
        {page.starters.map((s) => (
          <li key={s.name}>
            <button className="tag" title={s.line} onClick={() => write(s.line)}>
              {s.name}
            </button>
          </li>
        ))}
      </ul>
      {empty && page.hasDemo && (
        <p className="mt-2">
          Or{" "}
          <button className="underline" onClick={() => change.mutate(changes.demo)}>
            open the demo locker
          </button>{" "}
          to see what a full one tells.
        </p>
      )}
    </details>
  );
}
