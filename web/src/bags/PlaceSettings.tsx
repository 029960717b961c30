import type { Place } from "../api/client";
import { Tick } from "../shared/Choose";
import { TypedField } from "../shared/TypedField";
import type { BagsPage } from "./Bags";
import { FigureField, MeasuresField } from "./FigureField";
import { Named } from "./Named";
import { travelWords, wornWords } from "./placeWords";
import { ofPlace } from "../day/planChange";

type Put = (some: Partial<Place>) => void;

/** How a bag is carried and travels, what it weighs empty, the most one wants it to, and how large it is. */
export function PlaceSettings({ place, edit }: BagsPage & { place: Place }) {
  const put: Put = (some) => edit(ofPlace(place.id, some));
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
        <MeasuresField
          label="Outside, mm: length × width × height"
          value={place.outerMm}
          commit={(mm) => put({ outerMm: mm })}
        />
      </div>
    </details>
  );
}

/** What it weighs empty, and the most one wants it to with all that is in it. */
function Weights({ place, put }: { place: Place; put: Put }) {
  return (
    <>
      <FigureField label="Empty, g" value={place.emptyG} commit={(figure) => put({ emptyG: figure })} />
      <FigureField label="At the most, g" value={place.limitG} commit={(figure) => put({ limitG: figure })} />
    </>
  );
}

/** How large it is inside, and how things lie in it. */
function Room({ place, put }: { place: Place; put: Put }) {
  return (
    <>
      <MeasuresField
        label="Inside, mm: length × width × depth"
        value={place.innerMm}
        commit={(mm) => put({ innerMm: mm })}
      />
      {place.innerMm && (
        <>
          <FigureField
            label="Lid, where things stand up into it, mm"
            form="millimetres"
            value={place.lidMm}
            commit={(figure) => put({ lidMm: figure })}
          />
          <FigureField
            label="Between things, mm: 0 dividers, 25–50 foam"
            form="millimetres"
            value={place.gapMm}
            commit={(figure) => put({ gapMm: figure })}
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
