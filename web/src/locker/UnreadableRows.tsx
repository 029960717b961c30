import type { LockerPage } from "../api/client";
import { changes, useLockerChange } from "./useLocker";

/** What of the locker is kept but cannot be read: why, its file as it is, and the way to be rid of it. */
export function UnreadableRows({ rows }: { rows: LockerPage["unreadable"] }) {
  const change = useLockerChange();
  if (rows.length === 0) return null;
  return (
    <section aria-label="Cannot be read" className="border-b-2 border-broken px-4 py-2">
      <h2 className="font-bold text-broken">
        {rows.length === 1 ? "One thing is" : `${rows.length} things are`} kept but cannot be read; the others
        are not touched by it
      </h2>
      <ul>
        {rows.map(({ key, reason }) => (
          <li key={key} className="flex flex-wrap items-baseline gap-3">
            <span className="font-semibold">{key}</span>
            <span className="min-w-0 flex-1 text-quiet">{reason}</span>
            <a className="underline" href={`/api/locker/rows/${encodeURIComponent(key)}/raw`} download>
              Save it as it is
            </a>
            <button className="webbing" onClick={() => change.mutate(() => changes.drop(key))}>
              Remove {key}
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
