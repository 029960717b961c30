import type { Part, PowerBand, PowerDay } from "../api/client";
import { setupOf, type Position } from "../day/dayModel";
import { percent, time } from "../shared/format";

/** What the camera, and the flash on it, in one hand have left through one part: a band that falls, a tick where something is changed. */
export function HandCharge({
  at,
  part,
  power,
  name,
}: {
  at: Position;
  part: Part;
  power: PowerDay | undefined;
  name: (id: string) => string;
}) {
  const setup = setupOf(part, at);
  const bands = [setup?.body, setup?.flash]
    .map((id) => power?.plan.bands.find((b) => b.device === id))
    .filter((b): b is PowerBand => b?.levels.some((l) => l.part === part.id) === true);
  return (
    <div className="pb-1" data-charge={`${part.id}/${at.person}/${at.position}`}>
      {bands.map((band) => (
        <Band key={band.device} band={band} part={part} power={power!} name={name} />
      ))}
    </div>
  );
}

interface BandOfPart {
  band: PowerBand;
  part: Part;
  power: PowerDay;
  name: (id: string) => string;
}

function Band({ band, part, power, name }: BandOfPart) {
  const levels = band.levels.filter((l) => l.part === part.id);
  const [first, last] = [levels[0]!, levels.at(-1)!];
  const changes = power.plan.changes.filter((c) => c.body === band.device && c.part === part.id);
  const dark = power.plan.short.find((s) => s.device === band.device && s.part === part.id);
  const says = [
    `${name(band.device)} begins with ${percent(first.left)} and ends with ${percent(last.left)}`,
    ...changes.map((c) => `${name(c.in)} in ${c.afterFrames == null ? "before it" : "in the middle"}`),
    dark && `dark ${dark.at ? `at ${time(dark.at)}` : "before the end"}`,
  ]
    .filter(Boolean)
    .join("; ");
  return (
    <div className="relative h-[18px]" role="img" aria-label={says} title={says}>
      <Fall levels={levels} reserve={band.reserve} dark={!!dark} />
      {changes.map((c) => (
        <span
          key={c.in}
          aria-hidden
          className="absolute top-0 h-full border-l-[3px] border-ink"
          style={{ left: c.afterFrames == null ? 0 : "50%" }}
        />
      ))}
      <span
        aria-hidden
        className={`narrow absolute top-0 right-1 text-[11px] leading-none ${dark ? "font-semibold text-broken" : ""}`}
      >
        {dark ? `dark ${dark.at ? time(dark.at) : ""}` : percent(last.left)}
      </span>
    </div>
  );
}

function Fall({ levels, reserve, dark }: { levels: PowerBand["levels"]; reserve: number; dark: boolean }) {
  const points = [
    ...levels.map((l) => `${l.at},${1 - l.left}`),
    `${levels.at(-1)!.at},1`,
    `${levels[0]!.at},1`,
  ];
  return (
    <svg viewBox="0 0 1 1" preserveAspectRatio="none" className="absolute inset-0 h-full w-full" aria-hidden>
      <polygon className={dark ? "fill-broken/40" : "fill-holds/30"} points={points.join(" ")} />
      <line
        x1={0}
        x2={1}
        y1={1 - reserve}
        y2={1 - reserve}
        className="stroke-hangs"
        strokeDasharray="2 3"
        vectorEffect="non-scaling-stroke"
      />
    </svg>
  );
}
