import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { answer, api, type Insurance } from "../api/client";
import { date, number } from "../shared/format";
import { PageHeader } from "../shared/PageHeader";
import { PrintButton } from "../shared/PrintButton";
import { Problem } from "../shared/Problem";

/** Once a year: everything one owns, with what the insurer asks of it, and what is still to be told. */
export function Insured() {
  const { data, error } = useQuery({
    queryKey: ["locker", "insurance"],
    queryFn: ({ signal }) => answer(api.GET("/api/locker/insurance", { signal })),
  });
  return (
    <div className="flex h-full flex-col">
      <PageHeader view="Insurance list">
        <Link to="/locker" className="underline print:hidden">
          Back to the locker
        </Link>
        <a className="underline" href="/api/locker/insurance.csv">
          As a table (CSV)
        </a>
        <PrintButton />
      </PageHeader>
      <main
        tabIndex={0}
        aria-label="Insurance list"
        className="min-h-0 flex-1 overflow-auto px-4 py-3 print:overflow-visible print:p-0"
      >
        {error && <Problem error={error} />}
        {data && <Lines list={data} />}
      </main>
    </div>
  );
}

const lacking = ({ unvalued, unnumbered }: Insurance) =>
  [
    unvalued > 0 && `${number(unvalued)} cameras, lenses and lights have no value`,
    unnumbered > 0 && `${number(unnumbered)} have no serial number`,
  ]
    .filter(Boolean)
    .join(", ");

// Long: one table with its head and its rows.
function Lines({ list }: { list: Insurance }) {
  const lacks = lacking(list);
  return (
    <>
      <h1 className="hidden text-base font-bold print:block">Insurance list, {date(list.day)}</h1>
      <p role="status" className="max-w-[62rem] text-xl leading-tight font-semibold print:text-base">
        {number(list.lines.length)} things, {number(list.value)} of value as far as it is known.
        {list.new > 0 && ` ${number(list.new)} came within a year.`}
        {lacks && ` Before you send it: ${lacks}.`}
      </p>
      <table className="mt-3 w-full text-left">
        <thead>
          <tr className="border-b border-ink">
            {["Kind", "Thing", "Serial", "Value", "First used", "Whose", "Where"].map((h) => (
              <th key={h} className="py-1 pr-3 font-semibold">
                {h}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {list.lines.map((l) => (
            <tr key={l.item} className="break-inside-avoid border-b border-rule">
              <td className="pr-3">{l.kind}</td>
              <td className="pr-3 font-semibold">
                {l.name}
                {l.isNew && <span className="font-normal text-quiet"> new</span>}
              </td>
              <td className={`pr-3 ${l.serial ? "" : "text-hangs"}`}>{l.serial ?? "not told"}</td>
              <td className={`pr-3 ${l.value == null ? "text-hangs" : ""}`}>
                {l.value == null ? "not told" : number(l.value)}
              </td>
              <td className="pr-3">{l.firstUse ?? ""}</td>
              <td className="pr-3">{l.owner ?? ""}</td>
              <td>{l.away ?? ""}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}
