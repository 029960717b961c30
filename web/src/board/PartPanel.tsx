import { ToggleGroup } from "radix-ui";
import { useState, type ReactNode } from "react";
import type { Part } from "../api/client";
import { TypedField } from "../shared/TypedField";
import { useDay } from "./DayContext";
import { PartActions } from "./PartActions";

/** Named light levels, EV at ISO 100. */
const levels: [string, number][] = [
  ["full sun", 15],
  ["overcast", 12],
  ["open shade", 11],
  ["floodlit stadium", 9.5],
  ["bright window", 8],
  ["sports hall", 7],
  ["church", 5.5],
  ["evening hall", 5],
  ["candles", 2.5],
];

/** Times, light and rules of a part. Every change is made at once and the verdict follows. */
export function PartPanel({ part }: { part: Part }) {
  const { day, edit } = useDay();
  const [ripple, setRipple] = useState(false);
  const everyone = day.board.plan.people;
  const present = part.present ?? everyone.map((p) => p.id);
  const set = (change: object) => edit({ type: "setPart", part: part.id, ...change });
  return (
    <div className="flex flex-col gap-2">
      <h2 className="text-[15px] font-bold">{part.name ?? part.id}</h2>
      <PartActions part={part} />
      <div className="flex flex-wrap items-end gap-x-8 gap-y-3">
        <TypedField label="Called" type="text" value={part.name ?? ""} commit={(name) => set({ name })} />
        <TypedField
          label="Where"
          type="text"
          value={part.location ?? ""}
          mayBeEmpty
          commit={(location) => set({ location })}
        />
        <TypedField
          label="Starts"
          type="datetime-local"
          value={part.start ?? ""}
          commit={(start) => set({ start })}
        />
        <TypedField
          label="Ends"
          type="datetime-local"
          value={part.end ?? ""}
          commit={(end) => set({ end, ripple })}
        />
        <label className="flex items-center gap-1.5 py-1.5">
          <input type="checkbox" checked={ripple} onChange={(e) => setRipple(e.target.checked)} />
          the rest moves along
        </label>
        <TypedField
          label="Light, EV at ISO 100"
          type="number"
          step="0.5"
          value={String(part.ev)}
          commit={(ev) => set({ ev: Number(ev) })}
        />
        <label className="flex flex-col gap-0.5">
          or by name
          <select
            className="webbing font-normal"
            value={levels.find(([, ev]) => ev === part.ev)?.[1] ?? ""}
            onChange={(e) => set({ ev: Number(e.target.value) })}
          >
            <option value="" disabled>
              as set
            </option>
            {levels.map(([name, ev]) => (
              <option key={name} value={ev}>
                {name}, EV {ev}
              </option>
            ))}
          </select>
        </label>
        <Choice
          label="Flash"
          value={part.flash}
          options={{ allowed: "may be used", banned: "banned" }}
          choose={(flash) => set({ flash })}
        />
        <Choice
          label="Quiet"
          value={part.quiet}
          options={{ no: "no matter", preferred: "preferred", required: "required" }}
          choose={(quiet) => set({ quiet })}
        />
        {everyone.length > 1 && (
          <fieldset>
            <legend>There</legend>
            <div className="flex flex-wrap gap-x-4">
              {everyone.map((person) => (
                <label key={person.id} className="flex items-center gap-1.5 max-[700px]:min-h-[44px]">
                  <input
                    type="checkbox"
                    checked={present.includes(person.id)}
                    onChange={(e) =>
                      set({
                        present: e.target.checked
                          ? [...present, person.id]
                          : present.filter((id) => id !== person.id),
                      })
                    }
                  />
                  {person.name ?? person.id}
                </label>
              ))}
            </div>
          </fieldset>
        )}
        <fieldset>
          <legend>Out of reach</legend>
          <div className="flex flex-wrap gap-x-4">
            {day.board.plan.places.map((place) => (
              <label key={place.id} className="flex items-center gap-1.5 max-[700px]:min-h-[44px]">
                <input
                  type="checkbox"
                  checked={part.unreachable.includes(place.id)}
                  onChange={(e) =>
                    set({
                      unreachable: e.target.checked
                        ? [...part.unreachable, place.id]
                        : part.unreachable.filter((id) => id !== place.id),
                    })
                  }
                />
                {place.name ?? place.id}
              </label>
            ))}
          </div>
        </fieldset>
      </div>
      {part.flash === "allowed" && (
        <p className="text-quiet">
          Flash can harm or distract: ask before using it near athletes, animals, drivers and people sensitive
          to flashes. The venue has the last word.
        </p>
      )}
    </div>
  );
}

function Choice({
  label,
  value,
  options,
  choose,
}: {
  label: string;
  value: string;
  options: Record<string, string>;
  choose: (value: string) => void;
}) {
  return (
    <Labelled label={label}>
      <ToggleGroup.Root
        type="single"
        value={value}
        onValueChange={(v) => v && choose(v)}
        aria-label={label}
        className="flex"
      >
        {Object.entries(options).map(([key, word]) => (
          <ToggleGroup.Item
            key={key}
            value={key}
            className="webbing -ml-px rounded-none font-normal first:ml-0"
          >
            {word}
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
    </Labelled>
  );
}

function Labelled({ label, children }: { label: string; children: ReactNode }) {
  return (
    <div className="flex flex-col gap-0.5">
      <span>{label}</span>
      {children}
    </div>
  );
}
