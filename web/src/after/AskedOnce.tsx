import { useState } from "react";
import type { UsedPage } from "../api/client";
import { number } from "../shared/format";
import type { AfterDay } from "./useAfter";

interface Asking {
  used: UsedPage;
  after: AfterDay;
}

/** What the files leave open: asked once, and remembered. */
// Long: the markup of what is asked, in its order.
export function AskedOnce({ used, after }: Asking) {
  return (
    <>
      {used.asked.length > 0 && <WhichThings used={used} after={after} />}
      {used.clocks.length > 0 && (
        <section aria-label="Clocks">
          <h2 className="text-[15px] font-bold">Clocks</h2>
          <ul>
            {used.clocks.map((c) => (
              <li key={c.camera} className="border-t border-rule py-1">
                <span className="font-semibold text-hangs">{c.said}</span>{" "}
                {c.reckoned ? "That is reckoned with here." : "It spoils the order of the pictures."}{" "}
                <button
                  className="webbing"
                  onClick={() =>
                    after.clock.mutate({ camera: c.camera, seconds: c.reckoned ? null : c.seconds })
                  }
                >
                  {c.reckoned ? "Take it as it is" : "Reckon with it"}
                </button>
              </li>
            ))}
          </ul>
        </section>
      )}
      {used.batteries.length > 0 && (
        <section aria-label="Batteries">
          <h2 className="text-[15px] font-bold">How many batteries did you change?</h2>
          <ul>
            {used.batteries.map((b) => (
              <Changed
                key={`${b.type}|${b.answer?.changed ?? ""}|${b.answer?.left ?? ""}`}
                question={b}
                after={after}
              />
            ))}
          </ul>
        </section>
      )}
    </>
  );
}

const none = "none";

function WhichThings({ used, after }: Asking) {
  return (
    <section aria-label="Which is this?">
      <h2 className="text-[15px] font-bold">Which is this?</h2>
      <ul>
        {used.asked.map((a) => (
          <li key={a.key} className="border-t border-rule py-1">
            <label className="flex flex-col gap-0.5">
              <span>
                <strong>{a.says}</strong>
                {a.serial && `, serial ${a.serial}`}
                {a.on && `, on ${a.on}`}
                <span className="text-quiet"> took {number(a.frames)}</span>
              </span>
              <select
                className="webbing font-normal"
                value=""
                onChange={(e) =>
                  after.thing.mutate({ key: a.key, thing: e.target.value === none ? "" : e.target.value })
                }
              >
                <option value="" disabled>
                  Say which; it is remembered
                </option>
                {a.candidates.map((id) => (
                  <option key={id} value={id}>
                    {used.names[id] ?? id}
                  </option>
                ))}
                <option value={none}>None of mine</option>
              </select>
            </label>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Changed({ question: b, after }: { question: UsedPage["batteries"][number]; after: AfterDay }) {
  const [changed, setChanged] = useState(b.answer ? String(b.answer.changed) : "");
  const [left, setLeft] = useState(b.answer?.left == null ? "" : String(Math.round(b.answer.left * 100)));
  const keep = () => {
    const count = Number(changed);
    if (changed.trim() === "" || !Number.isFinite(count)) return;
    after.batteries.mutate({
      type: b.type,
      changed: Math.round(count),
      left: left.trim() === "" ? null : Number(left) / 100,
    });
  };
  return (
    <li className="border-t border-rule py-1">
      <span>
        <strong>{b.type}</strong> in {b.cameras.join(", ")}{" "}
        <span className="text-quiet">({number(b.frames)} pictures)</span>
      </span>
      <span className="flex flex-wrap items-end gap-2">
        <Figure label="Changed" named={`${b.type} changed`} value={changed} set={setChanged} keep={keep} />
        <Figure
          label="% left at the end"
          named={`${b.type} % left at the end`}
          value={left}
          set={setLeft}
          keep={keep}
        />
        <button className="webbing" disabled={changed.trim() === ""} onClick={keep}>
          Keep it
        </button>
      </span>
    </li>
  );
}

interface FigureProps {
  label: string;
  named: string;
  value: string;
  set: (text: string) => void;
  keep: () => void;
}

const Figure = ({ label, named, value, set, keep }: FigureProps) => (
  <label className="flex flex-col">
    <span className="text-quiet">{label}</span>
    <input
      aria-label={named}
      inputMode="numeric"
      className="webbing w-24 font-normal"
      value={value}
      onChange={(e) => set(e.target.value.replace(/[^0-9]/g, ""))}
      onKeyDown={(e) => e.key === "Enter" && keep()}
    />
  </label>
);
