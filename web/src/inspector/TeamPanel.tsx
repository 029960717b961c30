import { useState } from "react";
import type { Person } from "../api/client";
import { Choose } from "../shared/Choose";
import { TypedField } from "../shared/TypedField";
import { seconds } from "../shared/format";
import { useDay } from "../day/DayContext";
import { Places } from "./Places";
import { Positions } from "./Positions";
import { WorkHabits } from "./WorkHabits";
import { ofPerson } from "../day/planChange";

const roles = [
  ["photographer", "photographs"],
  ["assistant", "assists"],
] as const;

/** Who comes along, what they do, and how quickly they hand something over. */
// Long: a form: who comes along and what they carry.
export function TeamPanel() {
  const { day, edit } = useDay();
  const [adding, setAdding] = useState("");
  const { plan } = day.board;
  const set = (id: string, change: Partial<Person>) => edit(ofPerson(id, () => change));
  const borrow = plan.rules.seconds.borrow;
  return (
    <div className="flex flex-col gap-2">
      <h2 className="text-[15px] font-bold">Who comes along</h2>
      {plan.people.map((person) => {
        const parts = day.parts.filter((p) => !p.present || p.present.includes(person.id)).length;
        return (
          <div
            key={person.id}
            role="group"
            aria-label={person.name ?? person.id}
            className="flex flex-wrap items-end gap-x-4 gap-y-2"
          >
            <TypedField
              label="Called"
              value={person.name ?? ""}
              commit={(name) => set(person.id, { name })}
            />
            <Choose
              label="Does what"
              value={person.role ?? "photographer"}
              options={roles}
              choose={(role) => role && set(person.id, { role })}
            />
            <TypedField
              label="Hands over in, s"
              form="seconds"
              value={person.handOverSeconds == null ? "" : String(person.handOverSeconds)}
              mayBeEmpty
              commit={(s) => set(person.id, { handOverSeconds: s === "" ? null : Number(s) })}
            />
            <p className="py-1.5 text-quiet">
              there in {parts} of {day.parts.length} parts; what they carry costs the others{" "}
              {seconds(person.handOverSeconds ?? borrow)}
            </p>
            {person.role !== "assistant" && <Positions person={person} />}
            {person.role !== "assistant" && <WorkHabits person={person} />}
          </div>
        );
      })}
      <form
        aria-label="Somebody else"
        className="flex flex-wrap items-end gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          edit({
            type: "setPerson",
            person: { id: "", name: adding, role: "assistant", handOverSeconds: 10 },
          });
          setAdding("");
        }}
      >
        <label className="flex flex-col gap-0.5">
          Somebody else
          <input
            className="webbing w-44 font-normal"
            value={adding}
            onChange={(e) => setAdding(e.target.value)}
          />
        </label>
        <button className="webbing" disabled={!adding.trim()}>
          Takes part
        </button>
        <button type="button" className="webbing" onClick={() => edit({ type: "addDay" })}>
          Add a day like the last
        </button>
      </form>
      <Places />
    </div>
  );
}
