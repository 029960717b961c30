import { useCallback, useEffect, useRef, useState } from "react";
import { ProblemError, readLines } from "../api/client";

/** A search on the server that tells how far it is and what it finds, one or several, and can be stopped; leaving the page stops it. */
export function useSearch<Progress, Found>() {
  const [running, setRunning] = useState<{ since: number; progress: Progress | null; waits: boolean } | null>(
    null,
  );
  const [all, setAll] = useState<Found[]>([]);
  const [error, setError] = useState<Error | null>(null);
  const current = useRef<AbortController | null>(null);
  useEffect(() => () => current.current?.abort(), []);

  const start = useCallback(async (url: string) => {
    current.current?.abort();
    const abort = new AbortController();
    current.current = abort;
    setAll([]);
    setError(null);
    setRunning({ since: Date.now(), progress: null, waits: false });
    try {
      await readLines<{ progress?: Progress | null; found?: Found | null; waits?: boolean }>(
        url,
        abort.signal,
        ({ progress = null, found, waits = false }) => {
          setRunning((r) => r && { ...r, progress: progress ?? r.progress, waits });
          if (found) setAll((a) => [...a, found]);
        },
        "POST",
      );
    } catch (e) {
      if (!abort.signal.aborted) setError(e instanceof Error ? e : new ProblemError(0, String(e), []));
    }
    if (current.current === abort) setRunning(null);
  }, []);

  return { running, found: all[0] ?? null, all, error, start, stop: () => current.current?.abort() };
}
