import { useEffect, type ReactNode } from "react";
import { Link } from "react-router";
import { ThemeButton } from "./ThemeButton";
import { UnitsButton } from "./UnitsButton";
import { Wordmark } from "./Wordmark";

/** The line at the top of every page: where one is, where else one can go, what can be done. */
export function PageHeader({
  title,
  aside,
  view,
  children,
}: {
  title?: string;
  /** What is looked at, for the window's title. */
  view?: string;
  aside?: ReactNode;
  children?: ReactNode;
}) {
  const tab = [title, view, "Yoke Pair"].filter(Boolean).join(" · ");
  useEffect(() => {
    document.title = tab;
  }, [tab]);
  return (
    <header className="flex flex-wrap items-center gap-x-5 gap-y-1 border-b border-rule px-4 py-1.5">
      <Wordmark />
      {title && <span className="font-medium">{title}</span>}
      {aside && <span className="text-quiet max-[700px]:hidden">{aside}</span>}
      <span className="ml-auto flex flex-wrap items-center gap-x-4">
        {children}
        <Link to="/locker" className="py-1">
          Locker
        </Link>
        <Link to="/" className="py-1">
          Assignments
        </Link>
        <UnitsButton />
        <ThemeButton />
      </span>
    </header>
  );
}
