import { Select } from "../shared/Select";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Followed } from "./Followed";
import { Link } from "react-router";
import { answer, api, asItIs, type ImportAnswer } from "../api/client";
import { PageHeader } from "../shared/PageHeader";
import { Problem } from "../shared/Problem";
import { FileButton } from "../shared/FileButton";

const words = { added: "new", changed: "changed", same: "unchanged", refused: "refused" } as const;
const kinds = ["body", "lens", "adapter", "flash", "battery", "card", "support", "other"];

interface Sent {
  file: File;
  /** What columns were chosen to mean, by heading. */
  map: Record<string, string>;
  /** Whether good rows go in without the faulty ones. */
  good?: boolean;
}

const send = ({ file, map, good }: Sent, keep: boolean) =>
  answer(
    api.POST("/api/locker/import", {
      params: {
        query: { keep, good, map: Object.entries(map).map(([heading, figure]) => `${heading}=${figure}`) },
      },
      body: file as never,
      ...asItIs,
    }),
  );

/** What was chosen for the same headings before. */
const rememberedAs = (columns: ImportAnswer["columns"]) =>
  `columns ${columns.map((c) => c.heading).join("|")}`;

/** A table or locker file, looked at row by row before any of it is kept. */
// Long: one form and what it would do.
export function ImportPage() {
  const client = useQueryClient();
  const [file, setFile] = useState<File | null>(null);
  const [map, setMap] = useState<Record<string, string>>({});
  const [again, setAgain] = useState(false);
  const look = useMutation({
    mutationFn: (sent: Sent) => send(sent, false),
    onSuccess: (read, sent) => {
      const before = localStorage.getItem(rememberedAs(read.columns));
      if (!before || Object.keys(sent.map).length > 0) return;
      const remembered = JSON.parse(before) as Record<string, string>;
      setAgain(true);
      setMap(remembered);
      look.mutate({ ...sent, map: remembered });
    },
  });
  const keep = useMutation({
    mutationFn: (sent: Sent) => send(sent, true),
    onSuccess: () =>
      Promise.all([["locker"], ["board"]].map((queryKey) => client.invalidateQueries({ queryKey }))),
  });
  const match = (heading: string, figure: string) => {
    if (!file || !look.data) return;
    const next = { ...map, [heading]: figure };
    setMap(next);
    localStorage.setItem(rememberedAs(look.data.columns), JSON.stringify(next));
    look.mutate({ file, map: next });
  };
  const weighed = keep.data ?? look.data;
  const error = keep.error ?? look.error;
  return (
    <div className="flex h-full flex-col">
      <PageHeader title="Locker" aside="from a file" view="From a file" />
      <main className="mx-auto min-h-0 w-full max-w-5xl flex-1 overflow-auto px-4 py-4">
        <h1 className="text-xl font-semibold" data-testid="verdict">
          {keep.data?.kept
            ? `${keep.data.added} added, ${keep.data.changed} changed.`
            : weighed
              ? headline(weighed)
              : "Things from a file"}
        </h1>
        <Followed days={keep.data?.followed} />
        <p className="max-w-prose text-quiet">
          A table (CSV) as you keep it, or a locker file. The first line names the columns; what each means is
          shown and can be changed. Semicolons, commas or tabs, decimal commas or points, old encodings: all
          the same. Nothing is kept before you have seen what it does.
        </p>
        <div className="mt-3 flex flex-wrap items-center gap-3">
          <FileButton
            accept=".csv,.tsv,.txt,.json,text/csv,application/json"
            choose={(chosen) => {
              setFile(chosen);
              setMap({});
              setAgain(false);
              keep.reset();
              look.mutate({ file: chosen, map: {} });
            }}
          >
            {file ? "Another file" : "Choose a file"}
          </FileButton>
          {file && weighed && !keep.data?.kept && (
            <button
              className="webbing"
              disabled={weighed.refused > 0 || weighed.added + weighed.changed === 0 || keep.isPending}
              onClick={() => keep.mutate({ file, map })}
            >
              Keep all {weighed.added + weighed.changed}
            </button>
          )}
          {file &&
            weighed &&
            !keep.data?.kept &&
            weighed.refused > 0 &&
            weighed.added + weighed.changed > 0 && (
              <button
                className="webbing"
                disabled={keep.isPending}
                onClick={() => keep.mutate({ file, map, good: true })}
              >
                Keep the {weighed.added + weighed.changed} good ones
              </button>
            )}
          {keep.data?.kept && (
            <Link to="/locker" className="webbing">
              To the locker
            </Link>
          )}
          <span className="text-quiet">
            Empty tables:{" "}
            <a className="underline" href="/api/locker/template.csv" download>
              all kinds
            </a>
            {kinds.map((k) => (
              <span key={k}>
                ,{" "}
                <a className="underline" href={`/api/locker/template.csv?kind=${k}`} download>
                  {k}
                </a>
              </span>
            ))}
          </span>
        </div>
        {error && (
          <div className="mt-3">
            <Problem error={error} />
          </div>
        )}
        {weighed && weighed.columns.length > 0 && !keep.data?.kept && (
          <Columns weighed={weighed} again={again} match={match} />
        )}
        {weighed && <Rows weighed={weighed} name={file?.name ?? ""} />}
      </main>
    </div>
  );
}

