import { useEffect, useState } from "react";

/** The time, moved where somebody rehearses the day: #at=2027-06-12T13:42 begins then and runs on. */
export function useClock() {
  const [begun] = useState(() => {
    const said = new URLSearchParams(location.hash.slice(1)).get("at");
    const at = said ? new Date(said).getTime() : Number.NaN;
    return Number.isNaN(at) ? 0 : at - Date.now();
  });
  const [now, setNow] = useState(() => new Date(Date.now() + begun));
  useEffect(() => {
    const often = 5_000;
    const timer = setInterval(() => setNow(new Date(Date.now() + begun)), often);
    return () => clearInterval(timer);
  }, [begun]);
  return { now, isRehearsal: begun !== 0 };
}
