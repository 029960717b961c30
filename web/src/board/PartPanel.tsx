import { ToggleGroup } from "radix-ui";
import type { ReactNode } from "react";
import type { Part } from "../api/client";
import { TypedField } from "../shared/TypedField";
import { useDay } from "./DayContext";

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
  const set = (change: object) => edit({ type: "setPart", part: part.id, ...change });
  return (
    <div className="flex flex-col gap-2">
      <h2 className="text-[15px] font-bold">{part.name ?? part.id}</h2>
      <div className="flex flex-wrap items-end gap-x-8 gap-y-3">
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
          commit={(end) => set({ end })}
        />
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
