import { Select } from "../shared/Select";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type Part, type SetupChoice } from "../api/client";
import { Strands } from "../marks/Strands";
import { Choose, Tick } from "../shared/Choose";
import { focal, seconds } from "../shared/format";
import { useDay } from "../day/DayContext";
import { setupOf, type Position } from "../day/dayModel";
import { equipped, mounted } from "../day/planChange";

/** What a position carries in a part, and what the part would be worth with anything else that fits. */
// Long: one hand and its choices, which answer to one another.
export function HandPanel({ assignment, part, at }: { assignment: string; part: Part; at: Position }) {
  const { day, edit, pulls } = useDay();
  const setup = setupOf(part, at);
  const bodies = day.board.plan.items.filter((i) => i.kind === "body");
  const [body, setBody] = useState(setup?.body ?? bodies[0]?.id ?? "");
  const where = { part: part.id, person: at.person, position: at.position };
  const { data, error } = useQuery({
    queryKey: ["choices", assignment, where, body, day.board.revision, pulls],
    queryFn: ({ signal }) =>
      answer(
        api.GET("/api/assignments/{key}/parts/{part}/choices", {
          signal,
          params: {
            path: { key: assignment, part: part.id },
            query: { person: at.person, position: at.position, body, pull: pulls },
          },
        }),
      ),
    placeholderData: (old) => old,
  });
  const needName = (id: string) => part.needs.find((n) => n.id === id)?.name ?? id;

  return (
    <div>
      <h2 className="text-[15px] font-bold">
        {day.name(at.person)} {at.position}, {part.name}
      </h2>
      <label className="mt-1 mr-5 inline-flex items-center gap-2">
        Body
        <Select
          className="webbing font-normal"
          value={body}
          choose={(chosen) => {
            setBody(chosen);
            edit(mounted(where, { body: chosen }));
          }}
        >
          {bodies.map((b) => (
            <option key={b.id} value={b.id}>
              {day.name(b.id)}
            </option>
          ))}
        </Select>
      </label>
      {setup?.body && (
        <Equipment
          key={setup.body}
          part={part}
          at={at}
          shoes={data?.shoes ?? []}
          supports={data?.supports ?? []}
        />
      )}
      {error && <p role="alert">{error.message}</p>}
      {!data && !error && <p className="text-quiet">Trying everything that fits …</p>}
      <ul
        className="mt-1.5 grid grid-cols-[repeat(auto-fill,minmax(19rem,1fr))] gap-x-6 gap-y-0.5"
        aria-label="Glass that fits"
      >
        {data?.glass.map((choice) => {
          if (choice.edit.type !== "mount") return null;
          const glass = [
            choice.edit.lens,
            choice.edit.converter,
            choice.edit.tube,
            choice.edit.adapter,
          ].filter((id): id is string => !!id);
          const harm = [
            choice.uncovered.length > 0 ? `not covered: ${choice.uncovered.map(needName).join(", ")}` : "",
            choice.hanging.length > 0 ? `hangs: ${choice.hanging.map(needName).join(", ")}` : "",
          ].filter(Boolean);
          return (
            <li key={glass.join()}>
              <button
                className={`flex w-full items-center gap-2 px-1 py-0.5 text-left max-[700px]:min-h-[44px] ${choice.current ? "bg-band font-bold" : ""}`}
                aria-pressed={choice.current}
                onClick={() => edit(choice.edit)}
              >
                <Strands count={choice.strands} width={18} label="The part with it" />
                <span className="narrow min-w-0 flex-1 truncate">
                  <span className="font-semibold">{glass.map(day.name).join(" + ")}</span>{" "}
                  <span className="text-quiet">
                    {focal(choice.equivalentMm)}
                    {choice.current ? ", on now" : choice.from ? fetched(choice) : ", in a hand"}
                  </span>
                  <span className="block truncate text-[12px]">{harm.join("; ") || "every need holds"}</span>
                </span>
              </button>
            </li>
          );
        })}
      </ul>
    </div>
  );
}

/** What it takes to have it in the hand when the part begins. */
const fetched = ({ prepareSeconds }: SetupChoice) =>
  prepareSeconds > 0 ? `, ${seconds(prepareSeconds)} to fetch before` : "";

/** What else belongs to the position: what is in the shoe, what it stands on, whether it is left alone. */
// Long: one hand and its choices, which answer to one another.
function Equipment({
  part,
  at,
  shoes,
  supports,
}: {
  part: Part;
  at: Position;
  shoes: string[];
  supports: string[];
}) {
  const { day, edit } = useDay();
  const setup = setupOf(part, at);
  if (!setup) return null;
  const named = (ids: string[]) => ids.map((id): [string, string] => [id, day.name(id)]);
  const set = (change: Parameters<typeof equipped>[1]) => edit(equipped({ part: part.id, ...at }, change));
  return (
    <div className="inline-flex flex-wrap items-center gap-x-5 [&_label]:flex-row [&_label]:items-center [&_label]:gap-2">
      <Choose
        label="In the shoe"
        value={setup.flash ?? setup.trigger ?? ""}
        empty="nothing"
        options={named(shoes)}
        choose={(shoe) => set({ shoe: shoe || null })}
      />
      <Choose
        label="Stands on"
        value={setup.support ?? ""}
        empty="nothing, by hand"
        options={named(supports)}
        choose={(support) => set({ support: support || null })}
      />
      <Tick label="left alone" on={!!setup.unattended} set={(unattended) => set({ unattended })} />
    </div>
  );
}
