import { Link } from "react-router";

export function Wordmark() {
  return (
    <Link
      to="/"
      aria-label="Yoke Pair, all assignments"
      className="flex items-center gap-2 font-semibold max-[700px]:min-w-[44px]"
      title="All assignments"
    >
      <svg width="20" height="18" viewBox="0 0 20 18" aria-hidden>
        <path d="M1 2h18M1 2v3M19 2v3M7 2v15M13 2v15" stroke="currentColor" strokeWidth="2" fill="none" />
      </svg>
      <span className="max-[700px]:hidden">Yoke Pair</span>
    </Link>
  );
}
