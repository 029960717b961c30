import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useParams } from "react-router";
import { AssignmentBar } from "../assignment/AssignmentBar";
import { answer, api, type LossKind, type WhatIfRow, type WhatIfView } from "../api/client";
import { Strands } from "../marks/Strands";
import { LossChains } from "./LossChains";
import { LossMends } from "./LossMends";
import { OwnEvents } from "./OwnEvents";
import { pullOf, pullText } from "../day/pulls";
import { useBoard } from "../day/useBoard";
import { PageHeader } from "../shared/PageHeader";
import { PrintButton } from "../shared/PrintButton";
import { Problem } from "../shared/Problem";
import { said, time } from "../shared/format";
import { countOf, outcomeWord } from "../shared/words";

const nothing: string[] = [];

const kindWord: Record<LossKind, string> = {
  item: "thing",
  rig: "camera",
  place: "place",
  person: "person",
  radio: "radio",
  batteries: "batteries",
  cells: "cells",
  old: "old lot",
  socket: "socket",
  own: "event of your own",
};

/** Every loss against every part: what would be late or lost, the most harmful first; what does no harm is folded away. */
// Long: one table: its head, its rows and what is ticked in it.
export function WhatIf() {
  const key = useParams().assignment ?? "";
  const { data, error } = useQuery({
    queryKey: ["board", key, "what-if"],
    queryFn: ({ signal }) =>
      answer(api.GET("/api/assignments/{key}/what-if", { signal, params: { path: { key } } })),
  });
  const [all, setAll] = useState(false);
  const [picked, setPicked] = useState<string[]>([]);
  if (error)
    return (
      <main className="p-6">
        <Problem error={error} />
      </main>
    );
  if (!data) return <main className="p-6 text-quiet">Losing one thing after the other …</main>;
  const { table, parts } = data;
  const harmful = table.rows.filter((r) => r.costs + r.dark + r.cards.length > 0);
  const rows = all ? table.rows : harmful;
  return (
    <div className="flex h-full flex-col">
      <PageHeader view={`${data.name} · What if`} phoneTitle={data.name} />
      <AssignmentBar assignment={key} name={data.name} view="what-if">
        <PrintButton />
      </AssignmentBar>
      <main className="relative min-h-0 flex-1 overflow-auto px-4 py-3">
        <p
          className="max-w-[62rem] text-xl leading-tight font-semibold print:text-base"
          data-testid="verdict"
        >
          {table.headline}
        </p>
        <p className="text-quiet">
          A broken line: a picture that matters would be lost or late. A thin line: it would be second best.{" "}
          <span className="print:hidden">
            Touch one for the reason; tick several rows to pull them together.
          </span>
        </p>
        <StillToGet things={table.toGet} assignment={key} />
        <div className="relative mt-2 overflow-x-auto print:overflow-visible">
          <table className="w-full table-fixed border-collapse text-left max-[1000px]:min-w-[64rem] print:min-w-0! print:text-[9px]">
            <thead>
              <tr className="border-b border-ink align-bottom">
                <th
                  scope="col"
                  className="sticky left-0 w-[11.5rem] bg-ground py-1 pr-3 max-[700px]:w-[8rem] print:w-[8.5rem]"
                >
                  If this goes
                </th>
                {parts.map((p) => (
                  <th key={p.id} scope="col" className="narrow px-1 font-semibold wrap-anywhere">
                    {p.name ?? p.id}
                    <span className="block font-normal text-quiet">{time(p.start)}</span>
                  </th>
                ))}
                <th scope="col" className="w-[5.6rem] px-1 print:w-[2.6rem]">
                  Costs
                </th>
              </tr>
            </thead>
            <tbody>
              {rows.map((row) => (
                <Row
                  key={rowKey(row)}
                  row={row}
                  view={data}
                  assignment={key}
                  picked={picked.includes(rowKey(row))}
                  pick={(take) =>
                    setPicked((old) =>
                      take ? [...old, rowKey(row)] : old.filter((other) => other !== rowKey(row)),
                    )
                  }
                />
              ))}
            </tbody>
          </table>
        </div>
        <PulledTogether rows={table.rows.filter((r) => picked.includes(rowKey(r)))} assignment={key} />
        {table.harmless > 0 && (
          <button className="mt-2 underline print:hidden" aria-expanded={all} onClick={() => setAll(!all)}>
            {all
              ? "Fold away what costs nothing"
              : `${table.harmless} others can go and no picture that matters is lost or late`}
          </button>
        )}
        <p className="mt-3">
          <span className="font-semibold">To cost a picture that matters, there must fail:</span>{" "}
          {table.margins
            .filter((m) => m.margin != null)
            .map((m) => countOf(m.kind, m.margin ?? 0))
            .join(", ")}
          {table.margins.every((m) => m.margin == null)
            ? "more than three of any one kind"
            : "; of every other kind more than three"}
          .
        </p>
        <GonePictures gone={table.gone} assignment={key} />
        {table.causes.length > 0 && (
          <section aria-label="Shared causes" className="mt-4 max-w-[62rem]">
            <h2 className="text-[15px] font-bold">One cause for several things</h2>
            <ul className="list-disc pl-5">
              {table.causes.map((cause) => (
                <li key={cause.text}>{cause.text}</li>
              ))}
            </ul>
          </section>
        )}
        <OwnEvents assignment={key} rows={table.rows} />
      </main>
    </div>
  );
}

