import { Select } from "../shared/Select";
import { memo, useMemo, useState } from "react";
import { Link } from "react-router";
import { useLocker } from "../locker/useLocker";
import { PlaceOptions } from "../day/PlaceOptions";
import { useDay } from "../day/DayContext";
import type { ThingView } from "../api/client";

/** Things of the locker that are not packed yet; what is not here on the day says so before it is taken. */
// Long: one list with its line and its button.
export function TakeAlong() {
  const { day, edit } = useDay();
  const { plan } = day.board;
  const on = day.parts[0]?.start?.slice(0, 10);
  const { data: locker } = useLocker(on, undefined);
  const [thing, setThing] = useState("");
  const [place, setPlace] = useState(plan.places[0]?.id ?? "");
  const left = useMemo(() => {
    const packed = new Set(plan.items.map((i) => i.id));
    return (locker?.report.things ?? []).filter((t) => !packed.has(t.id) && t.status !== "retired");
  }, [locker, plan.items]);
  const away = left.find((t) => t.id === thing)?.away;
  if (locker?.report.things.length === 0)
    return (
      <p className="py-2">
        Your locker is empty.{" "}
        <Link to="/locker" className="underline">
          Put in what you own
        </Link>
        , then take it along from here.
      </p>
    );
  if (left.length === 0 || plan.places.length === 0) return null;
  return (
    <form
      aria-label="Take along"
      className="flex flex-wrap items-center gap-2 py-2"
      onSubmit={(e) => {
        e.preventDefault();
        if (!thing) return;
        edit({ type: "pack", thing, place });
        setThing("");
      }}
    >
      <label htmlFor="take" className="font-semibold">
        Take along
      </label>
      <Select id="take" className="webbing max-w-72 font-normal" value={thing} choose={setThing}>
        <option value="">something from the locker</option>
        <Kinds of={left} />
      </Select>
      <Select aria-label="Into" className="webbing font-normal" value={place} choose={setPlace}>
        <PlaceOptions places={plan.places} />
      </Select>
      <button className="webbing" disabled={!thing}>
        Pack it
      </button>
      {away && (
        <span className="font-semibold text-hangs">It is {away}: packed, it still will not be there.</span>
      )}
      <Link to={`/locker?day=${on ?? ""}`} className="text-quiet underline">
        the locker that day
      </Link>
    </form>
  );
}

/** A hundred things and more: drawn anew only when they are others. */
const Kinds = memo(function Kinds({ of: things }: { of: ThingView[] }) {
  return [...new Set(things.map((t) => t.kind))].map((kind) => (
    <optgroup key={kind} label={kind}>
      {things
        .filter((t) => t.kind === kind)
        .map((t) => (
          <option key={t.id} value={t.id}>
            {t.name}
            {t.away ? `, ${t.away}` : ""}
          </option>
        ))}
    </optgroup>
  ));
});
