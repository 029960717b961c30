import { number, seconds, weight } from "../shared/format";
import type { LockerPage, ThingView } from "../api/client";
import type { components } from "../api/schema";
import { moveBetweenCells } from "../shared/moveBetweenCells";

interface Props {
  page: LockerPage;
  things: ThingView[];
  selected: string | null;
  select: (id: string) => void;
}

type BodyBurst = components["schemas"]["BodyBurst"];

const count = (n: number, one: string, many = one + "s") => `${n} ${n === 1 ? one : many}`;

const burstText = ({ fps, seconds: full, clearSeconds }: BodyBurst) =>
  full == null
    ? `${number(fps)} a second without end`
    : `${number(fps)} a second: full after ${seconds(full)}, then ${seconds(clearSeconds)} busy`;

/** Each body with its slots, and what of the locker it can be used with. */
// Long: one drawing with its words.
export function Bodies({ page, things, selected, select }: Props) {
  const bodies = things.filter((t) => t.kind === "body");
  if (bodies.length === 0) return null;
  return (
    <section aria-label="Bodies" className="border-t border-rule px-4 py-2">
      <h2 className="text-[15px] font-bold">Bodies</h2>
      <ul className="mt-1 grid grid-cols-[repeat(auto-fill,minmax(14.5rem,1fr))] gap-x-4 gap-y-2">
        {bodies.map((b) => {
          const outfit = page.report.bodies.find((o) => o.id === b.id);
          return (
            <li key={b.id}>
              <button
                data-thing={b.id}
                aria-pressed={selected === b.id}
                onClick={() => select(b.id)}
                className={`block w-full px-1 text-left ${selected === b.id ? "bg-ink text-ground" : ""}`}
              >
                <span className="flex items-center gap-1.5 font-bold">
                  {b.name}
                  {b.slots?.map((type, i) => (
                    <svg key={i} width="13" height="15" role="img" aria-label={`slot ${i + 1}: ${type}`}>
                      <path d="M1 1h8l3 3v10H1z" fill="none" stroke="currentColor" strokeWidth="1.5" />
                    </svg>
                  ))}
                </span>
                <span className="narrow block">
                  {[b.line, b.weightG == null ? "" : weight(b.weightG)].filter(Boolean).join(" · ")}
                </span>
                {outfit && (
                  <span className="narrow block">
                    {count(outfit.glass, "lens", "lenses")}
                    {outfit.adapted > 0 && ` + ${outfit.adapted} adapted`} ·{" "}
                    {count(outfit.batteries, "battery", "batteries")} · cards {outfit.cardsBySlot.join(" + ")}{" "}
                    · {count(outfit.flashes, "flash", "flashes")} · {count(outfit.triggers, "trigger")}
                  </span>
                )}
                {outfit?.burst && <span className="narrow block">{burstText(outfit.burst)}</span>}
                {(b.away ?? (outfit?.lacks.length ?? 0) > 0) && (
                  <span className={`narrow block font-semibold ${selected === b.id ? "" : "text-hangs"}`}>
                    {b.away ?? outfit?.lacks.join(" · ")}
                  </span>
                )}
              </button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

/** Batteries, cells and cards as numbered tokens whose face tells their state. */
export function Tokens({ things, selected, select }: Omit<Props, "page">) {
  const rows = new Map<string, ThingView[]>();
  for (const t of things.filter((t) => t.level != null)) {
    const key = `${t.kind === "card" ? "Cards" : t.kind === "cells" ? "Cells" : "Batteries"} ${t.type ?? ""}`;
    rows.set(key, [...(rows.get(key) ?? []), t]);
  }
  if (rows.size === 0) return null;
  return (
    <section
      aria-label="Batteries and cards"
      className="border-t border-rule px-4 py-2"
      onKeyDown={moveBetweenCells}
    >
      {[...rows].map(([name, all], row) => (
        <div key={name} className="grid grid-cols-[130px_1fr] py-1 max-[700px]:grid-cols-1">
          <h2 className="leading-tight font-semibold">
            {name}
            <span className="block font-normal text-quiet">{tally(all)}</span>
          </h2>
          <ul className="flex flex-wrap gap-1.5">
            {all.map((t, column) => (
              <li key={t.id}>
                <Token thing={t} selected={selected === t.id} select={select} cell={`${row}:${column}`} />
              </li>
            ))}
          </ul>
        </div>
      ))}
    </section>
  );
}

function tally(all: ThingView[]) {
  const states = new Map<string, number>();
  for (const t of all) {
    const state = t.away ? "not here" : (t.state ?? "");
    states.set(state, (states.get(state) ?? 0) + 1);
  }
  return [...states].map(([state, n]) => `${n} ${state}`).join(" · ");
}

// Long: one drawing with its words.
function Token({
  thing,
  selected,
  select,
  cell,
}: {
  thing: ThingView;
  selected: boolean;
  select: (id: string) => void;
  cell: string;
}) {
  const card = thing.kind === "card";
  const level = thing.level ?? 0;
  const used = card && level === 0;
  const weak = !card && level > 0 && level < 0.8;
  const says = `${thing.name}, ${thing.state}${weak ? `, ${Math.round(level * 100)} % health` : ""}${thing.away ? `, ${thing.away}` : ""}`;
  const ink = thing.away ? "var(--quiet)" : "var(--ink)";
  return (
    <button
      data-thing={thing.id}
      data-cell={cell}
      tabIndex={cell.endsWith(":0") ? 0 : -1}
      title={says}
      aria-label={says}
      aria-pressed={selected}
      onClick={() => select(thing.id)}
      className={
        "grid min-h-[30px] place-items-center max-[700px]:min-h-[44px] max-[700px]:min-w-[44px] " +
        (selected ? "outline-2 outline-offset-2 outline-ink" : "")
      }
    >
      <svg width={card ? 32 : 38} height="28" aria-hidden>
        {card ? (
          <path
            d="M1 1h22l8 8v18H1z"
            fill={used ? "var(--ink)" : "none"}
            stroke={ink}
            strokeWidth="1.5"
            strokeDasharray={thing.away ? "3 2" : undefined}
          />
        ) : (
          <>
            <rect
              x="1"
              y="1"
              width="36"
              height="26"
              fill="none"
              stroke={ink}
              strokeWidth="1.5"
              strokeDasharray={thing.away ? "3 2" : undefined}
            />
            <rect
              x="4"
              y="4"
              width={30 * level}
              height="20"
              fill={weak ? "var(--hangs)" : "var(--holds)"}
              opacity={thing.away ? 0.4 : 1}
            />
          </>
        )}
        <text
          x={card ? 16 : 19}
          y="19"
          textAnchor="middle"
          fontSize="13"
          fontWeight="700"
          fill={used || (!card && level > 0.5) ? "var(--ground)" : "var(--ink)"}
        >
          {thing.number ?? "–"}
        </text>
      </svg>
    </button>
  );
}
