import { ToggleGroup } from "radix-ui";
import { useState, type ReactNode } from "react";
import type { Part } from "../api/client";
import { Tick } from "../shared/Choose";
import { TypedField } from "../shared/TypedField";
import { useDay } from "../day/DayContext";
import { ofPart, withOrWithout } from "../day/planChange";
import { Cautions } from "./Cautions";
import { PartActions } from "./PartActions";
import { Question } from "../shared/Question";
import { Frames, LightLevel, MoreLight, moreLight, MoreRules, moreRules, Reach } from "./PartPlace";
import { Dusk, LateFrom } from "./Late";
import { MostPinch } from "./Pinch";
import { RoomLights } from "./RoomLights";
import { Taught } from "./Taught";

/** Times, light and rules of a part. Every change is made at once and the verdict follows. */
// Long: a form: its fields in the order of the page.
export function PartPanel({ part }: { part: Part }) {
  const { day, edit } = useDay();
  const [ripple, setRipple] = useState(false);
  const everyone = day.board.plan.people;
  const everybody = everyone.map((p) => p.id);
  const present = part.present ?? everybody;
  const set = (change: object) => edit({ type: "setPart", part: part.id, ...change });
  return (
    <div className="flex flex-col gap-2">
      <h2 className="text-[15px] font-bold">{part.name ?? part.id}</h2>
      <MostPinch part={part.id} />
      <PartActions part={part} />
      <Question asks="When and where">
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
        <Tick
          label="begins on the minute, however late one is"
          on={part.fixedStart ?? false}
          set={(fixedStart) => set({ fixedStart })}
        />
        <LateFrom part={part} />
        <Taught part={part} figure="minutes" />
        <TypedField label="Called" value={part.name ?? ""} commit={(name) => set({ name })} />
        <TypedField
          label="Where"
          value={part.location ?? ""}
          mayBeEmpty
          commit={(location) => set({ location })}
        />
      </Question>
      <Question asks="Light" more={<MoreLight part={part} set={set} />} says={moreLight(part)}>
        <LightLevel part={part} set={set} />
        <Taught part={part} figure="ev" back={(usual) => set({ ev: usual })} />
        <Dusk part={part} set={set} />
      </Question>
      <Question asks="Rules" more={<MoreRules part={part} set={set} />} says={moreRules(part)}>
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
        {part.kind === "ceremony" && part.quiet !== "required" && (
          <button className="webbing" onClick={() => set({ quiet: "required", flash: "banned" })}>
            The celebrant asks for silence
          </button>
        )}
      </Question>
      <Question asks="Who and what is in reach">
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
                      edit(
                        ofPart(part.id, (p) => ({
                          present: withOrWithout(p.present ?? everybody, person.id, e.target.checked),
                        })),
                      )
                    }
                  />
                  {person.name ?? person.id}
                </label>
              ))}
            </div>
          </fieldset>
        )}
        <Reach part={part} />
      </Question>
      <Question asks="How much">
        <Frames part={part} set={set} />
        <Taught part={part} figure="framesPerMinute" back={() => set({ clear: ["framesPerMinute"] })} />
      </Question>
      <RoomLights part={part} />
      <Cautions part={part} />
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
