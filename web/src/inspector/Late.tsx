import { useMutation } from "@tanstack/react-query";
import { answer, api, type LateDay, type Part } from "../api/client";
import { useDay } from "../day/DayContext";
import { Tick } from "../shared/Choose";
import { number, said, time } from "../shared/format";
import { Problem } from "../shared/Problem";
import { TypedField } from "../shared/TypedField";

const usual = [10, 20, 30, 45, 60];

/** The day late from a part on, looked at on the board before anything is kept. */
export function LateFrom({ part }: { part: Part }) {
  const { day, tryOut } = useDay();
  const slide = useMutation({
    mutationFn: (minutes: number) =>
      answer(
        api.GET("/api/assignments/{key}/late", {
          params: { path: { key: day.board.key }, query: { from: part.id, minutes } },
        }),
      ),
    onSuccess: (late) =>
      tryOut({
        label: labelOf(late, part),
        edits: [{ type: "slideDay", from: part.id, minutes: late.minutes }],
      }),
  });
  return (
    <div role="group" aria-label={`Late from ${part.name ?? part.id} on`}>
      <span>Late from here on, min</span>
      <div className="flex gap-1">
        {usual.map((minutes) => (
          <button
            key={minutes}
            className="webbing px-2"
            aria-label={`${minutes} min late from here on`}
            onClick={() => slide.mutate(minutes)}
          >
            {minutes}
          </button>
        ))}
      </div>
      {slide.error && <Problem error={slide.error} />}
    </div>
  );
}

const labelOf = (late: LateDay, part: Part) => {
  const falls = late.falls.map((line) => line.map(said).join(""));
  const told = falls.length > 0 ? falls.join(" ") : "Nothing falls by it.";
  return `${late.minutes} min late from ${part.name ?? part.id} on. ${told.replace(/\.$/, "")}`;
};

/** Whether the light goes with the sun, and when that sets. */
export function Dusk({ part, set }: { part: Part; set: (change: object) => void }) {
  const { day, edit } = useDay();
  const { sunset } = day.board.plan.assignment;
  const told = day.board.report.parts.find((p) => p.part === part.id);
  const change = (fields: object) => edit({ type: "setAssignment", ...fields });
  return (
    <fieldset className="flex flex-col gap-1">
      <Tick
        label="out of doors: the light goes with the sun"
        on={part.outdoors ?? false}
        set={(outdoors) => set({ outdoors })}
      />
      {part.outdoors && (
        <>
          {told?.sunset && (
            <p>
              The sun sets at {time(told.sunset)}
              {told.duskEv != null
                ? `; judged by its darkest minute, EV ${number(told.duskEv)}`
                : "; it is over before the light falls"}
              .
            </p>
          )}
          <TypedField
            label="Sunset of this assignment"
            type="time"
            mayBeEmpty
            value={sunset?.slice(0, 5) ?? ""}
            commit={(at) => change(at ? { sunset: `${at}:00` } : { clear: ["sunset"] })}
          />
          <Whereabouts change={change} />
        </>
      )}
    </fieldset>
  );
}

function Whereabouts({ change }: { change: (fields: object) => void }) {
  const { latitude, longitude, timeZone } = useDay().day.board.plan.assignment;
  return (
    <TypedField
      label={`or where, degrees north, east${timeZone ? "" : " (needs a time zone)"}`}
      mayBeEmpty
      value={latitude == null ? "" : `${latitude}, ${longitude ?? ""}`}
      commit={(text) => {
        const [north, east] = text.split(/[\s,;]+/).map(Number);
        if (text.trim() === "") change({ clear: ["where"] });
        else change({ latitude: north, longitude: east });
      }}
    />
  );
}
