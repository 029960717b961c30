import { Select } from "../shared/Select";
import type { Item } from "../api/client";
import { Strands } from "../marks/Strands";
import { Tick } from "../shared/Choose";
import { time } from "../shared/format";
import { outcomeWord } from "../shared/words";
import { useDay } from "../day/DayContext";

/** One thing: where it is, what hangs by it, where else it could be. */
// Long: one thing told from its name to its ways out.
export function ItemPanel({ item }: { item: Item }) {
  const { day, edit, select, togglePull } = useDay();
  const { plan, report } = day.board;
  const hits = report.singlePoints.find((s) => s.item === item.id)?.hits ?? [];
  const { partners, pairedNeeds } = day.itemReport(item.id) ?? { partners: [], pairedNeeds: 0 };
  const toGet = report.toGet.find((t) => t.item === item.id);
  const pulled = day.isGone(item.id);
  const rig = { kind: "rig", item: item.id } as const;
  const on = item.place?.startsWith("@");
  return (
    <div className="flex flex-wrap items-start gap-x-10 gap-y-3">
      <div className="min-w-0 flex-1 basis-96">
        <h2 className="flex items-center gap-2 text-[15px] font-bold">
          <Strands count={pulled ? 0 : day.itemStrands(item.id)} width={24} />
          {day.name(item.id)}{" "}
          <span className="font-normal text-quiet">
            {item.kind}
            {item.doubtful ? ", sometimes works" : ""}
          </span>
          {item.wanted && <span className="text-hangs">still to get</span>}
          {day.away(item.id) && <span className="text-hangs">{day.away(item.id)}</span>}
        </h2>
        {toGet && (
          <p className="mt-1">
            To borrow, rent or buy: {toGet.what}.{" "}
            {toGet.hits.length === 0 && "Nothing is missed without it. "}
            <button className="webbing" onClick={() => edit({ type: "got", item: item.id })}>
              It is here
            </button>
          </p>
        )}
        {hits.length > 0 && (
          <>
            <p className="mt-1 font-semibold">Without it:</p>
            <ul>
              {hits.map((hit) => {
                const part = day.parts.find((p) => p.id === hit.part);
                return (
                  <li key={`${hit.part}/${hit.need}`}>
                    <button
                      className="underline underline-offset-2"
                      onClick={() => select({ kind: "need", part: hit.part, need: hit.need })}
                    >
                      {part?.needs.find((n) => n.id === hit.need)?.name ?? hit.need}
                    </button>{" "}
                    is {outcomeWord[hit.outcome]}{" "}
                    <span className="text-quiet">
                      {part?.name}, {time(part?.start)}
                    </span>
                  </li>
                );
              })}
            </ul>
          </>
        )}
        {hits.length === 0 && pairedNeeds > 0 && (
          <p className="mt-1">
            Nothing is lost without it alone. Together with {partners.slice(0, 3).map(day.name).join(" or ")}
            {partners.length > 3 ? ` or ${partners.length - 3} others` : ""} it carries {pairedNeeds}{" "}
            {pairedNeeds === 1 ? "need" : "needs"}.
          </p>
        )}
        {hits.length === 0 && pairedNeeds === 0 && !pulled && (
          <p className="mt-1">It can fail, alone or with any one other thing, and nothing is lost.</p>
        )}
      </div>
      <div className="flex flex-wrap items-end gap-4 pr-16">
        <label className="flex flex-col gap-0.5">
          Packed in
          <Select
            className="webbing font-normal"
            value={item.place ?? ""}
            choose={(chosen) => edit({ type: "moveItem", item: item.id, place: chosen })}
          >
            {on && (
              <option value={item.place ?? ""}>
                with {day.name((item.place ?? "").slice(1).replace(/\/\d+$/, ""))}
              </option>
            )}
            {plan.places.map((place) => (
              <option key={place.id} value={place.id}>
                {place.name ?? place.id}
              </option>
            ))}
          </Select>
        </label>
        <button
          className="webbing"
          aria-pressed={day.isOut({ item: item.id })}
          onClick={() => togglePull({ item: item.id })}
        >
          {day.isOut({ item: item.id }) ? "Put it back" : "Pull it"}
        </button>
        {item.kind === "body" && (
          <button className="webbing" aria-pressed={day.isOut(rig)} onClick={() => togglePull(rig)}>
            {day.isOut(rig) ? "Put all on it back" : "Pull it with all on it"}
          </button>
        )}
        <Tick
          label="always comes along"
          on={item.keep === "always"}
          set={(always) => edit({ type: "keep", item: item.id, always })}
        />
        <button
          className="webbing"
          onClick={() => {
            edit({ type: "unpack", item: item.id });
            select(null);
          }}
        >
          Leave at home
        </button>
      </div>
    </div>
  );
}
