import type { Place } from "../api/client";

/** The places something can be packed in. */
export const PlaceOptions = ({ places }: { places: Place[] }) =>
  places.map((p) => (
    <option key={p.id} value={p.id}>
      {p.name ?? p.id}
    </option>
  ));
