import { memo } from "react";
import { useDraggable, useDroppable } from "@dnd-kit/core";
import type { Item, Plan } from "../api/client";
import { Strands } from "../marks/Strands";
import { seconds } from "../shared/format";
import { useDay } from "../day/DayContext";
import { moveBetweenCells } from "../shared/moveBetweenCells";
import { TakeAlong } from "../inspector/TakeAlong";

const order = ["body", "lens", "adapter", "converter", "tube", "flash"];
const rank = (item: Item) => {
  const at = order.indexOf(item.kind ?? "");
  return at < 0 ? (["battery", "cells", "card"].includes(item.kind ?? "") ? 20 : 10) : at;
};

/** Everything packed, place by place, nearest first. Glass and bodies are dragged from here into a hand. */
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
      {places.map((place, row) => (
        <PlaceRow
          key={place.id}
          row={row}
          place={place}
          items={plan.items.filter((i) => day.placeOf(i) === place.id)}
        />
      ))}
      <TakeAlong />
      <p className="text-quiet">{plan.items.length} things are packed.</p>
    </section>
  );
});

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

type DragProps = Pick<ReturnType<typeof useDraggable>, "setNodeRef" | "listeners" | "transform">;

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
  // Only what a hand can take listens to drags: every listener is asked at each move of the pointer.
  return item.kind === "lens" || item.kind === "body" ? <DraggableTag {...said} /> : <Tag {...said} />;
}

const DraggableTag = memo(function DraggableTag(said: Said) {
  const { setNodeRef, listeners, transform } = useDraggable({ id: said.item.id });
  return <Tag {...said} setNodeRef={setNodeRef} listeners={listeners} transform={transform} />;
});

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

const Tag = memo(function Tag({
  item,
  row,
  column,
  touchItem,
  name,
  away,
  strands,
  pulled,
  selected,
  setNodeRef,
  listeners,
  transform,
}: Said & Partial<DragProps>) {
  const inside = item.place?.startsWith("@") && item.kind !== "lens";
  return (
    <button
      ref={setNodeRef}
      {...listeners}
      data-item={item.id}
      data-cell={`${row}:${column}`}
      tabIndex={column === 0 ? 0 : -1}
      aria-pressed={selected}
      title={setNodeRef ? "Drag to a hand, or open" : undefined}
      onClick={() => touchItem(item.id)}
      className={`tag narrow touch-manipulation ${pulled ? "text-broken line-through" : ""} ${selected ? "bg-ink! text-ground" : ""} ${inside && !selected ? "text-quiet" : ""} ${strands === 1 ? "font-bold" : ""}`}
      style={
        transform
          ? { transform: `translate(${transform.x}px, ${transform.y}px)`, position: "relative", zIndex: 5 }
          : undefined
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
