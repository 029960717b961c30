import { Link } from "react-router";

export function Wordmark() {
  return (
    <Link to="/" className="flex items-center gap-2 font-semibold" title="All assignments">
      <svg width="20" height="18" viewBox="0 0 20 18" aria-hidden>
        <path d="M1 2h18M1 2v3M19 2v3M7 2v15M13 2v15" stroke="currentColor" strokeWidth="2" fill="none" />
      </svg>
      Yoke Pair
    </Link>
  );
}
