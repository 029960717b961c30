import { Link } from "react-router";
import type { CarrierRules } from "../api/client";
import { Tick } from "../shared/Choose";
import { said } from "../shared/format";
import type { BagsPage } from "./Bags";
import { FigureField, MeasuresField } from "./FigureField";
import { ofRules } from "../day/planChange";

/** What stands in the way of travelling so, and what the carrier takes. */
export function Road({ bags, plan, edit, manifest }: BagsPage & { manifest: string }) {
  const carrier: CarrierRules = plan.rules.carrier ?? { apart: false };
  const travels = plan.places.some((p) => p.travels);
  const flies = plan.places.some((p) => p.travels === "cabin" || p.travels === "hold");
  return (
    <section
      aria-label="On the road"
      className={`mt-4 border-t border-rule pt-2 ${travels ? "" : "print:hidden"}`}
    >
      <h2 className="text-base font-semibold">On the road</h2>
      {travels ? (
        <ul className="list-disc pl-5">
          {bags.road.map((r, n) => (
            <li key={n} className={r.line.trouble === "takeApart" ? "" : "font-semibold"}>
              {r.text.map(said).join("")}
            </li>
          ))}
          {bags.road.length === 0 && <li>Nothing stands in the way.</li>}
        </ul>
      ) : (
        <p className="text-quiet">
          Say under “How it is carried” how a bag travels, and what stands in the way is told here.
        </p>
      )}
      {flies && <UsualRules />}
      {travels && <Carrier carrier={carrier} set={(some) => edit(ofRules("carrier", some))} />}
      <p className="print:hidden">
        <Link className="underline" to={manifest}>
          Manifest: everything with serials and values
        </Link>
      </p>
    </section>
  );
}

const UsualRules = () => (
  <p className="text-quiet">
    Usual rules, check your carrier: up to 100 Wh each fly as they are; 100 to 160 Wh two at most, after
    asking; more not at all.
  </p>
);

function Carrier({ carrier, set }: { carrier: CarrierRules; set: (some: Partial<CarrierRules>) => void }) {
  return (
    <div className="flex flex-wrap items-end gap-3 print:hidden">
      <MeasuresField
        label="Cabin bag at the most, mm"
        value={carrier.cabinMm}
        commit={(mm) => set({ cabinMm: mm })}
      />
      <FigureField
        label="Cabin bag at the most, g"
        value={carrier.cabinG}
        commit={(figure) => set({ cabinG: figure })}
      />
      <FigureField
        label="Bag in the hold at the most, g"
        value={carrier.holdG}
        commit={(figure) => set({ holdG: figure })}
      />
      <Tick label="glass off its body" on={carrier.apart ?? false} set={(apart) => set({ apart })} />
    </div>
  );
}
