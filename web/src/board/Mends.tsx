import { useQuery } from "@tanstack/react-query";
import { answer, api, type Need, type Part } from "../api/client";
import { Strands } from "../marks/Strands";
import { useDay } from "./DayContext";

/** What would mend a need that hangs by one thing or is not covered; each was tried on the whole day before it is shown. */
export function Mends({
  assignment,
  part,
  need,
  strands,
}: {
  assignment: string;
  part: Part;
  need: Need;
  strands: number;
}) {
  const { day, edit, pulls } = useDay();
  const wanted = strands < 2 || pulls.length > 0;
  const { data } = useQuery({
    queryKey: ["mends", assignment, part.id, need.id, day.board.revision],
    queryFn: () =>
      answer(
        api.GET("/api/assignments/{key}/parts/{part}/needs/{need}/mends", {
          params: { path: { key: assignment, part: part.id, need: need.id } },
        }),
      ),
    enabled: wanted,
  });
  if (!wanted || (data?.length === 0 && strands > 1)) return null;
  return (
    <div className="w-[20rem] max-w-full">
      <h3 className="font-bold">Mend it</h3>
      {!data && <p className="text-quiet">Trying what you have packed …</p>}
      {data?.length === 0 && <p>No one move or change of what you have packed mends this.</p>}
      <ul className="mt-2 flex flex-col gap-1.5">
        {data?.map((mend) => (
          <li key={mend.label} className="flex items-start gap-2">
            <Strands count={mend.strands} width={16} height={16} label="With it" />
            <span className="flex-1">
              {mend.label}
              <span className="block text-quiet">
                {[
                  mend.singlePointsGone.length > 0
                    ? `no more hanging by ${mend.singlePointsGone.map(day.name).join(" or ")}`
                    : "",
                  mend.gapsClosed > 0
                    ? `${mend.gapsClosed} covered that ${mend.gapsClosed === 1 ? "was" : "were"} not`
                    : "",
                ]
                  .filter(Boolean)
                  .join(", ")}
              </span>
            </span>
            <button className="webbing" onClick={() => edit(mend.edit)}>
              Do it
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}
