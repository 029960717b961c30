import { useQueries } from "@tanstack/react-query";
import { Link } from "react-router";
import { pullOf, pullText } from "../day/pulls";
import { answer, api, type WhatIfRow, type WhatIfView } from "../api/client";

/** How each picture of a part comes to what a loss leaves of it, link by link. */
// Long: one list with its line.
export function LossChains({
  row,
  cell,
  view,
  assignment,
}: {
  row: WhatIfRow;
  cell: WhatIfRow["cells"][number];
  view: WhatIfView;
  assignment: string;
}) {
  const part = view.parts.find((p) => p.id === cell.part);
  const chains = useQueries({
    queries: cell.needs.map((need) => ({
      queryKey: ["board", assignment, "chain", row.kind, row.id, cell.part, need],
      queryFn: ({ signal }) =>
        answer(
          api.GET("/api/assignments/{key}/losses/{kind}/{id}/parts/{part}/needs/{need}", {
            signal,
            params: { path: { key: assignment, kind: row.kind, id: row.id, part: cell.part, need } },
          }),
        ),
    })),
  });
  return (
    <>
      <dl aria-label={`Why: ${row.name}, ${part?.name ?? cell.part}`} className="max-w-[62rem]">
        {cell.needs.map((need, i) => (
          <div key={need}>
            <dt className="font-semibold">{part?.needs.find((n) => n.id === need)?.name ?? need}</dt>
            <dd>{chains[i]?.data?.join(" → ") ?? chains[i]?.error?.message ?? "Looking again …"}</dd>
          </div>
        ))}
      </dl>
      <p className="mt-1">
        <Link
          className="underline"
          to={`/${assignment}/day?${new URLSearchParams({ pull: pullText(pullOf(row, cell.part)) })}`}
        >
          Pull it on the day from {part?.name ?? cell.part} on
        </Link>
        : what to do then, and what is left.
      </p>
    </>
  );
}
