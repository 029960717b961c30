import type { ReactNode } from "react";
import { ProblemError } from "../api/client";

/** What could not be done: what is wrong, where, and how to mend it. */
export function Problem({ error, children }: { error: Error; children?: ReactNode }) {
  return (
    <div
      role="alert"
      className="flex flex-wrap items-center gap-x-4 gap-y-1 border-y-2 border-broken bg-raised px-3 py-2"
    >
      <div className="flex-1 basis-80">
        <strong>{error.message}</strong>
        {error instanceof ProblemError && (
          <ul>
            {error.lines.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        )}
      </div>
      {children}
    </div>
  );
}
