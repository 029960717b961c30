import { useState } from "react";
import type { Part, Sending } from "../api/client";
import { Choose } from "../shared/Choose";
import { number, time } from "../shared/format";
import { TypedField } from "../shared/TypedField";
import type { CardsPage } from "./Cards";

/** What is sent on while it is taken, and whether what somebody waits for is there in time. */
export function Sent(page: CardsPage) {
  const { cards, parts, name, edit } = page;
  const sent = parts.flatMap((p) =>
    (p.use ?? []).flatMap((u) =>
      u.sends ? [{ part: p, item: u.item, words: `${name(u.item)} ${wayText(u.sends, name)}` }] : [],
    ),
  );
  const alike = [...new Set(sent.map((s) => s.words))].map((words) => sent.filter((s) => s.words === words));
  return (
    <section aria-label="Sent as it is taken" className="print:hidden">
      <h2 className="text-[15px] font-bold">Sent as it is taken</h2>
      {cards.plan.due.map((d) => (
        <Due key={`${d.part}/${d.need}`} due={d} {...page} />
      ))}
      <ul>
        {alike.map((same) => (
          <Same key={same[0]!.words} same={same} edit={edit} />
        ))}
      </ul>
      <Add {...page} />
    </section>
  );
}

/** The same of one camera, in all the parts it is so. */
function Same({
  same,
  edit,
}: {
  same: { part: Part; item: string; words: string }[];
  edit: CardsPage["edit"];
}) {
  const end = () =>
    edit(...same.map((s) => ({ type: "setSending" as const, part: s.part.id, item: s.item, sends: null })));
  return (
    <li className="flex items-baseline gap-3 border-t border-rule py-0.5">
      <span className="flex-1">
        {same[0]!.words}, in {same.map((s) => s.part.name ?? s.part.id).join(", ")}
      </span>
      <button className="underline" onClick={end}>
        No more
      </button>
    </li>
  );
}

const wayText = (s: Sending, name: (id: string) => string) =>
  [
    s.byCable ? `by cable to the ${name(s.to)}` : `by radio to ${s.to}`,
    s.megabytesPerSecond ? `, ${number(s.megabytesPerSecond)} MB a second` : ", at the usual speed",
    s.confirmed ? ", which says what has arrived" : ", which says nothing: no copy is counted",
  ].join("");

function Due({ due, need, part }: CardsPage & { due: CardsPage["cards"]["plan"]["due"][number] }) {
  return (
    <p className={due.why === "none" ? "" : "font-semibold text-broken"}>
      {due.frames} of {need(due.part, due.need)} in {part(due.part)}
      {due.by && `, by ${time(due.by)}`}:{" "}
      {due.why === "none" ? `there${due.at ? ` at ${time(due.at)}` : " in time"}` : obstacles[due.why]}
    </p>
  );
}

const obstacles = {
  noCamera: "no camera is left for it",
  nothingSent: "nothing is sent from its camera",
  outOfReach: "what it goes to is out of reach",
  notConfirmed: "nobody says that they have arrived",
  tooSlow: "too slow",
} as const;

const desk = "";

interface Draft {
  body: string;
  part: string;
  /** Id of what it goes to by cable; none = by radio. */
  thing: string;
  to: string;
  confirmed: boolean;
}

function Add(page: CardsPage) {
  const first = page.plan.items.find((i) => i.kind === "body")?.id;
  const [draft, setDraft] = useState<Draft>({
    body: first ?? "",
    part: "",
    thing: desk,
    to: "the desk",
    confirmed: true,
  });
  if (!first) return null;
  const send = (speed: number | null) =>
    page.edit({
      type: "setSending",
      item: draft.body,
      part: draft.part || null,
      sends: {
        to: draft.thing || draft.to,
        byCable: draft.thing !== desk,
        megabytesPerSecond: speed,
        confirmed: draft.confirmed,
      },
    });
  return (
    <details>
      <summary className="min-h-[24px] cursor-pointer underline">Send frames of a camera …</summary>
      <div className="flex flex-wrap items-end gap-2">
        <From {...page} draft={draft} put={(some) => setDraft({ ...draft, ...some })} />
        <Speed send={send} />
      </div>
    </details>
  );
}

/** Which camera, in which part, where to. */
function From({
  plan,
  parts,
  draft,
  put,
}: CardsPage & { draft: Draft; put: (some: Partial<Draft>) => void }) {
  const named = (i: { id: string; name?: string | null }) => [i.id, i.name ?? i.id] as const;
  const ends = plan.items
    .filter((i) => i.kind === "other" || i.kind === "drive")
    .map((i) => [i.id, `by cable to the ${i.name ?? i.id}`] as const);
  const bodies = plan.items.filter((i) => i.kind === "body").map(named);
  return (
    <>
      <Choose label="Camera" value={draft.body} choose={(body) => put({ body })} options={bodies} />
      <Choose
        label="Part"
        value={draft.part}
        choose={(part) => put({ part })}
        options={[["", "all its parts"], ...parts.map(named)]}
      />
      <Choose
        label="To"
        value={draft.thing}
        choose={(thing) => put({ thing })}
        options={[[desk, "by radio to …"], ...ends]}
      />
      {draft.thing === desk && <TypedField label="called" value={draft.to} commit={(to) => put({ to })} />}
      <label className="flex min-h-[28px] items-center gap-1">
        <input
          type="checkbox"
          checked={draft.confirmed}
          onChange={(e) => put({ confirmed: e.target.checked })}
        />
        it says what has arrived
      </label>
    </>
  );
}

/** The speed, and the button that begins: what is typed is read by the server first. */
function Speed({ send }: { send: (speed: number | null) => void }) {
  const [speed, setSpeed] = useState("");
  return (
    <>
      <TypedField label="MB a second" form="number" value={speed} commit={setSpeed} mayBeEmpty />
      <button className="webbing" onClick={() => send(speed === "" ? null : Number(speed))}>
        Send
      </button>
    </>
  );
}
