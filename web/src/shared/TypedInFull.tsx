import { useState } from "react";

/** What one does against the program's advice is typed in full, so that it is never one slip. */
export function TypedInFull({
  ask,
  phrase,
  label,
  done,
}: {
  ask: string;
  phrase: string;
  label: string;
  done: (typed: string) => void;
}) {
  const [typed, setTyped] = useState("");
  return (
    <details>
      <summary className="min-h-[24px] cursor-pointer underline max-[700px]:min-h-[44px]">{ask}</summary>
      <form
        className="flex flex-wrap items-center gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          done(typed);
        }}
      >
        <label>
          Type <strong>{phrase}</strong>
          <input
            className="ml-2 w-72 max-w-full border border-rule bg-ground px-2 py-1 max-[700px]:min-h-[44px]"
            value={typed}
            onChange={(e) => setTyped(e.target.value)}
          />
        </label>
        <button className="webbing max-[700px]:min-h-[44px]">{label}</button>
      </form>
    </details>
  );
}
