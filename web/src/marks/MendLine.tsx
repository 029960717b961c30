import type { Mend } from "../api/client";
import { Strands } from "./Strands";
import { number, seconds, weight } from "../shared/format";

/** One mend: what it does, what it mends and what it costs; to be looked at first or done at once. */
export function MendLine({
  mend,
  name,
  see,
  take,
}: {
  mend: Mend;
  name: (id: string) => string;
  see: () => void;
  take: () => void;
}) {
  const gone = mend.singlePointsGone;
  const mends = [
    gone.length > 0 && `no more hanging by ${gone.map(name).join(" or ")}`,
    mend.gapsClosed > 0 && `${mend.gapsClosed} covered that ${mend.gapsClosed === 1 ? "was" : "were"} not`,
  ].filter(Boolean);
  return (
    <li className="flex items-start gap-2">
      <Strands count={mend.strands} width={16} height={16} label="With it" />
      <span className="flex-1">
        {mend.label}
        <span className="block text-quiet">{[...mends, costOf(mend)].join("; ")}</span>
      </span>
      <span className="flex flex-col gap-1">
        <button className="webbing" onClick={take}>
          Do it
        </button>
        <button className="webbing font-normal" onClick={see}>
          See it
        </button>
      </span>
    </li>
  );
}

function costOf(mend: Mend) {
  const handling = Math.abs(mend.handlingSeconds);
  return `costs ${[
    mend.grams == null ? "a weight not known" : mend.grams === 0 ? "no weight" : weight(mend.grams),
    handling < 1
      ? "no handling"
      : `${seconds(handling)} ${mend.handlingSeconds < 0 ? "less" : "more"} handling in the day`,
    mend.value == null || mend.value === 0 ? "" : `a value of ${number(mend.value)}`,
  ]
    .filter(Boolean)
    .join(", ")}`;
}
