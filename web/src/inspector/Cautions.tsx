import type { Part } from "../api/client";

const loud = ["concert", "dance-floor", "first-dance"];
const field = ["play", "race", "warm-up"];

/** The usual cautions, where they belong; the venue, local rules and licensed people have the last word. */
export function cautionsOf(part: Part): string[] {
  const lights = part.lights ?? [];
  return [
    part.flash === "allowed"
      ? "Flash can harm or distract: ask before using it near athletes, animals, drivers and people sensitive to flashes."
      : "",
    lights.length > 0
      ? "Stands topple: weigh each one down, keep it off the dance floor and out of ways; in wind take the modifiers off."
      : "",
    lights.some((l) => l.pack) || part.socket
      ? "Tape cables down or lead them over heads; none across a way out."
      : "",
    part.rain && (lights.length > 0 || part.socket)
      ? "Rain and mains do not go together: battery light only, and leave what runs on mains to licensed people."
      : "",
    part.temperatureC != null && part.temperatureC > 32
      ? "Heat: keep lithium packs in the shade and put away any that swells."
      : "",
    loud.includes(part.kind ?? "") ? "Loud music harms hearing: wear earplugs." : "",
    field.includes(part.kind ?? "")
      ? "Stay in the zone the marshals give you, and face the play: balls and wheels leave the track."
      : "",
  ].filter(Boolean);
}

export function Cautions({ part }: { part: Part }) {
  const said = cautionsOf(part);
  if (said.length === 0) return null;
  return (
    <ul className="text-quiet" aria-label="Cautions">
      {said.map((s) => (
        <li key={s}>{s}</li>
      ))}
      <li>The venue, local rules and licensed people have the last word.</li>
    </ul>
  );
}
