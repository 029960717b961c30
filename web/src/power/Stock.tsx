import { percent } from "../shared/format";
import type { PowerPage } from "./Power";

/** Every battery as it comes home in the evening; touched, it stays at home, and one sees what that does. */
// Long: one table with its head and its rows.
export function Stock({
  power,
  plan,
  name,
  pulled,
  pull,
}: PowerPage & { pulled: string[]; pull: (ids: string[]) => void }) {
  const left = new Map<string, number>();
  for (const band of power.plan.bands)
    for (const level of band.levels) if (level.battery) left.set(level.battery, level.left);
  return (
    <section aria-label="What is there">
      <h2 className="text-[15px] font-bold">What is there</h2>
      {power.plan.types.map((type) => {
        const all = plan.items.filter(
          (i) => (i.kind === "battery" || i.kind === "cells") && i.type === type.type,
        );
        return (
          <div key={type.type} className="border-t border-rule py-1">
            <p>
              <strong>{type.type}</strong>: {type.carried} {type.each == null ? "" : `sets of ${type.each} `}
              there, {type.used} used on a busy day, {type.wanted} wanted so that the best one may die
              {type.short > 0 && <strong className="text-broken">; {type.short} short</strong>}
              {type.spare > 0 && <>; {type.spare} could stay at home</>}
            </p>
            <ul className="mt-1 flex flex-wrap gap-2">
              {all.map((b) => {
                const out = pulled.includes(b.id);
                const share = left.get(b.id) ?? 1;
                const evening = left.has(b.id) ? `${percent(share)} left in the evening` : "full, not used";
                const state = out ? "at home" : evening;
                return (
                  <li key={b.id}>
                    <button
                      aria-pressed={out}
                      aria-label={`${name(b.id)}, ${state}; what if it stayed at home?`}
                      title={name(b.id)}
                      className={`relative h-7 w-12 overflow-hidden border-2 max-[700px]:h-11 ${out ? "border-dashed border-broken" : "border-ink"}`}
                      onClick={() => pull(out ? pulled.filter((p) => p !== b.id) : [...pulled, b.id])}
                    >
                      {!out && (
                        <span
                          className={`absolute inset-y-0 left-0 ${left.has(b.id) ? "bg-holds/40" : "bg-holds"}`}
                          style={{ width: `${share * 100}%` }}
                        />
                      )}
                      <span className={`relative font-bold ${left.has(b.id) || out ? "" : "text-ground"}`}>
                        {out ? "home" : left.has(b.id) ? Math.round(share * 100) : "full"}
                      </span>
                    </button>
                  </li>
                );
              })}
              {Array.from({ length: type.short }, (_, n) => (
                <li
                  key={n}
                  className="h-7 border-2 border-dashed border-broken px-1 leading-6 font-semibold text-broken"
                >
                  one short
                </li>
              ))}
            </ul>
          </div>
        );
      })}
      {power.idle.length > 0 && (
        <p className="border-t border-rule py-1 text-quiet">
          {power.idle.map(name).join(", ")}: nothing that is at work takes from{" "}
          {power.idle.length === 1 ? "it" : "them"}.
        </p>
      )}
    </section>
  );
}
