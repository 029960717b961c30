import type { NeedExplanation, Weighed } from "../api/client";
import { number } from "../shared/format";

/** What the first choice is, against which backups are told: the best that is not gone. */
export const firstChoice = ({ weighed }: NeedExplanation): Weighed | undefined =>
  weighed.find((w) => w.gone.length === 0 && w.noFor.length === 0 && w.outcome !== "lost");

/** Rows worth a line on a bench: what serves, then what misses by least. */
export function benchRows({ weighed }: NeedExplanation, all: boolean): Weighed[] {
  if (all) return weighed;
  const serving = weighed.filter((w) => w.noFor.length === 0);
  return weighed.slice(0, Math.min(12, Math.max(6, serving.length + 1)));
}

export const rowKey = (w: Weighed) => `${w.body}/${w.glass.join("/")}/${w.aid}/${w.flash ?? ""}`;

/** How many threads a row is drawn with, and whether they are whole. */
export function threadOf(w: Weighed): "whole" | "thin" | "broken" {
  if (w.gone.length > 0 || w.noFor.length > 0 || w.outcome === "lost") return "broken";
  return w.outcome === "holds" ? "whole" : w.outcome === "thins" ? "thin" : "broken";
}

/** What a row costs against the first choice, in stops and in frame. */
export function costText(w: Weighed, first: Weighed | undefined): string {
  if (!first || w === first) return "first choice";
  const said: string[] = w.outcome === "late" ? ["too late"] : [];
  if (w.fit.flashPower == null && first.fit.flashPower == null) {
    const lost = w.fit.stopsOver - first.fit.stopsOver;
    if (Math.abs(lost) >= 0.05)
      said.push(
        `${number(Math.abs(lost))} ${Math.abs(lost) < 1.05 && Math.abs(lost) >= 0.95 ? "stop" : "stops"} ${lost > 0 ? "lost" : "gained"}`,
      );
  }
  if (w.secondBestFor.includes("widerThanAsked")) said.push(`${number(w.fit.factor)}× wider than asked`);
  else if (w.fit.case === "tooShort" && w.fit.factor > 1.005)
    said.push(`${number((1 - 1 / w.fit.factor ** 2) * 100)} % of the frame cropped away`);
  if (w.fit.case === "tooLong" && w.fit.factor > 1.005) said.push(`frame ${number(w.fit.factor)}× too tight`);
  if (w.seconds != null && first.seconds != null && w.seconds > first.seconds)
    said.push(`${number(w.seconds - first.seconds)} s more`);
  return said.join(", ") || "no worse than the first choice";
}
