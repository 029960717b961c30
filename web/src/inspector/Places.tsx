import { useState } from "react";
import type { Item, Plan } from "../api/client";
import { useDay } from "../day/DayContext";
import { Choose, Typing } from "../shared/Choose";
import { number, weight } from "../shared/format";
import { TypedField } from "../shared/TypedField";
import { ofPlace } from "../day/planChange";

type Place = Plan["places"][number];

/** Bags, pouches and other places: whose they are, how quickly one reaches into them, what is in them. */
export function Places() {
  const { day } = useDay();
  return (
    <section aria-label="Bags and pouches" className="flex flex-col gap-2">
      <h2 className="text-[15px] font-bold">Bags and pouches</h2>
      {day.board.plan.places.map((place) => (
        <OnePlace key={place.id} place={place} />
      ))}
      <AnotherPlace />
    </section>
  );
}

function OnePlace({ place }: { place: Place }) {
  const { day, edit } = useDay();
  const { plan } = day.board;
  const put = (changed: Partial<Place>) => edit(ofPlace(place.id, changed));
  const inside = plan.items.filter((i) => day.placeOf(i) === place.id);
  const others = plan.places.filter((p) => p.id !== place.id);
  return (
    <div
      role="group"
      aria-label={place.name ?? place.id}
      className="flex flex-wrap items-end gap-x-4 gap-y-2"
    >
      <TypedField label="Called" value={place.name ?? ""} commit={(name) => put({ name })} />
      <Choose
        label="Whose"
        value={place.person ?? ""}
        options={plan.people.map((p) => [p.id, day.name(p.id)] as const)}
        choose={(person) => put({ person: person || null })}
        empty="anybody’s"
      />
      <TypedField
        label="Reached in, s"
        form="seconds"
        value={String(place.reachSeconds)}
        commit={(s) => put({ reachSeconds: Number(s) })}
      />
      <p className="py-1.5 text-quiet">{contents(inside)}</p>
      {others.length > 0 && (
        <Choose
          label="Leave it at home, all in it into"
          value=""
          options={others.map((p) => [p.id, p.name ?? p.id] as const)}
          choose={(to) => to && edit({ type: "removePlace", place: place.id, to })}
          empty="it comes along"
        />
      )}
      {inside.length > 0 && others.length > 0 && <Repack place={place} others={others} />}
    </div>
  );
}

function contents(inside: Item[]) {
  const grams = inside.reduce((sum, i) => sum + (i.weightG ?? 0), 0);
  if (inside.length === 0) return "empty";
  return `${number(inside.length)} ${inside.length === 1 ? "thing" : "things"}${grams > 0 ? `, ${weight(grams)} as far as weighed` : ""}`;
}

/** Several things of a place into another at once. */
function Repack({ place, others }: { place: Place; others: Place[] }) {
  const { day, edit } = useDay();
  const [picked, setPicked] = useState<string[]>([]);
  // What is on or in another thing goes with that.
  const loose = day.board.plan.items.filter((i) => i.place === place.id);
  return (
    <details className="w-full">
      <summary className="cursor-pointer">Pack several elsewhere</summary>
      <ul className="narrow gap-x-6 py-1 [columns:14rem]">
        {loose.map((i) => (
          <li key={i.id} className="break-inside-avoid">
            <label className="flex min-h-[26px] items-baseline gap-1.5 max-[700px]:min-h-11">
              <input
                type="checkbox"
                checked={picked.includes(i.id)}
                onChange={(e) =>
                  setPicked((old) => (e.target.checked ? [...old, i.id] : old.filter((id) => id !== i.id)))
                }
              />
              {day.name(i.id)}
            </label>
          </li>
        ))}
      </ul>
      <Choose
        label={`These ${number(picked.length)} into`}
        value=""
        options={others.map((p) => [p.id, p.name ?? p.id] as const)}
        choose={(to) => {
          if (!to || picked.length === 0) return;
          edit({ type: "moveItems", items: picked, place: to });
          setPicked([]);
        }}
        empty={picked.length === 0 ? "pick some first" : "choose where"}
      />
    </details>
  );
}

function AnotherPlace() {
  const { edit } = useDay();
  const [name, setName] = useState("");
  return (
    <form
      className="flex flex-wrap items-end gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        edit({ type: "putPlace", place: { id: "", name: name.trim(), reachSeconds: 60 } });
        setName("");
      }}
    >
      <Typing label="One more bag or pouch" value={name} type={setName} width="w-44" />
      <button className="webbing" disabled={!name.trim()}>
        Take it along
      </button>
    </form>
  );
}
