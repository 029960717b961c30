import { useState } from "react";
import { ProblemError, type WhatIfRow } from "../api/client";
import { few } from "../shared/words";
import { useBoard } from "../day/useBoard";
import { Choose, Typing } from "../shared/Choose";
import { Problem } from "../shared/Problem";

const nothing: string[] = [];

/** What the photographer fears beyond what is tried anyway: things that go together, from one part on, until another. */
// Long: one form for what one fears, and the list of it.
export function OwnEvents({ assignment, rows }: { assignment: string; rows: WhatIfRow[] }) {
  const { board, edit, editThen, notice, pending } = useBoard(assignment, nothing);
  const [name, setName] = useState("");
  const [items, setItems] = useState<string[]>([]);
  const [from, setFrom] = useState("");
  const [until, setUntil] = useState("");
  const [missing, setMissing] = useState("");
  if (!board) return null;
  const { plan } = board;
  const label = (id: string) => plan.items.find((i) => i.id === id)?.name ?? id;
  const parts = plan.parts.map((p) => [p.id, p.name ?? p.id] as const);
  return (
    <section aria-label="Events of your own" className="mt-4 print:hidden">
      <h2 className="text-[15px] font-bold">And what if …</h2>
      <ul>
        {plan.events?.map((event) => (
          <li key={event.id}>
            <strong>{event.name ?? event.id}</strong>, {few(event.items.map(label))}:{" "}
            {costs(rows.find((r) => r.kind === "own" && r.id === event.id)?.costs)}{" "}
            <button className="underline" onClick={() => edit({ type: "removeEvent", event: event.id })}>
              Take it out
            </button>
          </li>
        ))}
      </ul>
      {notice && <Problem error={new ProblemError(0, notice.title, notice.lines)} />}
      <form
        aria-label="An event of your own"
        className="flex flex-wrap items-end gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          const lacks = [
            !name.trim() && "what might happen",
            items.length === 0 && "what goes with it",
          ].filter((lack) => lack !== false);
          setMissing(lacks.length > 0 ? `Say ${lacks.join(", and ")}.` : "");
          if (lacks.length > 0) return;
          const event = { id: "", name, items, fromPart: from || null, untilPart: until || null };
          editThen([{ type: "putEvent", event }], () => {
            setItems([]);
            setName("");
          });
        }}
      >
        <Typing
          label="What might happen"
          value={name}
          type={setName}
          width="w-56"
          placeholder="rain gets into the roller"
        />
        <Choose
          label="What goes with it"
          value=""
          empty={items.length > 0 ? "another thing" : "choose a thing"}
          options={plan.items.filter((i) => !items.includes(i.id)).map((i) => [i.id, i.name ?? i.id])}
          choose={(id) => id && setItems([...items, id])}
        />
        {items.map((id) => (
          <button
            key={id}
            type="button"
            className="webbing font-normal"
            aria-label={`Not the ${label(id)}`}
            onClick={() => setItems(items.filter((i) => i !== id))}
          >
            {label(id)} ×
          </button>
        ))}
        <Choose label="From" value={from} empty="the start of the day" options={parts} choose={setFrom} />
        <Choose label="Mended by" value={until} empty="not that day" options={parts} choose={setUntil} />
        <button className="webbing" disabled={pending}>
          Try it
        </button>
        {missing && (
          <p role="alert" className="w-full text-broken">
            {missing}
          </p>
        )}
      </form>
    </section>
  );
}

const costs = (pictures?: number) =>
  pictures === undefined
    ? "working it out …"
    : pictures === 0
      ? "no picture that matters is lost or late."
      : `${pictures} ${pictures === 1 ? "picture that matters" : "pictures that matter"} lost or late.`;
