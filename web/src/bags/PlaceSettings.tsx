import type { Place } from "../api/client";
import { Select } from "../shared/Select";
import { TypedField } from "../shared/TypedField";
import type { BagsPage } from "./Bags";
import { wornWords } from "./Beams";

const text = (grams: number | null | undefined) => (grams == null ? "" : String(grams));

/** How a bag is carried, what it weighs empty, and the most one wants it to. */
export function PlaceSettings({ place, edit }: BagsPage & { place: Place }) {
  const put = (some: Partial<Place>) => edit({ type: "putPlace", place: { ...place, ...some } });
  const grams = (typed: string) => (typed === "" ? null : Number(typed));
  return (
    <details className="print:hidden">
      <summary className="min-h-[24px] cursor-pointer text-quiet underline">How it is carried</summary>
      <div className="flex flex-col gap-1">
        <label className="flex flex-col">
          Worn
          <Select
            className="webbing font-normal"
            value={place.worn ?? ""}
            choose={(worn) => put({ worn: (worn || null) as Place["worn"] })}
          >
            <option value="">as usual</option>
            {Object.entries(wornWords).map(([worn, words]) => (
              <option key={worn} value={worn}>
                {words}
              </option>
            ))}
          </Select>
        </label>
        <TypedField
          label="Empty, g"
          form="count"
          value={text(place.emptyG)}
          commit={(typed) => put({ emptyG: grams(typed) })}
          mayBeEmpty
        />
        <TypedField
          label="At the most, g"
          form="count"
          value={text(place.limitG)}
          commit={(typed) => put({ limitG: grams(typed) })}
          mayBeEmpty
        />
      </div>
    </details>
  );
}
