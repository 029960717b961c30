import type { Place } from "../api/client";
import { Tick } from "../shared/Choose";
import { TypedField } from "../shared/TypedField";
import type { BagsPage } from "./Bags";
import { Named } from "./Named";
import { travelWords, wornWords } from "./placeWords";

const text = (figure: number | null | undefined) => (figure == null ? "" : String(figure));
const figure = (typed: string) => (typed === "" ? null : Number(typed));

/** Three measures as one types them, and back. */
export const crossed = (mm: readonly number[] | null | undefined) => (mm ?? []).join(" × ");
export const measures = (typed: string) => (typed === "" ? null : typed.split(" × ").map(Number));

type Put = (some: Partial<Place>) => void;

/** How a bag is carried and travels, what it weighs empty, the most one wants it to, and how large it is. */
export function PlaceSettings({ place, edit }: BagsPage & { place: Place }) {
  const put: Put = (some) => edit({ type: "putPlace", place: { ...place, ...some } });
  return (
    <details className="print:hidden">
      <summary className="min-h-[24px] cursor-pointer text-quiet underline">How it is carried</summary>
      <div className="flex flex-col gap-1">
        <Named
          label="Worn"
          none="as usual"
          words={wornWords}
          value={place.worn}
          choose={(worn) => put({ worn })}
        />
        <Weights place={place} put={put} />
        <Room place={place} put={put} />
        <TypedField
          label="In sight of whom, or locked to what"
          value={place.guarded ?? ""}
          commit={(guarded) => put({ guarded: guarded || null })}
          mayBeEmpty
        />
        <Named
          label="Travels"
          none="not told"
          words={travelWords}
          value={place.travels}
          choose={(travels) => put({ travels })}
        />
        <TypedField
          label="Outside, mm: length × width × height"
          form="measures"
          value={crossed(place.outerMm)}
          commit={(typed) => put({ outerMm: measures(typed) })}
          mayBeEmpty
        />
      </div>
    </details>
  );
}

/** What it weighs empty, and the most one wants it to with all that is in it. */
function Weights({ place, put }: { place: Place; put: Put }) {
  return (
    <>
      <TypedField
        label="Empty, g"
        form="count"
        value={text(place.emptyG)}
        commit={(typed) => put({ emptyG: figure(typed) })}
        mayBeEmpty
      />
      <TypedField
        label="At the most, g"
        form="count"
        value={text(place.limitG)}
        commit={(typed) => put({ limitG: figure(typed) })}
        mayBeEmpty
      />
    </>
  );
}

/** How large it is inside, and how things lie in it. */
function Room({ place, put }: { place: Place; put: Put }) {
  return (
    <>
      <TypedField
        label="Inside, mm: length × width × depth"
        form="measures"
        value={crossed(place.innerMm)}
        commit={(typed) => put({ innerMm: measures(typed) })}
        mayBeEmpty
      />
      {place.innerMm && (
        <>
          <TypedField
            label="Lid, where things stand up into it, mm"
            form="millimetres"
            value={text(place.lidMm)}
            commit={(typed) => put({ lidMm: figure(typed) })}
            mayBeEmpty
          />
          <TypedField
            label="Between things, mm: 0 dividers, 25–50 foam"
            form="millimetres"
            value={text(place.gapMm)}
            commit={(typed) => put({ gapMm: figure(typed) })}
            mayBeEmpty
          />
          <Tick
            label="flat and the long way only"
            on={!!place.oneWay}
            set={(oneWay) => put({ oneWay: oneWay || null })}
          />
        </>
      )}
    </>
  );
}
