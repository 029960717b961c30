import type { BagDay } from "../api/client";
import { Strands } from "../marks/Strands";
import { number } from "../shared/format";
import type { BagsPage } from "./Bags";

/** What would be gone with a bag, or with a box in one. */
export function GoneText({
  gone,
  value = 0,
  need,
  parts,
}: BagsPage & { gone: BagDay["gone"][number]; value?: number }) {
  const names = gone.lost.map((l) => need(l.part, l.need));
  const more = gone.costs - names.length;
  const from = parts.find((p) => p.id === gone.from);
  const lost = `${names.join(", ")}${more > 0 ? ` and ${more} more` : ""}`;
  return (
    <p className="flex gap-2">
      <Strands count={gone.costs > 0 ? 0 : 2} width={28} />
      <span>
        {gone.costs > 0 ? <strong>{lost} lost or late</strong> : "nothing is lost if it goes"}
        {gone.costs > 0 && from && ` if it goes in ${from.name ?? from.id}`}
        {gone.secondBest > 0 &&
          `, ${gone.secondBest} ${gone.secondBest === 1 ? "picture" : "pictures"} second best`}
        {gone.frames > 0 && `; ${number(gone.frames)} frames are nowhere else`}
        {value > 0 && <span className="block text-quiet">{number(value)} of value</span>}
      </span>
    </p>
  );
}
