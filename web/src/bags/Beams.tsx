import { DndContext, pointerWithin, useDroppable } from "@dnd-kit/core";
import { useState } from "react";
import type { Beam, Place } from "../api/client";
import { PlaceOptions } from "../day/PlaceOptions";
import { useHeldThing, type Held } from "../day/useHeldThing";
import { Tick } from "../shared/Choose";
import { number, weight } from "../shared/format";
import { Select } from "../shared/Select";
import type { BagsPage } from "./Bags";
import { Boxes, Together } from "./Boxes";
import { Fit } from "./Fit";
import { GoneText } from "./Gone";
import { PlaceSettings } from "./PlaceSettings";
import { useHandSensors } from "../shared/useHandSensors";
import { travelWords, wornWords } from "./placeWords";

/** Things that are picked to be packed elsewhere together. */
interface Picking {
  picked: readonly string[];
  pick: (item: string) => void;
  /** Packs what is picked, and another with it. */
  move: (place: string, item?: string) => void;
  forget: () => void;
}

/** Places one under another as beams of what is in them, each thing as long as it is heavy; beside each what goes if it goes. */
export function Beams(page: BagsPage) {
  const { places } = page.bags.plan;
  const longest = Math.max(1000, ...places.map((p) => Math.max(p.grams, p.limitG ?? 0)));
  const picking = usePicking(page);
  const sensors = useHandSensors();
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={pointerWithin}
      onDragEnd={({ active, over }) => {
        const item = (active.data.current as Held | undefined)?.item;
        if (over && item) picking.move(String(over.id), item);
      }}
    >
      <section aria-label="Bags" className="mt-4">
        <ul>
          {places.map((beam) => (
            <Row key={beam.place} beam={beam} longest={longest} {...page} {...picking} />
          ))}
        </ul>
      </section>
    </DndContext>
  );
}

function usePicking({ edit }: BagsPage): Picking {
  const [picked, setPicked] = useState<readonly string[]>([]);
  return {
    picked,
    pick: (item) => setPicked((all) => (all.includes(item) ? all.filter((i) => i !== item) : [...all, item])),
    move: (place, item) => {
      // One that was not picked is dragged by itself.
      const items = item && !picked.includes(item) ? [item] : picked;
      if (items.length === 0) return;
      edit({ type: "moveItems", items: [...items], place });
      setPicked([]);
    },
    forget: () => setPicked([]),
  };
}

const rowClass =
  "grid grid-cols-[11rem_1fr_16rem] gap-x-4 border-t border-rule py-2 max-[900px]:grid-cols-1 " +
  "print:grid-cols-[8rem_1fr_12rem]! print:break-inside-avoid print:py-1";

type BeamRow = BagsPage & Picking & { beam: Beam };

function Row({ longest, ...row }: BeamRow & { longest: number }) {
  const { beam, plan } = row;
  const place = plan.places.find((p) => p.id === beam.place)!;
  const { setNodeRef, isOver } = useDroppable({ id: beam.place });
  return (
    <li ref={setNodeRef} className={`${rowClass} ${isOver ? "outline-2 outline-ink outline-dashed" : ""}`}>
      <div>
        <strong>{place.name ?? place.id}</strong>
        <span className="block text-quiet">{placeText(place, row)}</span>
        <PlaceSettings place={place} {...row} />
      </div>
      <div className="min-w-0">
        <Things longest={longest} {...row} />
        <Boxes {...row} place={beam.place} />
        {beam.things.length > 0 && <PackElsewhere {...row} />}
        {place.innerMm && <Fit place={place} {...row} />}
      </div>
      <GoneWith {...row} />
    </li>
  );
}

function GoneWith(row: BeamRow) {
  const gone = row.bags.gone.find((g) => g.place === row.beam.place);
  return gone && <GoneText gone={gone} value={row.beam.value} {...row} />;
}

