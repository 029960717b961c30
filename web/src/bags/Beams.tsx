import { useState } from "react";
import type { Beam, Place } from "../api/client";
import { Strands } from "../marks/Strands";
import { number, weight } from "../shared/format";
import { Select } from "../shared/Select";
import type { BagsPage } from "./Bags";
import { Fit } from "./Fit";
import { PlaceSettings } from "./PlaceSettings";
import { travelWords, wornWords } from "./placeWords";

/** Places one under another as beams of what is in them, each thing as long as it is heavy; beside each what goes if it goes. */
export function Beams(page: BagsPage) {
  const { places } = page.bags.plan;
  const longest = Math.max(1000, ...places.map((p) => Math.max(p.grams, p.limitG ?? 0)));
  return (
    <section aria-label="Bags" className="mt-4">
      <ul>
        {places.map((beam) => (
          <Row key={beam.place} beam={beam} longest={longest} {...page} />
        ))}
      </ul>
    </section>
  );
}

function Row({ beam, longest, ...page }: BagsPage & { beam: Beam; longest: number }) {
  const place = page.plan.places.find((p) => p.id === beam.place)!;
  return (
    <li className="grid grid-cols-[11rem_1fr_16rem] gap-x-4 border-t border-rule py-2 max-[900px]:grid-cols-1">
      <div>
        <strong>{place.name ?? place.id}</strong>
        <span className="block text-quiet">{placeText(place, page)}</span>
        <PlaceSettings place={place} {...page} />
      </div>
      <div className="min-w-0">
        <Things beam={beam} longest={longest} {...page} />
        {beam.things.length > 0 && <Move beam={beam} {...page} />}
        {place.innerMm && <Fit place={place} {...page} />}
      </div>
      <Gone place={beam.place} value={beam.value} {...page} />
    </li>
  );
}

const placeText = (place: Place, { name }: BagsPage) =>
  [
    place.person && name(place.person),
    place.worn && wornWords[place.worn],
    place.travels && travelWords[place.travels],
    `${number(place.reachSeconds)} s`,
  ]
    .filter(Boolean)
    .join(" · ");

/** From this share of the longest beam on there is room for a name. */
const named = 5;

function Things({ beam, longest, name }: BagsPage & { beam: Beam; longest: number }) {
  const share = (grams: number) => (grams / longest) * 100;
  const { limitG } = beam;
  const words = (t: Beam["things"][number]) =>
    `${name(t.item)}, ${weight(t.grams)}${t.isUsual ? " (usual)" : ""}`;
  return (
    <div className="relative">
      <div
        className="flex h-10 items-stretch"
        style={{ width: `${share(beam.grams)}%` }}
        role="img"
        aria-label={beam.things.map(words).join("; ") || "empty"}
      >
        {beam.emptyG ? (
          <span
            className="border-r border-ground bg-rule"
            style={{ flexGrow: beam.emptyG, flexBasis: 0 }}
            title={`empty, ${weight(beam.emptyG)}`}
          />
        ) : null}
        {beam.things.map((t) => (
          <span
            key={t.item}
            className={`narrow min-w-0 overflow-hidden border-r border-ground px-0.5 text-[11px] leading-tight ${t.on ? "bg-holds/15" : "bg-holds/30"}`}
            style={{ flexGrow: t.grams, flexBasis: 0 }}
            title={words(t)}
          >
            {share(t.grams) > named && name(t.item)}
          </span>
        ))}
      </div>
      <Limit at={limitG == null ? null : share(limitG)} />
      <Weight beam={beam} />
    </div>
  );
}

const Limit = ({ at }: { at: number | null }) =>
  at != null && (
    <span aria-hidden className="absolute top-0 h-10 border-l-2 border-ink" style={{ left: `${at}%` }} />
  );

function Weight({ beam }: { beam: Beam }) {
  const { limitG, over } = beam;
  return (
    <p className={over > 0 ? "font-semibold text-hangs" : "text-quiet"}>
      <strong className="text-ink">{weight(beam.grams)}</strong>
      {limitG != null && (over > 0 ? `, ${weight(over)} over ${weight(limitG)}` : ` of ${weight(limitG)}`)}
      {beam.things.some((t) => t.isUsual) && ", some of it as is usual"}
    </p>
  );
}

/** Packs a thing of a bag into another. */
function Move({ beam, plan, name, edit }: BagsPage & { beam: Beam }) {
  const [item, setItem] = useState("");
  const from = plan.places.find((p) => p.id === beam.place);
  return (
    <p className="flex flex-wrap items-center gap-2 print:hidden">
      <Select
        className="webbing font-normal"
        aria-label={`A thing in ${from?.name ?? beam.place}`}
        value={item}
        choose={setItem}
      >
        <option value="">pack elsewhere …</option>
        {beam.things.map((t) => (
          <option key={t.item} value={t.item}>
            {name(t.item)}
          </option>
        ))}
      </Select>
      {item && (
        <Select
          className="webbing font-normal"
          aria-label={`Where ${name(item)} goes`}
          value={beam.place}
          choose={(place) => {
            edit({ type: "moveItem", item, place });
            setItem("");
          }}
        >
          {plan.places.map((p) => (
            <option key={p.id} value={p.id}>
              {p.name ?? p.id}
            </option>
          ))}
        </Select>
      )}
    </p>
  );
}

function Gone({ place, value, bags, need, parts }: BagsPage & { place: string; value: number }) {
  const gone = bags.gone.find((g) => g.place === place);
  if (!gone) return null;
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
