import { useState } from "react";
import type { Person } from "../api/client";
import { setupOf } from "../day/dayModel";
import { useDay } from "../day/DayContext";
import { Choose, Typing } from "../shared/Choose";
import { TypedField } from "../shared/TypedField";

/** The cameras of a person: what each is called, where it is in a hand, one more, one less. */
export function Positions({ person }: { person: Person }) {
  const { day, edit } = useDay();
  const own = day.positions.filter((at) => at.person === person.id);
  return (
    <ul className="flex w-full flex-col gap-1 pl-4" aria-label={`Cameras of ${day.name(person.id)}`}>
      {own.map(({ position }) => {
        const parts = day.parts.filter((p) => setupOf(p, { person: person.id, position }));
        const changes = day.board.report.changes.filter(
          (c) => c.person === person.id && c.position === position,
        ).length;
        return (
          <li key={position} className="flex flex-wrap items-end gap-x-4 gap-y-1">
            <TypedField
              label="Camera"
              value={position}
              commit={(name) => edit({ type: "renamePosition", person: person.id, position, name })}
            />
            <p className="py-1.5 text-quiet">
              in {parts.length} of {day.parts.length} parts, {changes} {changes === 1 ? "change" : "changes"}{" "}
              of glass
            </p>
            <button
              className="webbing"
              onClick={() => edit({ type: "removePosition", person: person.id, position })}
            >
              Work without {position}
            </button>
          </li>
        );
      })}
      <li>
        <OneMore person={person} taken={own.map((at) => at.position)} />
      </li>
    </ul>
  );
}

const usual = ["left", "right", "third", "fourth"];

function OneMore({ person, taken }: { person: Person; taken: string[] }) {
  const { day, edit } = useDay();
  const [name, setName] = useState("");
  const [body, setBody] = useState("");
  const bodies = day.board.plan.items.filter((i) => i.kind === "body");
  const position = name.trim() || (usual.find((u) => !taken.includes(u)) ?? "another");
  return (
    <form
      className="flex flex-wrap items-end gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        edit({ type: "addPosition", person: person.id, position, body });
        setName("");
        setBody("");
      }}
    >
      <Typing label="One more camera" value={name} type={setName} width="w-28" placeholder={position} />
      <Choose
        label="Which"
        value={body}
        options={bodies.map((b) => [b.id, day.name(b.id)] as const)}
        choose={setBody}
        empty="choose a body"
      />
      <button className="webbing" disabled={!body}>
        Take it
      </button>
    </form>
  );
}
