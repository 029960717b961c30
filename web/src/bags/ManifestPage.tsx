import { useQuery } from "@tanstack/react-query";
import { useParams, useSearchParams } from "react-router";
import { answer, api, type Manifest } from "../api/client";
import { AssignmentBar } from "../assignment/AssignmentBar";
import { useBoard } from "../day/useBoard";
import { PageHeader } from "../shared/PageHeader";
import { PrintButton } from "../shared/PrintButton";
import { Problem } from "../shared/Problem";
import { number, weight } from "../shared/format";

/** Everything that comes along, bag by bag, for customs, hire and insurance. */
export function ManifestPage() {
  const key = useParams().assignment ?? "";
  const [search] = useSearchParams();
  const { board } = useBoard(key, []);
  const { data, error } = useQuery({
    queryKey: ["board", key, "manifest"],
    queryFn: ({ signal }) =>
      answer(api.GET("/api/assignments/{key}/bags/manifest", { signal, params: { path: { key } } })),
  });
  if (error)
    return (
      <main className="p-6">
        <Problem error={error} />
      </main>
    );
  const name = board?.plan.assignment.name ?? "";
  return (
    <div className="flex h-full flex-col">
      <PageHeader view={`${name} · Manifest`} phoneTitle={name} />
      <AssignmentBar view="bags" assignment={key} name={name} query={search}>
        <a className="underline" href={`/api/assignments/${encodeURIComponent(key)}/bags/manifest.csv`}>
          As a table (CSV)
        </a>
        <PrintButton />
      </AssignmentBar>
      <main
        tabIndex={0}
        aria-label="Manifest"
        className="min-h-0 flex-1 overflow-auto px-4 py-3 print:overflow-visible print:p-0"
      >
        {data ? <Lines manifest={data} /> : <p className="text-quiet">Listing …</p>}
      </main>
    </div>
  );
}

const missing = ({ unvalued, unnumbered }: Manifest) =>
  [
    unvalued > 0 && `${number(unvalued)} cameras, lenses and lights without a value`,
    unnumbered > 0 && `${number(unnumbered)} without a serial number`,
  ]
    .filter(Boolean)
    .join(", ");

function Lines({ manifest }: { manifest: Manifest }) {
  const { lines } = manifest;
  const lacks = missing(manifest);
  const kilos = weight(lines.reduce((sum, l) => sum + l.grams, 0));
  return (
    <>
      <p className="text-xl leading-tight font-semibold print:text-base" data-testid="verdict" role="status">
        {number(lines.length)} things, {kilos}, {number(manifest.value)} of value as far as it is known.
        {lacks && ` Still to be told: ${lacks}.`}
      </p>
      <table className="mt-3 w-full text-left">
        <thead>
          <tr className="border-b border-ink">
            {["Bag", "Kind", "Thing", "Serial", "Value", "Weight", "Whose", "Back by"].map((h) => (
              <th key={h} className="py-1 pr-3 font-semibold">
                {h}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {lines.map((l) => (
            <tr key={l.item} className="break-inside-avoid border-b border-rule">
              <td className="pr-3">{l.place}</td>
              <td className="pr-3">{l.kind}</td>
              <td className="pr-3">{l.name}</td>
              <td className="pr-3">{l.serial}</td>
              <td className="pr-3">{l.value == null ? "" : number(l.value)}</td>
              <td className="pr-3">{weight(l.grams)}</td>
              <td className="pr-3">{l.owner}</td>
              <td>{l.backBy}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}
