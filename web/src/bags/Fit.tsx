import { useQuery } from "@tanstack/react-query";
import { useParams } from "react-router";
import { answer, api, type BagFitDay, type Place } from "../api/client";
import { Problem } from "../shared/Problem";
import { said } from "../shared/format";
import type { BagsPage } from "./Bags";

/** Whether what is packed in a bag goes in, and how it lies. */
export function Fit({ place, name, plan }: BagsPage & { place: Place }) {
  const key = useParams().assignment ?? "";
  // Laid anew when the bag, or what is in it, is another.
  const inside = plan.items.map((i) => `${i.id} ${i.place} ${(i.sizeMm ?? []).join(" ")}`).join();
  const { data, error, isFetching } = useQuery({
    queryKey: ["board", key, "fit", place, plan.rules.carrier?.apart, inside],
    queryFn: ({ signal }) =>
      answer(
        api.GET("/api/assignments/{key}/bags/{place}/fit", {
          signal,
          params: { path: { key, place: place.id } },
        }),
      ),
  });
  if (error) return <Problem error={error} />;
  return (
    <div
      className="mt-1"
      aria-busy={isFetching}
      aria-label={`Room in ${place.name ?? place.id}`}
      role="group"
    >
      {data ? (
        <Laid fit={data} name={name} />
      ) : (
        <p className="text-quiet">Laying it out, five seconds at the most …</p>
      )}
    </div>
  );
}

function Laid({ fit, name }: { fit: BagFitDay; name: BagsPage["name"] }) {
  const fails = fit.layout.tooDeep.length + fit.layout.out.length > 0;
  return (
    <>
      <p className={fails ? "font-semibold" : ""}>{fit.sentence.map(said).join("")}</p>
      {fit.instead.length > 0 && (
        <ul className="list-disc pl-5">
          {fit.instead.map((i) => (
            <li key={`${i.out} ${i.with}`}>
              Instead of the {name(i.out)}: {i.label} fits; {i.then}.
            </li>
          ))}
        </ul>
      )}
      <Drawn fit={fit} name={name} />
    </>
  );
}

/** Seen from above, to scale. */
function Drawn({ fit, name }: { fit: BagFitDay; name: BagsPage["name"] }) {
  const { room, laid } = fit.layout;
  const isUsual = (item: string) => room.things.some((t) => t.item === item && t.isUsual);
  const names = laid.map((l) => `${name(l.item)}, ${Math.round(l.length)} × ${Math.round(l.width)} mm`);
  return (
    <svg
      role="img"
      aria-label={`Seen from above: ${names.join("; ")}`}
      viewBox={`-2 -2 ${room.length + 4} ${room.width + 4}`}
      className="mt-1 max-h-[16rem] w-full max-w-[26rem]"
    >
      <rect width={room.length} height={room.width} className="fill-rule/40 stroke-ink" strokeWidth="3" />
      {laid.map((l) => (
        <g key={l.item}>
          <rect
            x={l.x}
            y={l.y}
            width={l.length}
            height={l.width}
            className="fill-holds/30 stroke-ink"
            strokeWidth="1.5"
            strokeDasharray={isUsual(l.item) ? "6 4" : undefined}
          />
          <foreignObject x={l.x} y={l.y} width={l.length} height={l.width}>
            <p className="narrow overflow-hidden p-1 text-[17px] leading-tight">{name(l.item)}</p>
          </foreignObject>
        </g>
      ))}
    </svg>
  );
}
