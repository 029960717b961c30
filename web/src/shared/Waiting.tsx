import { useEffect, useState, type ReactNode } from "react";
import { number } from "./format";

/** How long something has been going on, with how far it is. */
export function Waiting({
  since,
  waits,
  children,
}: {
  since: number;
  waits?: boolean;
  children?: ReactNode;
}) {
  const [now, setNow] = useState(since);
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), 250);
    return () => clearInterval(timer);
  }, []);
  return (
    <span role="status" className="text-quiet">
      {waits ? "Two searches are at work; this one waits its turn" : "Searching"},{" "}
      {number((now - since) / 1000)} s{children}
    </span>
  );
}
