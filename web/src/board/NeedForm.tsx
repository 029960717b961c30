import { useState, type ReactNode } from "react";
import type { Motion, Need, Part, Subject } from "../api/client";
import { number } from "../shared/format";
import { useDay } from "./DayContext";

const subjects: [Subject, string][] = [
  ["face", "a face"],
  ["halfLength", "a half-length"],
  ["fullLength", "a person"],
  ["couple", "a couple"],
  ["row", "a row, 4.5 m wide"],
  ["group", "a large group, 12 m wide"],
  ["room", "a room, 12 m wide"],
];
const motions: [Motion, string][] = [
  ["still", "still"],
  ["talking", "talking"],
  ["walking", "walking"],
  ["dancing", "dancing"],
  ["running", "running"],
  ["wheels", "on wheels"],
];

/** What a need asks, in the craft's words; the figures they come to stand beside them. */
export function NeedForm({ part, need, done }: { part: Part; need: Need; done: () => void }) {
  const { day, edit } = useDay();
  const [name, setName] = useState(need.name ?? "");
  const [importance, setImportance] = useState(need.importance);
  const [who, setWho] = useState(need.who);
  const [subject, setSubject] = useState<Subject | "">("");
  const [near, setNear] = useState(String(need.framing?.distanceM[0] ?? ""));
  const [far, setFar] = useState(String(need.framing?.distanceM[1] ?? ""));
  const [focal, setFocal] = useState(need.focal ? need.focal.map(number).join("–") : "");
  const [motion, setMotion] = useState<Motion | "">("");
  const [wait, setWait] = useState(need.toleranceSeconds == null ? "" : String(need.toleranceSeconds));
  const change = () => {
    const ends = focal
      .split(/[-–]/)
      .map(Number)
      .filter((n) => n > 0);
    edit({
      type: "putNeed",
      part: part.id,
      need: {
        ...need,
        name,
        importance,
        who,
        toleranceSeconds: wait.trim() === "" ? null : Number(wait),
        focal: ends.length === 0 ? null : [ends[0] ?? 0, ends[1] ?? ends[0] ?? 0],
      },
      subject: subject || null,
      nearM: near ? Number(near) : null,
      farM: far ? Number(far) : null,
      motion: motion || null,
    });
    done();
  };
  return (
    <form
      aria-label="Change the need"
      className="my-1.5 flex flex-wrap items-end gap-x-3 gap-y-2"
      onSubmit={(e) => {
        e.preventDefault();
        change();
      }}
    >
      <Field label="Called">
        <input className="webbing w-44 font-normal" value={name} onChange={(e) => setName(e.target.value)} />
      </Field>
      <Field label="Worth">
        <select
          className="webbing font-normal"
          value={importance}
          onChange={(e) => setImportance(e.target.value as Need["importance"])}
        >
          <option value="once">once</option>
          <option value="must">must</option>
          <option value="nice">nice</option>
        </select>
      </Field>
      <Field label="Whose">
        <select className="webbing font-normal" value={who} onChange={(e) => setWho(e.target.value)}>
          <option value="any">whoever is quickest</option>
          {day.board.plan.people.map((p) => (
            <option key={p.id} value={p.id}>
              {p.name ?? p.id}
            </option>
          ))}
        </select>
      </Field>
      <Field label="In the frame">
        <select
          className="webbing font-normal"
          value={subject}
          onChange={(e) => setSubject(e.target.value as Subject)}
        >
          <option value="">as it is</option>
          {subjects.map(([key, word]) => (
            <option key={key} value={key}>
              {word}
            </option>
          ))}
        </select>
      </Field>
      <Field label="From, m">
        <input
          className="webbing w-16 font-normal"
          inputMode="decimal"
          value={near}
          onChange={(e) => setNear(e.target.value)}
        />
      </Field>
      <Field label="to, m">
        <input
          className="webbing w-16 font-normal"
          inputMode="decimal"
          value={far}
          onChange={(e) => setFar(e.target.value)}
        />
      </Field>
      <Field label="or mm, typed over">
        <input
          className="webbing w-24 font-normal"
          value={focal}
          onChange={(e) => setFocal(e.target.value)}
          placeholder="from the frame"
        />
      </Field>
      <Field label="Moves">
        <select
          className="webbing font-normal"
          value={motion}
          onChange={(e) => setMotion(e.target.value as Motion)}
        >
          <option value="">as it is</option>
          {motions.map(([key, word]) => (
            <option key={key} value={key}>
              {word}
            </option>
          ))}
        </select>
      </Field>
      <Field label="Can wait, s">
        <input
          className="webbing w-20 font-normal"
          inputMode="decimal"
          value={wait}
          onChange={(e) => setWait(e.target.value)}
          placeholder="by worth"
        />
      </Field>
      <button className="webbing">Change it</button>
      <button type="button" className="webbing" onClick={done}>
        Leave it
      </button>
    </form>
  );
}

function Field({ label, children }: { label: string; children: ReactNode }) {
  return (
    <label className="flex flex-col gap-0.5">
      {label}
      {children}
    </label>
  );
}
