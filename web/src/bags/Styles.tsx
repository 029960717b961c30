import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useParams } from "react-router";
import { answer, api, type StyleDay } from "../api/client";
import { Problem } from "../shared/Problem";
import { number, weight } from "../shared/format";

/** What the same day would weigh in another style, and what that would cost in margin. */
export function Styles() {
  const [isOpen, setOpen] = useState(false);
  return (
    <details className="mt-2 not-open:print:hidden" onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary className="min-h-[24px] cursor-pointer font-semibold">The same day in another style</summary>
      {isOpen && <Table />}
    </details>
  );
}

function Table() {
  const key = useParams().assignment ?? "";
  const { data, error } = useQuery({
    queryKey: ["board", key, "styles"],
    queryFn: ({ signal }) =>
      answer(api.GET("/api/assignments/{key}/bags/styles", { signal, params: { path: { key } } })),
  });
  if (error) return <Problem error={error} />;
  if (!data) return <p className="text-quiet">Working the day in every style …</p>;
  const [now] = data;
  if (!now) return null;
  const most = Math.max(...data.map((s) => s.kilogramHours), 1);
  return (
    <ul aria-label="Styles" className="max-w-[52rem]">
      {data.map((s) => (
        <li
          key={s.name}
          className="grid grid-cols-[14rem_1fr_18rem] items-center gap-x-3 border-t border-rule py-1 max-[700px]:grid-cols-1"
        >
          <span className={s === now ? "font-semibold" : ""}>{s.name}</span>
          <span className="flex items-center gap-2">
            <span className="h-4 bg-holds/60" style={{ width: `${(s.kilogramHours / most) * 60}%` }} />
            {number(s.kilogramHours)} kg·h, {weight(s.shouldersG)}
          </span>
          <span>{s === now ? margin(s) : against(now, s)}</span>
        </li>
      ))}
    </ul>
  );
}

const some = (count: number, one: string, many = one) => count > 0 && `${count} ${count === 1 ? one : many}`;

const margin = (s: StyleDay) =>
  [
    some(s.gaps, "not covered"),
    some(s.hanging, "hangs by one thing", "hang by one thing"),
    some(s.secondBest, "second best"),
  ]
    .filter(Boolean)
    .join(", ") || "everything survives any one failure";

/** The difference to the day as planned, in words. */
function against(now: StyleDay, then: StyleDay) {
  const differ = (a: number, b: number, words: string) =>
    b !== a && `${Math.abs(b - a)} ${b > a ? "more" : "fewer"} ${words}`;
  const margins =
    [
      differ(now.gaps, then.gaps, "not covered"),
      differ(now.hanging, then.hanging, "hanging by one thing"),
      differ(now.secondBest, then.secondBest, "second best"),
    ]
      .filter(Boolean)
      .join(", ") || "the same margin";
  const late = then.seconds - now.seconds;
  return late === 0
    ? margins
    : `${margins}; ${Math.abs(late)} s ${late > 0 ? "more" : "less"} of changing hands`;
}
