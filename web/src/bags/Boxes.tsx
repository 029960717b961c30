import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type ModuleTold } from "../api/client";
import { PlaceOptions } from "../day/PlaceOptions";
import { weight } from "../shared/format";
import { Select } from "../shared/Select";
import type { BagsPage } from "./Bags";
import { GoneText } from "./Gone";

const button = "min-h-[24px] underline max-[700px]:min-h-[44px]";

/** The boxes and bags in one bag: what is packed, moved, lent and lost as one, and what is missing in each. */
export function Boxes({ place, ...page }: BagsPage & { place: string }) {
  const here = page.bags.modules.filter((m) => m.place === place);
  return here.map((box) => <Box key={box.box} box={box} {...page} />);
}

function Box({ box, ...page }: BagsPage & { box: ModuleTold }) {
  const { name, plan, edit } = page;
  const called = name(box.box);
  return (
    <section aria-label={called} className="my-1 border-l-4 border-rule pl-3">
      <p>
        <strong>{called}</strong>: {box.inside.map(name).join(", ") || "empty"}; {weight(box.grams)}
      </p>
      <GoneText gone={box.gone} {...page} />
      {box.missing.length > 0 && <Missing box={box} {...page} />}
      <p className="flex flex-wrap items-center gap-x-3 print:hidden">
        <label className="flex items-center gap-2">
          It goes into
          <Select
            className="webbing font-normal"
            aria-label={`Where the ${called} goes`}
            value={box.place ?? ""}
            choose={(to) => edit({ type: "moveItem", item: box.box, place: to })}
          >
            <PlaceOptions places={plan.places} />
          </Select>
        </label>
        <button className={button} onClick={() => edit({ type: "unpack", item: box.box })}>
          Leave it at home
        </button>
        <Keep box={box} called={called} />
      </p>
    </section>
  );
}

function Missing({ box, edit }: BagsPage & { box: ModuleTold }) {
  return (
    <ul aria-label="Missing in it">
      {box.missing.map((m) => (
        <li key={m.id} className="flex flex-wrap gap-x-3">
          <strong className="text-hangs">
            {m.name} belongs in it and {m.isAlong ? "is elsewhere" : "stays at home"}
          </strong>
          <button
            className={`${button} print:hidden`}
            onClick={() =>
              m.isAlong
                ? edit({ type: "moveItem", item: m.id, place: `@${box.box}` })
                : edit(
                    { type: "pack", thing: m.id, place: box.place! },
                    { type: "moveItem", item: m.id, place: `@${box.box}` },
                  )
            }
          >
            Put the {m.name} in
          </button>
          <button
            className={`${button} print:hidden`}
            onClick={() => edit({ type: "setContents", box: box.box, contents: box.inside })}
          >
            It belongs there no longer
          </button>
        </li>
      ))}
    </ul>
  );
}

/** Keeps a box with what is in it for other days. */
function Keep({ box, called }: { box: ModuleTold; called: string }) {
  const client = useQueryClient();
  const keep = useMutation({
    mutationFn: () =>
      answer(
        api.POST("/api/locker/boxes", {
          body: {
            id: box.box,
            name: called,
            contents: [...box.inside, ...box.missing.map((m) => m.id)],
          },
        }),
      ),
    onSuccess: () => client.invalidateQueries(),
  });
  if (box.kept) return <span className="text-quiet">kept for other days</span>;
  return (
    <>
      <button className={button} disabled={keep.isPending} onClick={() => keep.mutate()}>
        Keep it for other days
      </button>
      {keep.error && <span role="alert">{keep.error.message}</span>}
    </>
  );
}

/** Boxes that were kept and stay at home: each is taken along as it is. */
export function BoxesAtHome({ bags, plan, edit }: BagsPage) {
  if (bags.atHome.length === 0) return null;
  return (
    <section aria-label="Boxes at home" className="mt-4 print:hidden">
      <h2 className="text-[15px] font-bold">Boxes that stay at home</h2>
      <ul>
        {bags.atHome.map((box) => (
          <li key={box.box} className="flex flex-wrap items-center gap-2 border-t border-rule py-1">
            <span>
              <strong>{box.name}</strong>, {box.things} {box.things === 1 ? "thing" : "things"} in it, goes
              into
            </span>
            <Select
              className="webbing font-normal"
              aria-label={`Take the ${box.name} along into`}
              value=""
              choose={(place) => edit({ type: "pack", thing: box.box, place })}
            >
              <option value="">…</option>
              <PlaceOptions places={plan.places} />
            </Select>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What is picked becomes a box of its own. */
export function Together({ items, place, edit, done }: TogetherProps) {
  const [called, setCalled] = useState("");
  return (
    <form
      className="flex flex-wrap items-center gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        edit({ type: "packTogether", name: called, items: [...items], place });
        done();
      }}
    >
      <label className="flex items-center gap-2">
        or into a box of its own, called
        <input
          className="webbing font-normal"
          value={called}
          required
          maxLength={60}
          placeholder="Flash box"
          onChange={(e) => setCalled(e.target.value)}
        />
      </label>
      <button className={button}>Pack together</button>
    </form>
  );
}

interface TogetherProps {
  items: readonly string[];
  place: string;
  edit: BagsPage["edit"];
  done: () => void;
}
