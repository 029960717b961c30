import { useState } from "react";
import type { PocketPart } from "../api/client";
import { usePocketNames } from "./names";
import { ScreenHead } from "./ScreenHead";

/** A figure read off a camera. */
export interface Reading {
  body: string;
  kind: "battery" | "frames";
  /** Share of a full battery, or frames. */
  value: number;
  words: string;
}

/** What the cameras show, where one cares to say so; the plan goes on from there. */
export function LevelsScreen({
  hands,
  readings,
  read,
  back,
}: {
  hands: PocketPart["hands"];
  readings: Reading[];
  read: (body: string, words: string, left?: number) => void;
  back: () => void;
}) {
  const { name } = usePocketNames();
  return (
    <div className="flex flex-col gap-4">
      <ScreenHead title="What do they show?" back={back} />
      {hands.map((h) => (
        <section key={h.position} aria-label={`${h.position} camera`}>
          <h2 className="text-lg font-semibold">
            {h.position}, {name(h.body)}
          </h2>
          <Figure
            label="Battery, %"
            last={wordsOf(readings, h.body, "battery")}
            most={100}
            give={(n) => read(h.body, `${n} %`, n / 100)}
          />
          <Figure
            label="Frames left"
            last={wordsOf(readings, h.body, "frames")}
            most={99_999}
            give={(n) => read(h.body, `${n} frames`)}
          />
        </section>
      ))}
    </div>
  );
}

const wordsOf = (readings: Reading[], body: string, kind: Reading["kind"]) =>
  readings.find((r) => r.body === body && r.kind === kind)?.words;

interface Asked {
  label: string;
  last?: string;
  most: number;
  give: (n: number) => void;
}

function Figure({ label, last, most, give }: Asked) {
  const [text, setText] = useState("");
  const value = /^\d+$/.test(text.trim()) ? Number(text) : Number.NaN;
  const isWrong = text !== "" && !(value <= most);
  return (
    <form
      className="mt-1 flex flex-wrap items-center gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        if (!(value <= most)) return;
        give(value);
        setText("");
      }}
    >
      <label className="flex items-center gap-3">
        <span className="w-24">{label}</span>
        <input
          inputMode="numeric"
          aria-invalid={isWrong}
          className="w-28 border-2 border-rule bg-raised px-3 py-2 text-lg"
          value={text}
          onChange={(e) => setText(e.target.value)}
        />
      </label>
      <button className="webbing" disabled={!(value <= most)}>
        Set
      </button>
      {last && <span className="text-quiet">read: {last}</span>}
      {isWrong && <Wrong most={most} />}
    </form>
  );
}

const Wrong = ({ most }: { most: number }) => (
  <span role="alert" className="text-broken">
    a whole number up to {most}
  </span>
);
