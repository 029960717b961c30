import { useState } from "react";
import type { PocketDay, PocketPart } from "../api/client";
import { usePocketNames } from "./names";
import type { Failure } from "./pocketModel";

/** What failed: the cameras of the hands first, then a bag, somebody, and all else by name. */
export function FailedScreen({
  day,
  part,
  out,
  fail,
  back,
}: {
  day: PocketDay;
  part: PocketPart;
  out: Failure[];
  fail: (f: Failure) => void;
  back: () => void;
}) {
  const { name } = usePocketNames();
  const [sought, setSought] = useState("");
  const isOut = (kind: Failure["kind"], id: string) => out.some((f) => f.kind === kind && f.id === id);
  const choose = (kind: Failure["kind"], id: string, text: string, detail?: string) =>
    !isOut(kind, id) && (
      <li key={`${kind}/${id}`}>
        <button
          className="w-full bg-raised px-3 py-2.5 text-left"
          onClick={() => fail({ kind, id, part: part.id })}
        >
          <span className="block text-lg leading-tight font-semibold">{text}</span>
          {detail && <span className="text-quiet">{detail}</span>}
        </button>
      </li>
    );
  const shoes = part.hands.flatMap((h) => h.on.map((id) => [id, h.position] as const));
  const bags = day.losses.filter((l) => l.kind === "place");
  const others = day.losses.filter((l) => !["place", "person", "rig"].includes(l.kind));
  const found = others.filter((l) => l.name.toLowerCase().includes(sought.trim().toLowerCase()));
  return (
    <div className="flex flex-col gap-4">
      <header className="flex items-baseline justify-between">
        <h1 className="text-xl font-bold">What failed?</h1>
        <button className="webbing" onClick={back}>
          Nothing
        </button>
      </header>
      <ul className="flex flex-col gap-2">
        {part.hands.map((h) =>
          choose("item", h.body, `The ${h.position} camera`, `${name(h.body)} dies, the ${h.glass} is well`),
        )}
        {part.hands.map((h) =>
          choose("rig", h.body, `The ${h.position} camera fell`, `${name(h.body)} and all on it`),
        )}
        {shoes.map(([id, position]) => choose("item", id, name(id), `on the ${position} camera`))}
        {day.team.map((id) => choose("person", id, `${name(id)} is not there`))}
        {bags.map((l) => choose(l.kind, l.id, l.name, "stolen, locked in or out of reach"))}
      </ul>
      <label className="flex flex-col">
        <span className="text-quiet">Something else</span>
        <input
          className="border-2 border-rule bg-raised px-3 py-2 text-lg"
          value={sought}
          onChange={(e) => setSought(e.target.value)}
        />
      </label>
      <ul className="flex flex-col gap-2">{found.map((l) => choose(l.kind, l.id, l.name))}</ul>
    </div>
  );
}
