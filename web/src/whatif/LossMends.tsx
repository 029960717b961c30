import { useQuery } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { answer, api, type WhatIfRow } from "../api/client";
import { useBoard } from "../day/useBoard";
import { MendLine } from "../marks/MendLine";
import { Problem } from "../shared/Problem";
import { ProblemError } from "../api/client";

const nothing: string[] = [];

/** What would make a loss cost less; each was tried on the whole day before it is shown. */
export function LossMends({ row, assignment }: { row: WhatIfRow; assignment: string }) {
  const { board, edit, notice } = useBoard(assignment, nothing);
  const navigate = useNavigate();
  const { data, error } = useQuery({
    queryKey: ["board", assignment, "mends", row.kind, row.id, board?.revision],
    queryFn: ({ signal }) =>
      answer(
        api.GET("/api/assignments/{key}/losses/{kind}/{id}/mends", {
          signal,
          params: { path: { key: assignment, kind: row.kind, id: row.id } },
        }),
      ),
    enabled: !!board,
  });
  if (error) return <Problem error={error} />;
  if (!data || !board)
    return <p className="text-quiet">Trying what you have, then what one could borrow …</p>;
  const name = (id: string) => board.plan.items.find((i) => i.id === id)?.name ?? id;
  return (
    <>
      {notice && <Problem error={new ProblemError(0, notice.title, notice.lines)} />}
      {data.length === 0 && <p>No one move, change, thing or person mends this; the least kit may.</p>}
      <ul className="flex max-w-[62rem] flex-col gap-1.5" aria-label={`Mends for ${row.name}`}>
        {data.map((mend) => (
          <MendLine
            key={mend.label}
            mend={mend}
            name={name}
            take={() => edit(...mend.edits)}
            see={() =>
              void navigate(`/${assignment}/day`, {
                state: { trial: { label: mend.label, edits: mend.edits } },
              })
            }
          />
        ))}
      </ul>
    </>
  );
}
