import type { Item, Part, PlacedLight } from "../api/client";
import { Choose } from "../shared/Choose";
import { seconds } from "../shared/format";
import { TypedField } from "../shared/TypedField";
import { useDay } from "../day/DayContext";
import { ofLights } from "../day/planChange";

const lampOf = (light: PlacedLight) => light.flash ?? light.light ?? light.relay ?? "";

/** Lights and relays that stand in the room in a part: each with what holds it, by what it hears and what feeds it. */
// Long: a chain of sender, receiver, power and stand is set up as one.
export function RoomLights({ part }: { part: Part }) {
  const { day, edit } = useDay();
  const { items, people } = day.board.plan;
  const lights = part.lights ?? [];
  const set = (change: (lights: PlacedLight[]) => PlacedLight[]) => edit(ofLights(part.id, change));
  const used = new Set(
    lights.flatMap((l) => [l.flash, l.light, l.relay, l.receiver, l.holder]).filter((id) => id),
  );
  const free = (wanted: (i: Item) => boolean) =>
    items.filter((i) => wanted(i) && !used.has(i.id)).map((i): [string, string] => [i.id, day.name(i.id)]);
  const withOwn = (options: [string, string][], own: string | null | undefined): [string, string][] =>
    own ? [[own, day.name(own)], ...options] : options;
  const lamps = free(
    (i) => i.kind === "flash" || i.kind === "light" || (i.kind === "trigger" && !!i.hears && !!i.sends),
  );
  const holders = (own?: string | null) =>
    withOwn(
      [
        ...free((i) => i.kind === "support" && i.form !== "tripod" && i.form !== "monopod"),
        ...people
          .filter((p) => p.id !== own)
          .map((p): [string, string] => [p.id, `${day.name(p.id)} holds it`]),
      ],
      own,
    );
  const earlier = [...day.parts]
    .reverse()
    .find((p) => (p.start ?? "") < (part.start ?? "") && (p.lights?.length ?? 0) > 0);
  const move = day.board.report.lightMoves.find((m) => m.part === part.id);
  return (
    <section aria-label="Lights in the room" className="flex flex-col gap-1.5">
      <h3 className="font-bold">Lights in the room</h3>
      {move && (
        <p className={move.tight ? "font-semibold" : "text-quiet"}>
          {move.items.length === 1 ? "One light is" : `${move.items.length} lights are`} set up or moved
          before it: {seconds(move.seconds)}
          {move.freeSeconds != null &&
            `, with ${move.freeSeconds > 0 ? seconds(move.freeSeconds) : "no time"} between the parts`}
          {move.tight &&
            `: begin ${seconds(move.seconds - (move.freeSeconds ?? 0))} before the part does, or let somebody else`}
          .
        </p>
      )}
      {lights.map((light) => {
        const put = (change: Partial<PlacedLight>) =>
          set((all) => all.map((l) => (lampOf(l) === lamp ? { ...l, ...change } : l)));
        const lamp = lampOf(light);
        const flash = day.item(lamp);
        const deaf = flash?.kind === "flash" && !flash.canHear;
        return (
          <div
            key={lamp}
            role="group"
            aria-label={day.name(lamp)}
            className="flex flex-wrap items-end gap-x-3 gap-y-1"
          >
            <span className="min-w-[9rem] py-1.5 font-semibold">
              {day.name(lamp)}
              {light.relay && <span className="font-normal text-quiet"> relays</span>}
            </span>
            <TypedField
              label="Where"
              value={light.spot ?? ""}
              mayBeEmpty
              commit={(spot) => put({ spot: spot || null })}
            />
            {!light.relay && (
              <Choose
                label="Held by"
                value={light.holder ?? ""}
                empty="nothing yet"
                options={holders(light.holder)}
                choose={(holder) => put({ holder: holder || null })}
              />
            )}
            {(deaf || light.receiver) && (
              <Choose
                label="Hears by"
                value={light.receiver ?? ""}
                empty="nothing"
                options={withOwn(
                  free((t) => t.kind === "trigger" && !!t.hears),
                  light.receiver,
                )}
                choose={(receiver) => put({ receiver: receiver || null })}
              />
            )}
            {flash?.kind === "flash" && (flash.power === "sharedPack" || light.pack) && (
              <Choose
                label="Hangs on"
                value={light.pack ?? ""}
                empty="no pack"
                options={items
                  .filter((p) => p.kind === "pack")
                  .map((p): [string, string] => [p.id, day.name(p.id)])}
                choose={(pack) => put({ pack: pack || null })}
              />
            )}
            {!light.relay && (
              <>
                <TypedField
                  label="Group"
                  value={light.group ?? ""}
                  mayBeEmpty
                  commit={(group) => put({ group: group || null })}
                />
                <TypedField
                  label="Gel"
                  value={light.gel ?? ""}
                  mayBeEmpty
                  commit={(gel) => put({ gel: gel || null })}
                />
              </>
            )}
            <button className="webbing" onClick={() => set((all) => all.filter((l) => lampOf(l) !== lamp))}>
              Take it down
            </button>
          </div>
        );
      })}
      <div className="flex flex-wrap items-end gap-3">
        <Choose
          label="Set one up"
          value=""
          empty={lamps.length > 0 ? "choose a light …" : "no light is free"}
          options={lamps}
          choose={(id) => {
            const kind = day.item(id)?.kind;
            if (!id || !kind) return;
            const field = kind === "flash" ? "flash" : kind === "light" ? "light" : "relay";
            const holder = field === "relay" ? null : (holders()[0]?.[0] ?? null);
            set((all) => [...all, { [field]: id, holder }]);
          }}
        />
        {earlier && (
          <button className="webbing" onClick={() => set(() => earlier.lights ?? [])}>
            As in {earlier.name ?? earlier.id}
          </button>
        )}
      </div>
    </section>
  );
}
