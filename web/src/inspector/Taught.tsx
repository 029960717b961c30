import type { Part, TaughtFigure } from "../api/client";
import { number } from "../shared/format";

const said: Record<TaughtFigure["figure"], (value: number) => string> = {
  ev: (ev) => `EV ${number(ev)}`,
  framesPerMinute: (frames) => `${number(frames)} pictures a minute`,
  minutes: (minutes) => `${number(minutes)} min`,
};

/** That past assignments taught a figure, how many of them, and the way back to the usual one. */
export function Taught({
  part,
  figure,
  back,
}: {
  part: Part;
  figure: TaughtFigure["figure"];
  back?: (usual: number) => void;
}) {
  const taught = part.taught?.find((t) => t.figure === figure);
  if (!taught) return null;
  return (
    <p className="text-quiet">
      {said[figure](taught.value)} as{" "}
      {taught.jobs === 1 ? "one past assignment tells" : `${taught.jobs} past assignments tell`}; usual is{" "}
      {said[figure](taught.usual)}.{" "}
      {back && (
        <button className="text-ink underline" onClick={() => back(taught.usual)}>
          Take the usual
        </button>
      )}
    </p>
  );
}
