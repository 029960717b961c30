import type { Burden, PlanEdit } from "../api/client";
import { PartBand, PartColumns } from "../day/PartColumns";
import { number, weight } from "../shared/format";
import type { BagsPage } from "./Bags";
import { PeopleSettings } from "./PeopleSettings";
import { Styles } from "./Styles";

/** What each carries through the day, part by part, on the axis of the day. */
export function Burdens(page: BagsPage) {
  const { people } = page.bags.plan;
  if (people.length === 0) return null;
  const most = Math.max(...people.flatMap((b) => b.parts.map(felt)), 1);
  return (
    <>
      <h2 className="mt-5 text-[15px] font-bold">What each carries through the day</h2>
      <PartColumns label="What each carries" parts={page.parts}>
        {people.map((burden) => (
          <PartBand key={burden.person} parts={page.parts} title={<Title burden={burden} {...page} />}>
            {burden.parts.map((p) => (
              <Bar key={p.part} part={p} most={most} />
            ))}
          </PartBand>
        ))}
        <div className={page.parts.some((p) => p.rough) ? "" : "print:hidden"}>
          <PartBand parts={page.parts} title={<span className="font-normal">Nothing rolls</span>}>
            {page.parts.map((p) => (
              <label key={p.id} className="flex min-h-[28px] items-center px-1 max-[700px]:min-h-[44px]">
                <input
                  type="checkbox"
                  aria-label={`Nothing rolls in ${p.name ?? p.id}: stairs, gravel, no paths`}
                  checked={p.rough === true}
                  onChange={(e) => page.edit(roughOf(p.id, e.target.checked))}
                />
              </label>
            ))}
          </PartBand>
        </div>
      </PartColumns>
      <p className="mt-1 max-w-[62rem] text-quiet">
        Dark: on the shoulders; lighter: on the hips; lightest: in the hand. A roller is no load but where
        nothing rolls. Kilogram-hours only rank one way of carrying against another. Heavy loads for many
        hours injure backs and shoulders: share them out, put them down, and ask a doctor where it hurts.
      </p>
      <PeopleSettings {...page} />
      <Styles />
    </>
  );
}

const roughOf = (part: string, rough: boolean): PlanEdit => ({ type: "setPart", part, rough });

const felt = (p: Burden["parts"][number]) => p.shoulders + p.hips + p.hands;

function Title({ burden, name }: BagsPage & { burden: Burden }) {
  return (
    <>
      {name(burden.person)}
      <span className="narrow block font-normal text-quiet">
        {number(burden.kilogramHours)} kg·h, {weight(burden.shouldersG)} on the shoulders
        {burden.limitG != null && ` of ${weight(burden.limitG)}`}
      </span>
    </>
  );
}

function Bar({ part, most }: { part: Burden["parts"][number]; most: number }) {
  const share = (grams: number) => `${(grams / most) * 80}%`;
  const kinds = [
    ["shoulders", "bg-holds"],
    ["hips", "bg-holds/50"],
    ["hands", "bg-holds/25"],
  ] as const;
  return (
    <div
      className="flex h-14 flex-col-reverse px-px print:h-8"
      role="img"
      aria-label={`${weight(felt(part))}, ${weight(part.shoulders)} of it on the shoulders`}
    >
      {kinds.map(([kind, colour]) => (
        <span key={kind} className={colour} style={{ height: share(part[kind]) }} />
      ))}
      <span className="narrow text-[11px] print:text-[8px]">{felt(part) > 0 && weight(felt(part))}</span>
    </div>
  );
}
