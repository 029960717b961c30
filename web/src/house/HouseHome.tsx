import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { Link } from "react-router";
import { assignmentsQuery } from "../shared/assignments";
import { date } from "../shared/format";

/** The days whose lists this phone may tick. */
export function HouseHome() {
  useEffect(() => {
    document.title = "Lists · Yoke Pair";
  }, []);
  const { data, error } = useQuery(assignmentsQuery);
  return (
    <main className="p-4">
      <h1 className="text-xl font-semibold">{data ? "Which lists?" : error ? "No lists" : "Opening …"}</h1>
      {error && (
        <p role="alert" className="mt-2 text-[15px]">
          {error.message}
        </p>
      )}
      <ul className="mt-3">
        {data
          ?.filter((a) => a.shelf === "current" && !a.unreadable)
          .map((a) => (
            <li key={a.key} className="border-b border-rule">
              <Link to={`/house/${a.key}/lists`} className="flex min-h-[72px] flex-col justify-center">
                <strong className="text-[17px]">{a.name}</strong>
                <span className="text-quiet">{date(a.start)}</span>
              </Link>
              <Link to={`/house/${a.key}/live`} className="text-[15px] underline">
                On the day
              </Link>
            </li>
          ))}
      </ul>
    </main>
  );
}
