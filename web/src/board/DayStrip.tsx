import { useEffect, useState } from "react";
import type { Part } from "../api/client";
import { Strands } from "../marks/Strands";
import { time } from "../shared/format";
import { useDay } from "../day/DayContext";

/** The whole day in one strip that one swipes: how each part stands, and the way to it. */
export function DayStrip() {
  const { day } = useDay();
  const here = useHere(day.parts);
  return (
    <nav
      aria-label="Parts of the day"
      className="flex overflow-x-auto border-b border-rule bg-ground [@media(max-height:520px)]:hidden"
    >
      {day.parts.map((part) => (
        <button
          key={part.id}
          id={`strip-${part.id}`}
          aria-current={part.id === here ? "true" : undefined}
          onClick={() =>
            document.querySelector(`#day-list [data-part="${part.id}"]`)?.scrollIntoView({ block: "start" })
          }
          className={`flex min-h-[48px] min-w-[4.6rem] shrink-0 flex-col items-center justify-center px-2 ${part.id === here ? "bg-ink text-ground" : ""}`}
        >
          <span className={part.id === here ? "rounded-sm bg-ground px-1" : "px-1"}>
            <Strands count={day.partStrands(part.id)} width={26} height={12} label={part.name ?? part.id} />
          </span>
          <span className="narrow max-w-[6.5rem] truncate text-[12px]">{part.name ?? part.id}</span>
          <span className="narrow text-[11px] leading-none">{time(part.start)}</span>
        </button>
      ))}
    </nav>
  );
}

/** The part that is looked at. */
function useHere(parts: Part[]) {
  const [here, setHere] = useState(parts[0]?.id);
  useEffect(() => {
    const list = document.getElementById("day-list");
    if (!list) return;
    // The part whose head has gone by last is the one that is looked at.
    const watch = new IntersectionObserver(
      (seen) => {
        const first = seen.filter((s) => s.isIntersecting).at(-1);
        if (first) setHere((first.target as HTMLElement).dataset.part);
      },
      { rootMargin: "-30% 0px -65% 0px" },
    );
    list.querySelectorAll("[data-part]").forEach((part) => watch.observe(part));
    return () => watch.disconnect();
  }, [parts]);
  useEffect(() => {
    document.getElementById(`strip-${here}`)?.scrollIntoView({ inline: "nearest", block: "nearest" });
  }, [here]);
  return here;
}
