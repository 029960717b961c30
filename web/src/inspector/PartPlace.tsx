import { fromCelsius, temperatureUnit, toCelsius } from "../shared/units";
import type { Part } from "../api/client";
import { Choose, Tick, Typing } from "../shared/Choose";
import { TypedField } from "../shared/TypedField";
import { number, seconds, shutter } from "../shared/format";
import { useTyped } from "../shared/useTyped";
import { useDay } from "../day/DayContext";
import { ofPart, withOrWithout } from "../day/planChange";
import { colours } from "./needWords";

type Set = (change: object) => void;

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

/** Light as a figure, by a name, or from an exposure somebody noted there. */
// Long: a form: its fields in the order of the page.
export function LightLevel({ part, set }: { part: Part; set: Set }) {
  const noted = useTyped(
    { fNumber: "fNumber", shutterSeconds: "shutter", iso: "number" },
    {
      fNumber: part.noted ? String(part.noted.fNumber) : "",
      shutterSeconds: part.noted ? shutter(part.noted.shutterSeconds) : "",
      iso: part.noted ? String(part.noted.iso) : "",
    },
  );
  const take = async () => {
    const values = await noted.read();
    const of = (name: string) => values?.(name)[0] ?? 0;
    if (values)
      set({ noted: { fNumber: of("fNumber"), shutterSeconds: of("shutterSeconds"), iso: of("iso") } });
  };
  const field = (name: string, label: string, width: string) => (
    <Typing
      label={label}
      value={noted.texts[name] ?? ""}
      type={(text) => noted.type(name, text)}
      problem={noted.problem(name)}
      width={width}
    />
  );
  return (
    <>
      <TypedField
        label="Light, EV at ISO 100"
        form="number"
        value={String(part.ev)}
        commit={(ev) => set({ ev: Number(ev) })}
      />
      <Choose
        label="or by name"
        value={String(levels.find(([, ev]) => ev === part.ev)?.[1] ?? "")}
        empty="as set"
        options={levels.map(([name, ev]): [string, string] => [String(ev), `${name}, EV ${ev}`])}
        choose={(ev) => ev && set({ ev: Number(ev) })}
      />
      <form
        aria-label="From a noted exposure"
        className="flex items-end gap-1.5"
        onSubmit={(e) => {
          e.preventDefault();
          void take();
        }}
      >
        {field("fNumber", "or noted: f/", "w-14")}
        {field("shutterSeconds", "shutter, 1/125", "w-20")}
        {field("iso", "ISO", "w-20")}
        <button className="webbing" disabled={Object.values(noted.texts).some((t) => !t)}>
          Take it
        </button>
      </form>
    </>
  );
}

/** How long each place takes to reach in this part, and which cannot be. */
// Long: a form: its fields in the order of the page.
export function Reach({ part }: { part: Part }) {
  const { day, edit } = useDay();
  return (
    <fieldset>
      <legend>Reach here, s</legend>
      <div className="flex flex-wrap gap-x-5 gap-y-1">
        {day.board.plan.places.map((place) => {
          const name = place.name ?? place.id;
          const here = part.reachSeconds?.[place.id];
          const out = part.unreachable.includes(place.id);
          return (
            <div key={place.id} className="flex items-end gap-1.5">
              <div className="[&_input]:w-20">
                <TypedField
                  label={`${name}${here == null ? `, ${seconds(place.reachSeconds)}` : ""}`}
                  form="seconds"
                  mayBeEmpty
                  value={here == null ? "" : String(here)}
                  commit={(s) =>
                    edit({
                      type: "setPlace",
                      place: place.id,
                      part: part.id,
                      reachSeconds: s === "" ? null : Number(s),
                    })
                  }
                />
              </div>
              <Tick
                label="out of reach"
                on={out}
                set={(on) =>
                  edit(
                    ofPart(part.id, (p) => ({
                      unreachable: withOrWithout(p.unreachable, place.id, on),
                    })),
                  )
                }
              />
            </div>
          );
        })}
      </div>
    </fieldset>
  );
}