function headline(w: ImportAnswer) {
  const all = [
    w.added > 0 && `${w.added} new`,
    w.changed > 0 && `${w.changed} changed`,
    w.same > 0 && `${w.same} unchanged`,
    w.refused > 0 && `${w.refused} refused`,
  ].filter(Boolean);
  if (w.rows.length === 0) return "There is nothing in this file.";
  return `${all.join(", ")}.${w.refused > 0 ? " Mend those in the file, or keep the good ones without them." : ""}`;
}

/** What each column was taken for, with what stands in it; another meaning is chosen. */
function Columns({
  weighed,
  again,
  match,
}: {
  weighed: ImportAnswer;
  again: boolean;
  match: (heading: string, figure: string) => void;
}) {
  const left = weighed.columns.filter((c) => !c.figure).length;
  return (
    <details className="mt-3" open>
      <summary className="cursor-pointer py-1 font-semibold">
        {weighed.columns.length} columns{left > 0 && `, ${left} left out`}
        {again && ", matched as you did before"}
      </summary>
      <ul aria-label="Columns" className="flex flex-wrap gap-x-4 gap-y-2">
        {weighed.columns.map((c, i) => (
          <Column
            key={i}
            column={c}
            at={i}
            meanings={weighed.meanings}
            match={(figure) => match(c.heading, figure)}
          />
        ))}
      </ul>
    </details>
  );
}

function Column({
  column: c,
  at,
  meanings,
  match,
}: {
  column: ImportAnswer["columns"][number];
  at: number;
  meanings: ImportAnswer["meanings"];
  match: (figure: string) => void;
}) {
  return (
    <li className="w-44">
      <label className="flex flex-col gap-0.5">
        <strong className={c.figure ? "" : "text-hangs"}>{c.heading || `column ${at + 1}`}</strong>
        <Select className="webbing font-normal" value={c.figure ?? ""} choose={match}>
          <option value="">left out</option>
          {meanings.map((m) => (
            <option key={m.name} value={m.name}>
              {m.words}
            </option>
          ))}
          {["id", "estimated"].map((own) => (
            <option key={own}>{own}</option>
          ))}
        </Select>
      </label>
      <span className="block truncate text-[12px] text-quiet">
        {c.samples.join(" · ")}
        {c.unit && `, in ${c.unit}`}
      </span>
    </li>
  );
}

// Long: one form and what it would do.
function Rows({ weighed, name }: { weighed: ImportAnswer; name: string }) {
  const [only, setOnly] = useState<string | null>(null);
  const rows = [...weighed.rows]
    .sort((a, b) => rank(a.action) - rank(b.action))
    .filter((r) => !only || r.action === only);
  return (
    <section aria-label="Rows" className="mt-3">
      <p>
        {name}: {weighed.readAs}.
      </p>
      <div className="flex gap-4 py-1" role="group" aria-label="Show rows">
        {(["refused", "changed", "added", "same"] as const).map((action) => {
          const n = weighed[action];
          return (
            n > 0 && (
              <button
                key={action}
                aria-pressed={only === action}
                className="webbing"
                onClick={() => setOnly(only === action ? null : action)}
              >
                {n} {words[action]}
              </button>
            )
          );
        })}
      </div>
      <table className="w-full border-collapse text-left">
        <thead>
          <tr className="border-b border-ink">
            <th className="py-1 pr-3">Line</th>
            <th className="pr-3">Kind</th>
            <th className="pr-3">Thing</th>
            <th className="pr-3">Would be</th>
            <th>What and why</th>
          </tr>
        </thead>
        <tbody>
          {rows.slice(0, 500).map((r, i) => (
            <tr key={i} className="border-b border-rule align-top">
              <td className="py-0.5 pr-3 text-quiet">{r.line}</td>
              <td className="pr-3">{r.kind}</td>
              <td className="pr-3 font-semibold">{r.name}</td>
              <td className={`pr-3 font-semibold ${actionClass[r.action] ?? "text-quiet"}`}>
                {words[r.action]}
              </td>
              <td>
                {r.what.join("; ")}
                {r.problems.map((p) => (
                  <div key={p.field + p.message}>
                    <strong>{p.field}</strong> {p.message}
                  </div>
                ))}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {rows.length > 500 && <p className="text-quiet">and {rows.length - 500} more rows</p>}
    </section>
  );
}

const actionClass: Record<string, string> = {
  refused: "text-broken",
  changed: "text-hangs",
  added: "text-holds",
};

const rank = (action: string) => ["refused", "changed", "added", "same"].indexOf(action);
