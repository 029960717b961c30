import { percent, seconds, time } from "../shared/format";
import type { PowerPage } from "./Power";

/** The changes as a list one can obey, join by join. */
// Long: one list in all its cases.
export function ToDo({ power, plan, name, part, isBody, isPinned, unitOf, edit }: PowerPage) {
  const { changes, short } = power.plan;
  const joins = [...new Set(changes.map((c) => c.part))];
  return (
    <section aria-label="To do, in order">
      <h2 className="text-[15px] font-bold">To do, in order</h2>
      {joins.length === 0 && <p>No battery has to be changed.</p>}
      <ol>
        <OnTheWay power={power} plan={plan} name={name} part={part} />
        {joins.map((id) => {
          const at = plan.parts.find((p) => p.id === id);
          return (
            <li key={id} className="grid grid-cols-[5rem_1fr] gap-x-3 border-t border-rule py-1">
              <span className="text-quiet">{time(at?.start)}</span>
              <div>
                before <strong>{part(id)}</strong>
                <ul>
                  {changes
                    .filter((c) => c.part === id)
                    .map((c) => {
                      const wanted = isPinned(c.body, id);
                      return (
                        <li key={`${c.body} ${c.in}`} className="flex flex-wrap items-baseline gap-x-2">
                          <strong>{name(c.body)}</strong>
                          {c.afterFrames != null && (
                            <span>
                              after about {c.afterFrames} {unitOf(c.body)}:
                            </span>
                          )}
                          <span>
                            {power.alike.includes(c.in)
                              ? "a full one in"
                              : `${name(c.in)} in${c.out ? `, ${name(c.out)} out` : ""}`}
                          </span>
                          <span className="text-quiet">
                            {c.shownPercent == null ? "" : `shows ${c.shownPercent} %; `}
                            {c.from ? `from ${placeName(plan, c.from, name)}, ` : ""}
                            {seconds(c.seconds)}
                          </span>
                          {c.inOnce && (
                            <strong className="text-broken">in the middle of what happens once</strong>
                          )}
                          {isBody(c.body) && (
                            <button
                              className="underline print:hidden"
                              aria-pressed={wanted}
                              onClick={() =>
                                edit(
                                  wanted
                                    ? { type: "pinChange", body: c.body, part: null, from: id }
                                    : { type: "pinChange", body: c.body, part: id, from: null },
                                )
                              }
                            >
                              {wanted ? "Wanted here; let go" : "Keep it here"}
                            </button>
                          )}
                        </li>
                      );
                    })}
                </ul>
              </div>
            </li>
          );
        })}
        {short.map((s) => (
          <li
            key={`${s.part} ${s.device}`}
            className="grid grid-cols-[5rem_1fr] gap-x-3 border-t border-rule py-1 font-semibold text-broken"
          >
            <span>{time(s.at)}</span>
            <span>
              {name(s.device)} goes dark in {part(s.part)}:{" "}
              {s.type == null ? "its charge does not reach" : `no ${s.type} is left`} for {s.frames}{" "}
              {unitOf(s.device)}
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}

/** What goes on a charger where there is a socket. */
function OnTheWay({ power, plan, name, part }: Pick<PowerPage, "power" | "plan" | "name" | "part">) {
  return power.plan.onTheWay.map((c) => (
    <li key={c.part + c.battery} className="grid grid-cols-[5rem_1fr] gap-x-3 border-t border-rule py-1">
      <span className="text-quiet">{time(plan.parts.find((p) => p.id === c.part)?.start)}</span>
      <span>
        in <strong>{part(c.part)}</strong>,{" "}
        {plan.items.find((i) => i.id === c.charger)?.kind === "powerbank" ? "in its camera" : "at a socket"}:{" "}
        <strong>{name(c.battery)}</strong> on {name(c.charger)}, {percent(c.from)} to {percent(c.to)} by its
        end
      </span>
    </li>
  ));
}

const placeName = (plan: PowerPage["plan"], id: string, name: (id: string) => string) =>
  plan.places.find((p) => p.id === id)?.name ?? plan.people.find((p) => p.id === id)?.name ?? name(id);
