import { useState } from "react";
import type { PocketDay, PocketPart } from "../api/client";
import { usePocketNames } from "./names";
import type { Failure } from "./pocketModel";
import { ScreenHead } from "./ScreenHead";

interface Choice {
  kind: Failure["kind"];
  id: string;
  text: string;
  detail?: string;
}

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
  const choose = ({ kind, id }: Choice) => fail({ kind, id, part: part.id });
  const isIn = ({ kind, id }: Choice) => !out.some((f) => f.kind === kind && f.id === id);
  const others = day.losses
    .filter((l) => !["place", "person", "rig"].includes(l.kind))
    .filter((l) => l.name.toLowerCase().includes(sought.trim().toLowerCase()));
  return (
    <div className="flex flex-col gap-4">
      <ScreenHead title="What failed?" back={back} word="Nothing" />
      <Choices choices={likely(day, part, name).filter(isIn)} choose={choose} />
      <label className="flex flex-col">
        <span className="text-quiet">Something else</span>
        <input
          className="border-2 border-rule bg-raised px-3 py-2 text-lg"
          value={sought}
          onChange={(e) => setSought(e.target.value)}
        />
      </label>
      <Choices
        choices={others.map((l) => ({ kind: l.kind, id: l.id, text: l.name })).filter(isIn)}
        choose={choose}
      />
    </div>
  );
}

/** What one is asked first: the hands, what is on them, the others, the bags. */
function likely(day: PocketDay, part: PocketPart, name: (id: string) => string): Choice[] {
  const bags = day.losses.filter((l) => l.kind === "place");
  return [
    ...part.hands.map((h): Choice => ({
      kind: "item",
      id: h.body,
      text: `The ${h.position} camera`,
      detail: `${name(h.body)} dies, the ${h.glass} is well`,
    })),
    ...part.hands.map((h): Choice => ({
      kind: "rig",
      id: h.body,
      text: `The ${h.position} camera fell`,
      detail: `${name(h.body)} and all on it`,
    })),
    ...part.hands.flatMap((h) =>
      h.on.map((id): Choice => ({ kind: "item", id, text: name(id), detail: `on the ${h.position} camera` })),
    ),
    ...day.team.map((id): Choice => ({ kind: "person", id, text: `${name(id)} is not there` })),
    ...bags.map((l): Choice => ({
      kind: l.kind,
      id: l.id,
      text: l.name,
      detail: "stolen, locked in or out of reach",
    })),
  ];
}

const Choices = ({ choices, choose }: { choices: Choice[]; choose: (choice: Choice) => void }) => (
  <ul className="flex flex-col gap-2">
    {choices.map((c) => (
      <li key={`${c.kind}/${c.id}`}>
        <button className="w-full bg-raised px-3 py-2.5 text-left" onClick={() => choose(c)}>
          <span className="block text-lg leading-tight font-semibold">{c.text}</span>
          {c.detail && <span className="text-quiet">{c.detail}</span>}
        </button>
      </li>
    ))}
  </ul>
);
