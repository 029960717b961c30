import type { ReactNode } from "react";
import { Link } from "react-router";
import { isHouse } from "../api/token";
import { date } from "../shared/format";

type View =
  "day" | "what-if" | "power" | "cards" | "bags" | "lists" | "on-the-day" | "afterwards" | "proposals";

const views: [View, string, path: string][] = [
  ["day", "Day", "day"],
  ["what-if", "What if", "what-if"],
  ["power", "Power", "power"],
  ["cards", "Cards", "cards"],
  ["bags", "Bags", "bags"],
  ["lists", "Lists", "lists"],
  ["on-the-day", "On the day", "on-the-day"],
  ["afterwards", "Afterwards", "afterwards"],
  ["proposals", "Proposals", "day?show=setups"],
];

const tabClass =
  "flex min-h-[32px] shrink-0 items-center border-b-[3px] px-2 whitespace-nowrap max-[700px]:min-h-[44px]";

const doClass =
  "ml-auto flex shrink-0 items-center gap-x-4 max-[700px]:gap-x-2 " +
  "[&>button]:max-[700px]:min-h-[44px] [&>button]:max-[700px]:min-w-[44px]";

/** The line of one assignment: what it is, its views, and what can be done with it. */
export function AssignmentBar({
  assignment,
  name,
  aside,
  view,
  sheet,
  query,
  children,
}: {
  assignment: string;
  name: string;
  aside?: ReactNode;
  view: View;
  /** What its sheet of paper is called; else as the view. */
  sheet?: string;
  /** What is pulled, which stays so from view to view of the day. */
  query?: URLSearchParams;
  children?: ReactNode;
}) {
  if (isHouse) return null;
  return (
    <>
      <PrintTitle name={name} view={sheet ?? views.find(([is]) => is === view)?.[1] ?? ""} />
      <div className="flex items-center gap-x-5 border-b border-rule px-4 max-[700px]:gap-x-3 print:hidden">
        <h1 className="min-w-0 truncate text-[15px] font-bold max-[700px]:sr-only">{name}</h1>
        {aside && <span className="text-quiet max-[900px]:hidden">{aside}</span>}
        <Views assignment={assignment} name={name} view={view} query={query} />
        <span className={doClass}>{children}</span>
      </div>
    </>
  );
}

/** What a sheet of paper is about, and when it was printed: a later plan may say otherwise. */
export const PrintTitle = ({ name, view }: { name: string; view: string }) => (
  <p aria-hidden className="hidden justify-between border-b-2 border-ink pb-1 print:flex">
    <strong>
      {name} · {view}
    </strong>
    <span>printed {date(new Date().toISOString())}</span>
  </p>
);

function Views({
  assignment,
  name,
  view,
  query,
}: {
  assignment: string;
  name: string;
  view: View;
  query?: URLSearchParams;
}) {
  const pulled = query?.getAll("pull").map((p): [string, string] => ["pull", p]) ?? [];
  const to = (path: string) => {
    const [at = "", more] = path.split("?");
    const rest = new URLSearchParams(more);
    // What if tries every loss itself.
    if (at !== "what-if") pulled.forEach(([key, value]) => rest.append(key, value));
    return `/${assignment}/${at}${rest.size > 0 ? `?${rest}` : ""}`;
  };
  return (
    <nav
      aria-label={`Views of ${name}`}
      className="flex shrink-0 gap-x-1 max-[700px]:min-w-0 max-[700px]:shrink max-[700px]:overflow-x-auto"
    >
      {views.map(([is, word, path]) => (
        <Link
          key={is}
          to={to(path)}
          aria-current={is === view ? "page" : undefined}
          className={`${tabClass} ${is === view ? "border-double border-ink font-bold" : "border-transparent"}`}
        >
          {word}
        </Link>
      ))}
    </nav>
  );
}
