import { Select } from "../shared/Select";
import { useState } from "react";
import { PageHeader } from "../shared/PageHeader";
import { useLocker } from "./useLocker";

/** A sheet of tags to cut out; the square on each opens its thing here. */
// Long: the markup of a sheet.
export function Labels() {
  const { data: page } = useLocker(undefined, undefined);
  const [kind, setKind] = useState("");
  const things = (page?.report.things ?? []).filter(
    (t) => t.status !== "retired" && t.status !== "lost" && (!kind || t.kind === kind),
  );
  const kinds = [...new Set(page?.report.things.map((t) => t.kind))];
  return (
    <>
      <div className="print:hidden">
        <PageHeader title="Locker" aside="labels" view="Labels" />
        <div className="flex items-center gap-3 px-4 py-3">
          <h1 className="text-xl font-semibold" data-testid="verdict">
            {things.length} tags on {Math.ceil(things.length / 40)} {things.length > 40 ? "sheets" : "sheet"}
          </h1>
          <Select aria-label="Kind" className="webbing font-normal" value={kind} choose={setKind}>
            <option value="">every kind</option>
            {kinds.map((k) => (
              <option key={k}>{k}</option>
            ))}
          </Select>
          <button className="webbing" onClick={() => print()}>
            Print
          </button>
          <span className="text-quiet">A tag opens its thing on this machine.</span>
        </div>
      </div>
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(11.5rem,1fr))] gap-2 bg-white px-4 py-2 text-black print:grid-cols-4">
        {things.map((t) => (
          <li key={t.id} className="flex break-inside-avoid items-center gap-2 border border-black p-1.5">
            <img
              src={`/api/locker/things/${encodeURIComponent(t.id)}/tag.svg`}
              alt=""
              width="64"
              height="64"
              loading="lazy"
            />
            <span className="min-w-0 text-[12px] leading-tight">
              <span className="block font-bold">{t.name}</span>
              <span className="block">{t.owner}</span>
              {t.number != null && <span className="block text-[16px] font-bold">{t.number}</span>}
            </span>
          </li>
        ))}
      </ul>
    </>
  );
}
