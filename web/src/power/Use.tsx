import { number } from "../shared/format";
import { used } from "../day/planChange";
import { TypedField } from "../shared/TypedField";
import type { PowerPage } from "./Power";

/** What every camera takes in every part, each figure to be set right in its place. */
export function Frames(page: PowerPage) {
  const { use } = page.power.plan;
  return (
    <details className="mt-3 print:hidden">
      <summary className="cursor-pointer font-bold">
        Frames of each camera, part by part: {number(use.reduce((sum, u) => sum + u.frames, 0))} in all
      </summary>
      <p className="text-quiet">
        Those in italics are usual for such a part, shared by the hands in it: more to the camera that is the
        first choice for more pictures. Type another, or clear it to have the usual one again. Video and live
        view draw from the same battery.
      </p>
      <FrameTable {...page} />
    </details>
  );
}

function FrameTable(page: PowerPage) {
  const { use } = page.power.plan;
  const bodies = [...new Set(use.map((u) => u.body))];
  const parts = [...new Set(use.map((u) => u.part))];
  return (
    <div className="overflow-x-auto">
      <table className="text-left [&_input]:w-16 [&_input]:text-right [&_label]:sr-only [&_td]:pr-4 [&_th]:pr-4">
        <thead>
          <tr>
            {["Part", ...bodies.map(page.name)].map((heading) => (
              <th key={heading} scope="col">
                {heading}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {parts.map((id) => (
            <tr key={id} className="border-t border-rule">
              <th scope="row" className="font-normal">
                {page.part(id)}
              </th>
              {bodies.map((body) => (
                <Taken key={body} {...page} at={id} body={body} />
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** What one camera takes in one part. */
function Taken({ power, plan, name, part, edit, at, body }: PowerPage & { at: string; body: string }) {
  const here = power.plan.use.find((u) => u.part === at && u.body === body);
  if (!here) return <td />;
  const use = plan.parts.find((p) => p.id === at)?.use?.find((u) => u.item === body);
  const said: Said = {
    frames: use?.frames ?? null,
    videoMinutes: use?.videoMinutes ?? null,
    liveViewMinutes: use?.liveViewMinutes ?? null,
  };
  const figures = [
    ["Frames", "frames", ""],
    ["Minutes of video", "videoMinutes", "min video"],
    ["Minutes of live view", "liveViewMinutes", "min live view"],
  ] as const;
  return (
    <td className="whitespace-nowrap">
      {figures.map(([words, figure, unit]) => (
        <Amount
          key={figure}
          label={`${words} of ${name(body)} in ${part(at)}`}
          value={said[figure] ?? (figure === "frames" ? here.frames : 0)}
          usual={said[figure] === null}
          unit={unit}
          set={(value) => edit(used(at, body, { [figure]: value }))}
        />
      ))}
    </td>
  );
}

interface Said {
  frames: number | null;
  videoMinutes: number | null;
  liveViewMinutes: number | null;
}

/** One figure of one camera in one part; empty means the usual one. */
function Amount(p: {
  label: string;
  value: number;
  usual: boolean;
  unit?: string;
  set: (value: number | null) => void;
}) {
  return (
    <span className={`mr-2 inline-flex items-center gap-1 ${p.usual ? "[&_input]:italic" : ""}`}>
      <TypedField
        label={p.label}
        form="count"
        mayBeEmpty
        value={String(p.value)}
        commit={(typed) => p.set(typed === "" ? null : Number(typed))}
      />
      {p.unit && <span className="text-quiet">{p.unit}</span>}
    </span>
  );
}