const placeText = (place: Place, { name }: BagsPage) =>
  [
    place.person && name(place.person),
    place.worn && wornWords[place.worn],
    place.travels && travelWords[place.travels],
    place.guarded ?? (place.worn === "wheels" || place.worn === "stays" ? "unwatched" : null),
    `${number(place.reachSeconds)} s`,
  ]
    .filter(Boolean)
    .join(" · ");

/** From this share of the longest beam on there is room for a name. */
const named = 5;

const thingClass = "narrow min-w-0 overflow-hidden border-r border-ground px-0.5 text-[11px] leading-tight";

function Things({ beam, longest, name, picked }: BeamRow & { longest: number }) {
  const share = (grams: number) => (grams / longest) * 100;
  const { limitG } = beam;
  const words = (t: Beam["things"][number]) =>
    `${name(t.item)}, ${weight(t.grams)}${t.isUsual ? " (usual)" : ""}`;
  const { setNodeRef, hold } = useHeldThing(`beam ${beam.place}`);
  return (
    <div className="relative">
      <div
        ref={setNodeRef}
        {...hold}
        className="flex h-10 cursor-grab items-stretch print:h-4"
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
            data-item={t.item}
            className={`${thingClass} ${t.on ? "bg-holds/15" : "bg-holds/30"} ${picked.includes(t.item) ? "outline-2 -outline-offset-2 outline-ink" : ""}`}
            style={{ flexGrow: t.grams, flexBasis: 0 }}
            title={words(t)}
          >
            <span className="print:hidden">{share(t.grams) > named && name(t.item)}</span>
          </span>
        ))}
      </div>
      <Limit at={limitG == null ? null : share(limitG)} />
      <Weight beam={beam} name={name} />
    </div>
  );
}

const Limit = ({ at }: { at: number | null }) =>
  at != null && (
    <span
      aria-hidden
      className="absolute top-0 h-10 border-l-2 border-ink print:h-4"
      style={{ left: `${at}%` }}
    />
  );

function Weight({ beam, name }: { beam: Beam; name: BagsPage["name"] }) {
  const { limitG, over } = beam;
  return (
    <>
      <p className={over > 0 ? "font-semibold text-hangs" : "text-quiet"}>
        <strong className="text-ink">{weight(beam.grams)}</strong>
        {limitG != null && (over > 0 ? `, ${weight(over)} over ${weight(limitG)}` : ` of ${weight(limitG)}`)}
        {beam.things.some((t) => t.isUsual) && ", some of it as is usual"}
      </p>
      <p className="hidden print:block">{beam.things.map((t) => name(t.item)).join(", ")}</p>
    </>
  );
}

/** Things of a bag, picked one by one and packed into another together. */
function PackElsewhere({ beam, plan, bags, name, edit, picked, pick, move, forget }: BeamRow) {
  const here = beam.things.filter((t) => picked.includes(t.item)).length;
  const from = plan.places.find((p) => p.id === beam.place);
  return (
    <details className="print:hidden">
      <summary className="min-h-[24px] cursor-pointer text-quiet underline">Pack elsewhere</summary>
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(12rem,1fr))] gap-x-3">
        {beam.things.map((t) => (
          <li key={t.item}>
            <Tick label={name(t.item)} on={picked.includes(t.item)} set={() => pick(t.item)} />
          </li>
        ))}
      </ul>
      {here > 0 && (
        <label className="flex items-center gap-2">
          {picked.length === 1 ? "One thing goes" : `${picked.length} things go`} into
          <Select
            className="webbing font-normal"
            aria-label={`Where what is picked in ${from?.name ?? beam.place} goes`}
            value={beam.place}
            choose={move}
          >
            <PlaceOptions places={plan.places} />
            {bags.modules.map((m) => (
              <option key={m.box} value={`@${m.box}`} label={name(m.box)} />
            ))}
          </Select>
        </label>
      )}
      {here > 0 && <Together items={picked} place={beam.place} edit={edit} done={forget} />}
    </details>
  );
}
