import { scaleLinear } from "d3-scale";
import type { NeedExplanation, Part, Weighed } from "../api/client";
import { fNumber, isoAsked, number, seconds, shutter, stops } from "../shared/format";
import { Bench } from "./Bench";
import { costText, firstChoice, threadOf } from "./benchModel";
import { Thread } from "./Thread";

const least = -3;
const most = 7;
/** Beyond this a hyperfocal distance tells nobody anything, metres. */
const farthest = 40;

/** Every body and glass by stops in hand under its ceiling; flashes by the share of their power. */
// Long: one drawing with its words.
export function LightBench({ explanation, part }: { explanation: NeedExplanation; part: Part }) {
  const { asked } = explanation;
  const first = firstChoice(explanation);
  const scale = (width: number) => scaleLinear([least, most], [0, width]).clamp(true);
  return (
    <Bench
      label="Light bench"
      explanation={explanation}
      axis={(width) => {
        const x = scale(width);
        return [-3, -2, -1, 0, 1, 2, 3, 4, 5, 6].map((t) => (
          <text key={t} x={x(t)} y="12" textAnchor="middle" className="fill-quiet text-[11px]">
            {t > 0 ? `+${t}` : t}
          </text>
        ));
      }}
      behind={(width, height) => {
        const x = scale(width);
        return (
          <>
            <rect x="0" width={x(0)} height={height} fill="var(--band)" />
            <line x1={x(0)} x2={x(0)} y1="0" y2={height} stroke="var(--ink)" />
          </>
        );
      }}
      draw={(w, width) => {
        const x = scale(width);
        if (w.fit.flashPower != null)
          return (
            <>
              <rect x={x(0)} width={x(4) - x(0)} y="6" height="12" fill="none" stroke="var(--rule)" />
              <rect
                x={x(0)}
                width={(x(4) - x(0)) * Math.min(1, w.fit.flashPower)}
                y="6"
                height="12"
                fill={w.fit.flashPower > 1 ? "var(--broken)" : "var(--ink)"}
              />
            </>
          );
        const inHand = -w.fit.stopsOver;
        return <Thread kind={threadOf(w)} x1={x(Math.min(0, inHand))} x2={x(Math.max(0, inHand))} y={12} />;
      }}
      tell={(w) => <Figures w={w} first={first} />}
    >
      <p className="text-quiet">
        Stops in hand under the highest ISO each body delivers, in EV {number(asked.ev)}; shaded is over it. A
        bar is the share of a flash&rsquo;s power. {presetText(explanation)}
        {part.whiteBalance && ` White balance here: ${part.whiteBalance}.`}
        {part.gel && ` A flash needs the ${part.gel} gel to match.`}
      </p>
      {first && <FirstFigures w={first} />}
    </Bench>
  );
}

function presetText({ asked }: NeedExplanation) {
  if (asked.minFNumber == null) return "";
  const typed = asked.computed.fNumber != null && asked.computed.fNumber !== asked.minFNumber;
  return `Depth asks ${fNumber(asked.minFNumber)} on full frame${typed ? ` (typed; the craft says ${fNumber(asked.computed.fNumber ?? 0)})` : ""}.`;
}

function Figures({ w, first }: { w: Weighed; first?: Weighed }) {
  return (
    <>
      {w.fit.flashPower != null ? (
        <>
          {number(w.fit.flashPower * 100)} % power
          {w.fit.recycleSeconds != null && `, again in ${seconds(w.fit.recycleSeconds)}`}
          {w.fit.pops != null && `, ${number(Math.floor(w.fit.pops))} pops a set`}
        </>
      ) : (
        <>
          ISO {isoAsked(w.fit.iso)}, {stops(w.fit.stopsOver)}, {fNumber(w.fit.fNumber)}{" "}
          {shutter(w.fit.shutterSeconds)}
        </>
      )}
      <span className="text-quiet"> · {costText(w, first)}</span>
    </>
  );
}

/** The lens maker's figures beside the craft's presets, for the first choice. */
function FirstFigures({ w }: { w: Weighed }) {
  const { sharpM, fNumber: f, diffractionFNumber, ndStops, hyperfocalM } = w.fit;
  return (
    <p>
      First choice at {fNumber(f)}:{" "}
      {sharpM
        ? `sharp from ${number2(sharpM.nearM)} m to ` +
          `${sharpM.farM == null ? "the horizon" : `${number2(sharpM.farM)} m`} when focused at ${number2(sharpM.focusM)} m`
        : hyperfocalM < farthest
          ? `sharp to the horizon from ${number(hyperfocalM / 2)} m when focused at ${number(hyperfocalM)} m`
          : "how deep it is sharp depends on where you stand: say from how far, under what it asks"}
      ; diffraction softens single pixels from {fNumber(diffractionFNumber)}
      {f > diffractionFNumber && ", which this is beyond"}
      {ndStops > 0 && `; too bright by ${number(ndStops)} stops: an ND filter of as much mends it`}.
    </p>
  );
}

const number2 = (n: number) => (n < 10 ? n.toFixed(2) : number(n));
