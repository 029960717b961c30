import { memo, useState } from "react";
import { DragOverlay, useDndMonitor, useDroppable } from "@dnd-kit/core";
import type { Item, Plan } from "../api/client";
import { Strands } from "../marks/Strands";
import { seconds } from "../shared/format";
import { useDay } from "../day/DayContext";
import { useHeldThing } from "../day/useHeldThing";
import { moveBetweenCells } from "../shared/moveBetweenCells";
import { TakeAlong } from "../inspector/TakeAlong";

const order = ["body", "lens", "adapter", "converter", "tube", "flash"];
const rank = (item: Item) => {
  const at = order.indexOf(item.kind ?? "");
  return at < 0 ? (["battery", "cells", "card"].includes(item.kind ?? "") ? 20 : 10) : at;
};

/** Everything packed, place by place, nearest first. Each thing can be dragged from here to another place, or into a hand. */
export const Shelf = memo(function Shelf() {
  const { day } = useDay();
  const { plan } = day.board;
  const places = [...plan.places].sort((a, b) => a.reachSeconds - b.reachSeconds);
  return (
    <section
      aria-label="Kit"
      onKeyDown={moveBetweenCells}
      className="border-t border-rule px-4 py-2 max-[700px]:pb-6"
    >
      <Places places={places} />
      <TakeAlong />
      <p className="text-quiet">{plan.items.length} things are packed.</p>
    </section>
  );
});

function Places({ places }: { places: Plan["places"] }) {
  const { day } = useDay();
  const { plan } = day.board;
  const [dragged, setDragged] = useState("");
  const { held, setNodeRef, hold } = useHeldThing("shelf");
  useDndMonitor({
    onDragStart: () => setDragged(held.item),
    onDragEnd: () => setDragged(""),
    onDragCancel: () => setDragged(""),
  });
  return (
    <div ref={setNodeRef} {...hold}>
      {places.map((place, row) => (
        <PlaceRow
          key={place.id}
          row={row}
          place={place}
          items={plan.items.filter((i) => day.placeOf(i) === place.id)}
        />
      ))}
      <DragOverlay dropAnimation={null}>
        {dragged && <span className="tag narrow inline-block bg-ground">{day.name(dragged)}</span>}
      </DragOverlay>
    </div>
  );
}

function PlaceRow({ row, place, items }: { row: number; place: Plan["places"][number]; items: Item[] }) {
  const { day, pulling, togglePull } = useDay();
  const sorted = [...items].sort((a, b) => rank(a) - rank(b));
  const { setNodeRef, isOver } = useDroppable({ id: `place:${place.id}`, data: { place: place.id } });
  return (
    <div
      ref={setNodeRef}
      className={`grid grid-cols-[112px_1fr] gap-y-1 py-1 max-[700px]:grid-cols-1 ${isOver ? "outline-2 outline-ink outline-dashed" : ""}`}
    >
      <h2 className="leading-tight font-semibold">
        {pulling ? (
          <button
            data-place={place.id}
            className="text-left underline underline-offset-2 max-[700px]:min-h-11"
            onClick={() => togglePull({ kind: "place", item: place.id })}
          >
            {place.name ?? place.id}
            <span className="sr-only"> and all in it</span>
          </button>
        ) : (
          (place.name ?? place.id)
        )}
        <span className="block font-normal text-quiet">
          {place.person ? `${day.name(place.person)}, ` : ""}
          {seconds(place.reachSeconds)}
        </span>
      </h2>
      <ul className="flex flex-wrap content-start gap-1">
        {sorted.map((item, column) => (
          <li key={item.id}>
            <ItemTag item={item} row={row} column={column} />
          </li>
        ))}
        {sorted.length === 0 && <li className="text-quiet">empty</li>}
      </ul>
    </div>
  );
}

/** What the day says of a thing, apart from how it is drawn: a thing of which nothing else is said is not drawn anew. */
function ItemTag({ item, row, column }: { item: Item; row: number; column: number }) {
  const { day, touchItem, selection } = useDay();
  const said: Said = {
    item,
    row,
    column,
    touchItem,
    name: day.name(item.id),
    away: day.away(item.id) ?? (item.wanted ? "to get" : undefined),
    strands: day.itemStrands(item.id),
    pulled: day.isGone(item.id),
    selected: selection?.kind === "item" && selection.item === item.id,
  };
  return <Tag {...said} />;
}

interface Said {
  item: Item;
  row: number;
  column: number;
  touchItem: (item: string) => void;
  name: string;
  away?: string;
  strands: number;
  pulled: boolean;
  selected: boolean;
}

const Tag = memo(function Tag({ item, row, column, touchItem, name, away, strands, pulled, selected }: Said) {
  const inside = item.place?.startsWith("@") && item.kind !== "lens";
  return (
    <button
      data-item={item.id}
      data-cell={`${row}:${column}`}
      tabIndex={column === 0 ? 0 : -1}
      aria-pressed={selected}
      title="Drag to a place or a hand, or open"
      onClick={() => touchItem(item.id)}
      className={
        `tag narrow touch-manipulation ${pulled ? "text-broken line-through" : ""} ${selected ? "bg-ink! text-ground" : ""} ` +
        `${inside && !selected ? "text-quiet" : ""} ${strands === 1 ? "font-bold" : ""}`
      }
    >
      {(strands < 3 || pulled) && (
        <span className={selected ? "rounded-sm bg-ground" : ""}>
          <Strands count={pulled ? 0 : strands} width={12} height={9} breaking />
        </span>
      )}
      {name}
      {away && <span className="font-bold text-hangs"> {away}</span>}
      <span className="sr-only">
        {pulled && ", pulled"}
        {strands === 1 && ", alone carries something"}
        {item.doubtful && ", sometimes works"}
      </span>
      {item.doubtful && (
        <span aria-hidden title="sometimes works">
          ?
        </span>
      )}
    </button>
  );
});
