import { memo } from "react";
import { Strands } from "../marks/Strands";
import { time } from "../shared/format";
import { strandWord } from "../shared/words";
import { useDay } from "../day/DayContext";
import { HandCell } from "./HandCell";
import { NeedMark } from "./NeedMark";
import { rulesOf } from "./PartHead";

/** The same day for a narrow screen: the parts one under the other, everything large enough for a thumb. */
export const DayList = memo(function DayList() {
  const { day, select } = useDay();
  return (
    <ol className="px-4" id="day-list">
      {day.parts.map((part, c) => (
        <li key={part.id} data-part={part.id} className="scroll-mt-1 border-b border-rule py-2">
          <button
            className="flex min-h-[44px] w-full items-center gap-3 text-left"
            onClick={() => select({ kind: "part", part: part.id })}
          >
            <Strands
              count={day.partStrands(part.id)}
              width={30}
              height={18}
              label={strandWord[day.partStrands(part.id)]}
              breaking
            />
            <span className="min-w-0 flex-1">
              <span className="block text-base font-bold">{part.name ?? part.id}</span>
              <span className="text-quiet">
                {time(part.start)}, {part.location}, EV {part.ev}
              </span>
              <span className="block font-semibold">{rulesOf(part, day.name).join(", ")}</span>
            </span>
          </button>
          {day.positions
            .filter((at) => part.setups.some((s) => s.person === at.person && s.position === at.position))
            .map((at) => (
              <div
                key={`${at.person}:${at.position}`}
                className="grid grid-cols-[7rem_1fr] items-center [&_button]:h-[46px]"
              >
                <span className="text-quiet">
                  {day.name(at.person)} {at.position}
                </span>
                <HandCell {...at} part={part} row={c * 10} column={0} />
              </div>
            ))}
          <ul className="mt-1">
            {part.needs.map((need) => (
              <li key={need.id}>
                <NeedMark part={part} need={need} />
              </li>
            ))}
          </ul>
        </li>
      ))}
    </ol>
  );
});
