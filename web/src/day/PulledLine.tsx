import { readPull } from "./pulls";

/** What a page leaves out on trial, and the way back. */
export function PulledLine({
  pull,
  name,
  putBack,
}: {
  pull: string[];
  name: (id: string) => string;
  putBack: () => void;
}) {
  if (pull.length === 0) return null;
  return (
    <p className="mt-1 flex flex-wrap items-center gap-3">
      <span>
        As if <strong>{pull.map((text) => name(readPull(text).item)).join(" and ")}</strong> stayed at home.
      </span>
      <button className="webbing" onClick={putBack}>
        Put back
      </button>
    </p>
  );
}