/** What else the light is like. */
export function MoreLight({ part, set }: { part: Part; set: Set }) {
  return (
    <>
      <TypedField
        label="Ceiling, m high"
        form="metres"
        mayBeEmpty
        value={part.ceiling == null ? "" : String(part.ceiling.ceilingM)}
        commit={(m) => set({ ceilingM: Number(m || 0) })}
      />
      <CeilingColour part={part} set={set} />
      <Tick label="LED light that bands" on={!!part.ledBands} set={(ledBands) => set({ ledBands })} />
      <TypedField label="Gel that matches" mayBeEmpty value={part.gel ?? ""} commit={(gel) => set({ gel })} />
      <TypedField
        label="White balance"
        mayBeEmpty
        value={part.whiteBalance ?? ""}
        commit={(whiteBalance) => set({ whiteBalance })}
      />
    </>
  );
}

function CeilingColour({ part, set }: { part: Part; set: Set }) {
  if (!part.ceiling) return null;
  return (
    <Choose
      label="and its colour"
      value={part.ceiling.colour ?? "white"}
      options={colours}
      choose={(ceilingColour) => ceilingColour && set({ ceilingColour })}
    />
  );
}

/** The same in a few words, while it is folded. */
export const moreLight = (part: Part) =>
  [
    part.ceiling && `ceiling ${number(part.ceiling.ceilingM)} m`,
    part.ledBands && "banding LED",
    part.gel && `gel ${part.gel}`,
    part.whiteBalance && `white balance ${part.whiteBalance}`,
  ]
    .filter(Boolean)
    .join(", ") || "ceiling, banding, gel, white balance";

/** What else the place asks of one. */
export function MoreRules({ part, set }: { part: Part; set: Set }) {
  return (
    <>
      <TypedField
        label="Stay behind a line, m off"
        form="metres"
        mayBeEmpty
        value={part.stayBehindM == null ? "" : String(part.stayBehindM)}
        commit={(m) => set({ stayBehindM: Number(m || 0) })}
      />
      <TypedField
        label={`Temperature, ${temperatureUnit}`}
        form="number"
        mayBeEmpty
        value={part.temperatureC == null ? "" : String(Math.round(fromCelsius(part.temperatureC) * 10) / 10)}
        commit={(c) => set(c === "" ? { clear: ["temperatureC"] } : { temperatureC: toCelsius(Number(c)) })}
      />
      <Tick label="rain" on={!!part.rain} set={(rain) => set({ rain })} />
      <Tick label="a socket" on={!!part.socket} set={(socket) => set({ socket })} />
    </>
  );
}

/** The same in a few words, while it is folded. */
export const moreRules = (part: Part) =>
  [
    part.stayBehindM && `a line ${number(part.stayBehindM)} m off`,
    part.temperatureC != null && `${number(fromCelsius(part.temperatureC))} ${temperatureUnit}`,
    part.rain && "rain",
    part.socket && "a socket",
  ]
    .filter(Boolean)
    .join(", ") || "a line to stay behind, temperature, rain, a socket";

/** How many frames it will take. */
export function Frames({ part, set }: { part: Part; set: Set }) {
  const { day } = useDay();
  const frames = day.board.report.frames.find((f) => f.part === part.id);
  const count = frames?.count;
  const typed = (which: "low" | "likely" | "high") => (text: string) => {
    if (text === "") set({ clear: ["frames"] });
    else if (count)
      set({
        frames: order(
          { low: count.low, likely: count.likely, high: count.high, [which]: Number(text) },
          which,
        ),
      });
  };

  return (
    <>
      {count && (
        <fieldset className="flex items-end gap-1.5 [&_input]:w-20">
          <legend>
            Frames,{" "}
            <span className="text-quiet">
              {frames.typed ? "typed over" : "from kind and length"}
              {frames.typed && (
                <button className="ml-1 text-ink underline" onClick={() => set({ clear: ["frames"] })}>
                  reckon them
                </button>
              )}
            </span>
          </legend>
          <TypedField label="low" form="count" value={String(count.low)} commit={typed("low")} />
          <TypedField label="likely" form="count" value={String(count.likely)} commit={typed("likely")} />
          <TypedField label="high" form="count" value={String(count.high)} commit={typed("high")} />
          <span className="py-1.5 text-quiet">{number(count.high)} to be ready for</span>
        </fieldset>
      )}
    </>
  );
}

/** What was typed stands; its neighbours give way. */
function order(f: { low: number; likely: number; high: number }, typed: "low" | "likely" | "high") {
  const at = f[typed];
  return {
    low: typed === "low" ? at : Math.min(f.low, at),
    likely: typed === "likely" ? at : typed === "low" ? Math.max(f.likely, at) : Math.min(f.likely, at),
    high: typed === "high" ? at : Math.max(f.high, at),
  };
}
