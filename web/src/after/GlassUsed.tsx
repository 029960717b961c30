import type { Spread, UsedPage } from "../api/client";
import { fNumber, isoSet, number, percent, shutter } from "../shared/format";

const mostFocals = 8;

/** Every glass and camera with its share, and how it was used. */
// Long: two lists side by side, with their lines.
export function GlassUsed({ used }: { used: UsedPage }) {
  const { day, names } = used;
  const called = (id: string | null | undefined) => (id ? (names[id] ?? id) : "not known");
  const idle = day.carried.filter(
    (id) => !day.glass.some((g) => g.glass === id) && !day.bodies.some((b) => b.body === id),
  );
  return (
    <section aria-label="Glass and cameras" className="grid gap-x-8 gap-y-3 min-[900px]:grid-cols-[3fr_2fr]">
      <div>
        <h2 className="text-[15px] font-bold">Glass</h2>
        <ul>
          {day.glass.map((g) => (
            <li key={g.glass ?? ""} className="border-t border-rule py-1">
              <Share
                of={called(g.glass)}
                share={g.share}
                taken={g.taken}
                kept={day.kept == null ? null : g.kept}
              />
              <span className="block text-quiet">
                {[
                  between(g.fNumber, fNumber),
                  between(g.seconds, shutter, true),
                  g.iso && `ISO ${between(g.iso, isoSet)}`,
                  g.croppedTo != null &&
                    g.croppedTo > 1.05 &&
                    `cropped ${number(Math.round(g.croppedTo * 10) / 10)}×`,
                ]
                  .filter(Boolean)
                  .join(" · ")}
              </span>
              {g.glass && used.ends[g.glass] && (
                <span className="block text-hangs">{used.ends[g.glass]}</span>
              )}
            </li>
          ))}
        </ul>
        <p className="text-quiet">
          By focal length:{" "}
          {day.focals
            .slice(0, mostFocals)
            .map((f) => `${number(f.mm)} mm ${tenths(f.share)} %`)
            .join(", ")}
          .
        </p>
        {idle.length > 0 && <p className="text-quiet">Took no picture: {idle.map(called).join(", ")}.</p>}
      </div>
      <div>
        <h2 className="text-[15px] font-bold">Cameras</h2>
        <ul>
          {day.bodies.map((b) => (
            <li key={b.body ?? ""} className="border-t border-rule py-1">
              <Share
                of={called(b.body)}
                share={b.share}
                taken={b.taken}
                kept={day.kept == null ? null : b.kept}
              />
              <span className="block text-quiet">
                {number(Math.round(b.perMinute * 10) / 10)} a minute
                {b.overCeiling > 0 && `, ${number(b.overCeiling)} over the ISO you deliver`}
              </span>
            </li>
          ))}
        </ul>
        {used.bursts.length > 0 && (
          <>
            <h3 className="mt-2 font-bold">Longest bursts</h3>
            <ul>
              {used.bursts.map((b) => (
                <li key={b}>{b}.</li>
              ))}
            </ul>
          </>
        )}
        {used.lacks.length > 0 && (
          <>
            <h3 className="mt-2 font-bold">What you lacked</h3>
            <ul>
              {used.lacks.map((l) => (
                <li key={l}>{l}</li>
              ))}
            </ul>
          </>
        )}
      </div>
    </section>
  );
}

/** The middle, and between which figures four fifths of them lie. */
function between(spread: Spread | null | undefined, say: (n: number) => string, reversed = false) {
  if (!spread) return null;
  const [low, high] = reversed ? [spread.high, spread.low] : [spread.low, spread.high];
  return say(low) === say(high) ? say(spread.middle) : `${say(spread.middle)} (${say(low)} to ${say(high)})`;
}

const Share = ({
  of,
  share,
  taken,
  kept,
}: {
  of: string;
  share: number;
  taken: number;
  kept: number | null;
}) => (
  <span className="flex items-baseline gap-x-2">
    <strong className="w-40 shrink-0 truncate">{of}</strong>
    <span className="w-12 shrink-0 text-right font-semibold">{tenths(share)} %</span>
    <span aria-hidden className="h-2 flex-1 self-center bg-band">
      <span className="block h-full bg-ink" style={{ width: `${share * 100}%` }} />
    </span>
    <span className="w-32 shrink-0 text-right text-quiet">
      {kept == null ? `${number(taken)} taken` : `${number(kept)} kept of ${number(taken)}`}
    </span>
  </span>
);

/** Small shares are what one asks for. */
const tenths = (share: number) =>
  share < 0.1 ? number(Math.round(share * 1000) / 10) : percent(share).replace(" %", "");
