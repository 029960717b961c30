import { Select } from "../shared/Select";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type Part } from "../api/client";
import { Typing } from "../shared/Choose";
import { useDay } from "../day/DayContext";

/** Changing the run of the day from one part: more needs, a part after it, split, join, out. */
// Long: a form: what can be done with a part.
export function PartActions({ part }: { part: Part }) {
  const { day, edit, select } = useDay();
  const { data } = useQuery({
    queryKey: ["starting"],
    queryFn: () => answer(api.GET("/api/starting")),
    staleTime: Infinity,
  });
  const last = day.parts.at(-1)?.id === part.id;
  return (
    <div className="flex flex-wrap items-center gap-3">
      <Select
        aria-label="Add a need"
        className="webbing font-normal"
        value=""
        choose={(chosen) => {
          const [kind, need] = chosen.split("/");
          const phrase = data?.kinds.find((k) => k.id === kind)?.needs.find((n) => n.id === need);
          if (phrase) edit({ type: "putNeed", part: part.id, need: { ...phrase, id: "" } });
        }}
      >
        <option value="">Add a need …</option>
        {data?.kinds
          .filter((k) => k.needs.length > 0)
          .map((k) => (
            <optgroup key={k.id} label={k.name}>
              {k.needs.map((n) => (
                <option key={n.id} value={`${k.id}/${n.id}`}>
                  {n.name}
                </option>
              ))}
            </optgroup>
          ))}
      </Select>
      <Select
        aria-label="Add a part after it"
        className="webbing font-normal"
        value=""
        choose={(chosen) => chosen && edit({ type: "addPart", after: part.id, kind: chosen })}
      >
        <option value="">Add a part after it …</option>
        {data?.kinds.map((k) => (
          <option key={k.id} value={k.id}>
            {k.name}, {k.minutes} min
          </option>
        ))}
      </Select>
      <button className="webbing" onClick={() => edit({ type: "splitPart", part: part.id })}>
        Split in two
      </button>
      <button className="webbing" disabled={last} onClick={() => edit({ type: "joinParts", part: part.id })}>
        Join with the next
      </button>
      <button
        className="webbing"
        onClick={() => {
          edit({ type: "removePart", part: part.id });
          select(null);
        }}
      >
        Take it out
      </button>
      <KeepAsKind part={part} />
    </div>
  );
}

/** Keeping a part as a kind of part. */
function useKeep(part: Part, done: () => void) {
  const { day } = useDay();
  const client = useQueryClient();
  return useMutation({
    mutationFn: (called: string) =>
      answer(api.POST("/api/kinds", { body: { assignment: day.board.key, part: part.id, name: called } })),
    onSuccess: () => {
      done();
      void client.invalidateQueries({ queryKey: ["starting"] });
    },
  });
}

/** Keeps the part's light, rules and needs under a name, for days to come. */
function KeepAsKind({ part }: { part: Part }) {
  const [name, setName] = useState<string | null>(null);
  const keep = useKeep(part, () => setName(null));
  if (name == null)
    return (
      <>
        <button className="webbing" onClick={() => setName(part.name ?? "")}>
          Keep this part as a kind …
        </button>
        {keep.data && (
          <span role="status" className="text-quiet">
            “{keep.data.name}” can be added to any day, and a timetable knows it.
          </span>
        )}
      </>
    );
  return (
    <form
      aria-label="Keep this part as a kind"
      className="flex flex-wrap items-end gap-1.5"
      onSubmit={(e) => {
        e.preventDefault();
        keep.mutate(name);
      }}
    >
      <Typing label="Kind called" value={name} type={setName} width="w-48" />
      <button className="webbing">Keep it</button>
      <button type="button" className="webbing font-normal" onClick={() => setName(null)}>
        Leave it
      </button>
      {keep.error && <p role="alert">{keep.error.message}</p>}
    </form>
  );
}
