import { useEffect, type ReactNode } from "react";
import { Link } from "react-router";
import { isHouse } from "../api/token";
import { setFinding } from "./actions";
import { Entry, LinkEntry, Menu } from "./Menu";
import { changeTheme, ThemeButton } from "./ThemeButton";
import { changeUnits, unitsSaid } from "./units";
import { UnitsButton } from "./UnitsButton";
import { Wordmark } from "./Wordmark";

const headClass =
  "flex flex-wrap items-center gap-x-5 border-b border-rule px-4 py-1 " +
  "max-[700px]:min-h-[44px] max-[700px]:gap-x-3 max-[700px]:py-0 print:hidden";

const ownClass =
  "flex items-center gap-x-4 max-[700px]:order-last max-[700px]:w-full max-[700px]:overflow-x-auto min-[701px]:ml-auto " +
  "max-[700px]:[&>*]:min-h-[44px] max-[700px]:[&>*]:shrink-0 max-[700px]:[&>a]:inline-flex max-[700px]:[&>a]:items-center";

/** The program's own line at the top of every page: where else one can go, and the line that finds everything. */
// Long: the markup of one line, where it breaks and where not.
export function PageHeader({
  title,
  phoneTitle,
  aside,
  view,
  children,
}: {
  title?: string;
  /** What stands here only where there is no room for it elsewhere. */
  phoneTitle?: string;
  /** What is looked at, for the window's title. */
  view?: string;
  aside?: ReactNode;
  children?: ReactNode;
}) {
  const tab = [title, view, "Yoke Pair"].filter(Boolean).join(" · ");
  useEffect(() => {
    document.title = tab;
  }, [tab]);
  if (isHouse) return <HouseHeader title={phoneTitle ?? title} />;
  return (
    <header className={headClass}>
      <Wordmark />
      <Places />
      {title && (
        <span className="min-w-0 flex-1 truncate font-medium min-[701px]:flex-none">
          {title} {aside && <span className="font-normal text-quiet max-[700px]:hidden">{aside}</span>}
        </span>
      )}
      {phoneTitle && (
        <span aria-hidden className="min-w-0 flex-1 truncate font-bold min-[701px]:hidden">
          {phoneTitle}
        </span>
      )}
      {children && <span className={ownClass}>{children}</span>}
      <span
        className={`flex items-center gap-x-4 max-[700px]:ml-auto max-[700px]:[&_button]:min-h-[44px] ${children ? "" : "ml-auto"}`}
      >
        <button className="py-1 max-[700px]:min-w-[44px]" onClick={() => setFinding(true)}>
          Find <kbd className="text-quiet max-[700px]:hidden">/</kbd>
        </button>
        <span className="contents max-[700px]:hidden">
          <UnitsButton />
          <ThemeButton />
        </span>
        <PhoneMenu />
      </span>
    </header>
  );
}

/** On a phone in the house: which day, and back to the others. */
const HouseHeader = ({ title }: { title: string | undefined }) => (
  <header className="flex min-h-[52px] items-center gap-x-3 border-b border-rule px-4 print:hidden">
    <Link to="/house" className="flex min-h-[44px] items-center underline">
      All days
    </Link>
    <strong className="min-w-0 flex-1 truncate">{title}</strong>
    <ThemeButton />
  </header>
);

const Places = () => (
  <nav aria-label="Yoke Pair" className="flex gap-x-4 max-[700px]:hidden">
    <Link to="/" className="py-1">
      Assignments
    </Link>
    <Link to="/season" className="py-1">
      Season
    </Link>
    <Link to="/locker" className="py-1">
      Locker
    </Link>
    <Link to="/phones" className="py-1">
      Phones
    </Link>
  </nav>
);

/** What a phone has no room for beside the rest. */
const PhoneMenu = () => (
  <span className="min-[701px]:hidden [&_button]:min-w-[44px]">
    <Menu label="Menu">
      <LinkEntry>
        <Link to="/">Assignments</Link>
      </LinkEntry>
      <LinkEntry>
        <Link to="/season">Season</Link>
      </LinkEntry>
      <LinkEntry>
        <Link to="/locker">Locker</Link>
      </LinkEntry>
      <LinkEntry>
        <Link to="/phones">Phones</Link>
      </LinkEntry>
      <Entry does={changeUnits}>Figures in {unitsSaid}; change</Entry>
      <Entry does={changeTheme}>Hall or table light</Entry>
    </Menu>
  </span>
);