/** What was taken already and would go with what holds it. */
function GonePictures({ gone, assignment }: { gone: WhatIfView["table"]["gone"]; assignment: string }) {
  if (gone.length === 0) return null;
  return (
    <section aria-label="Pictures that would be gone" className="mt-4 max-w-[62rem]">
      <h2 className="text-[15px] font-bold">
        Pictures that would be gone{" "}
        <Link className="font-normal underline print:hidden" to={`/${assignment}/cards`}>
          where every copy is
        </Link>
      </h2>
      <ul className="list-disc pl-5">
        {gone.map((loss) => (
          <li key={loss.map(said).join("")}>{loss.map(said).join("")}</li>
        ))}
      </ul>
    </section>
  );
}

const rowKey = (row: WhatIfRow) => `${row.kind} ${row.id}`;

/** Several losses at once are seen on the day: what is left, and what to do. */
function PulledTogether({ rows, assignment }: { rows: WhatIfRow[]; assignment: string }) {
  if (rows.length === 0) return null;
  const pulls = rows.map((r) => ["pull", pullText(pullOf(r))]);
  return (
    <p className="mt-2 flex flex-wrap items-center gap-3 print:hidden">
      <span>
        Together: <strong>{rows.map((r) => r.name).join(" and ")}</strong>
      </span>
      <Link className="webbing" to={`/${assignment}/day?${new URLSearchParams(pulls)}`}>
        Pull {rows.length === 1 ? "it" : `these ${rows.length}`} on the day
      </Link>
    </p>
  );
}

// Long: one table: its head, its rows and what is ticked in it.
function Row({
  row,
  view,
  assignment,
  picked,
  pick,
}: {
  row: WhatIfRow;
  view: WhatIfView;
  assignment: string;
  picked: boolean;
  pick: (take: boolean) => void;
}) {
  const [mending, setMending] = useState(false);
  const [asked, setAsked] = useState<string | null>(null);
  const why = row.cells.find((c) => c.part === asked);
  const line = (
    <tr className="border-b border-rule">
      <th scope="row" className="sticky left-0 bg-ground py-1 pr-3 font-semibold">
        <label className="flex items-baseline gap-2">
          <input
            type="checkbox"
            className="relative top-0.5 print:hidden"
            checked={picked}
            aria-label={`${row.name}, together with others`}
            onChange={(e) => pick(e.target.checked)}
          />
          <span>
            {row.name} <span className="font-normal text-quiet">{kindWord[row.kind]}</span>
            {row.power.length + row.cards.length > 0 && (
              <span className="block max-w-[15rem] font-normal text-broken">
                {[...row.power, ...row.cards].map(said).join("")}
              </span>
            )}
          </span>
        </label>
      </th>
      {row.cells.map((cell, i) => {
        const part = view.parts[i];
        const needs = cell.needs.map((id) => part?.needs.find((n) => n.id === id)?.name ?? id);
        if (!cell.worst)
          return (
            <td key={cell.part} className="px-1 text-center text-quiet" aria-label="nothing changes">
              ·
            </td>
          );
        const bad = cell.worst === "late" || cell.worst === "lost";
        const says = `${needs.join(", ")}: ${outcomeWord[cell.worst]}`;
        const query = new URLSearchParams([
          ["part", cell.part],
          ["need", cell.needs[0] ?? ""],
          ["pull", pullText(pullOf(row))],
        ]);
        const mark = (
          <>
            <Strands count={bad ? 0 : 1} outcome={bad ? undefined : "thins"} width={34} height={12} />
            <span className="narrow block w-full truncate text-[11.5px] print:text-[8px] print:leading-tight print:whitespace-normal">
              {outcomeWord[cell.worst]}: {needs[0]}
              {needs.length > 1 && ` + ${needs.length - 1}`}
            </span>
          </>
        );
        return (
          <td key={cell.part} className="px-1" title={says}>
            {row.kind !== "item" ? (
              <button
                className="flex min-h-[26px] w-full flex-col items-start justify-center text-left max-[700px]:min-h-[44px]"
                aria-expanded={asked === cell.part}
                onClick={() => setAsked(asked === cell.part ? null : cell.part)}
              >
                {mark}
                <span className="sr-only">, {says}</span>
              </button>
            ) : (
              <Link
                to={`/${assignment}/day?${query}`}
                className="flex min-h-[26px] w-full flex-col justify-center max-[700px]:min-h-[44px]"
              >
                {mark}
                <span className="sr-only">, {says}</span>
              </Link>
            )}
          </td>
        );
      })}
      <td className="px-1 font-semibold">
        {row.costs > 0 && (
          <button
            className="webbing print:hidden"
            aria-expanded={mending}
            aria-label={`${row.costs}, mend ${row.name}`}
            onClick={() => setMending(!mending)}
          >
            {row.costs}, mend
          </button>
        )}
        {row.costs > 0 && <span className="hidden print:inline">{row.costs}</span>}
        {row.dark > 0 && (
          <Link className="block underline" to={`/${assignment}/power?pull=${pullText(pullOf(row))}`}>
            {row.dark} dark
          </Link>
        )}
      </td>
    </tr>
  );
  return (
    <>
      {line}
      {why && (
        <tr>
          <td colSpan={row.cells.length + 2} className="border-b border-rule bg-raised px-3 py-2">
            <LossChains row={row} cell={why} view={view} assignment={assignment} />
          </td>
        </tr>
      )}
      {mending && (
        <tr>
          <td colSpan={row.cells.length + 2} className="border-b border-rule bg-raised px-3 py-2">
            <LossMends row={row} assignment={assignment} />
          </td>
        </tr>
      )}
    </>
  );
}

/** What is not here yet counts as missing until it is. */
function StillToGet({ things, assignment }: { things: WhatIfView["table"]["toGet"]; assignment: string }) {
  const { edit } = useBoard(assignment, nothing);
  if (things.length === 0) return null;
  return (
    <ul aria-label="Still to get" className="mt-1 flex flex-wrap gap-x-4 gap-y-1">
      {things.map((t) => (
        <li key={t.item}>
          Still to get, so missing here: <b>{t.name}</b>{" "}
          <button className="webbing" onClick={() => edit({ type: "got", item: t.item })}>
            It is here
          </button>
        </li>
      ))}
    </ul>
  );
}
