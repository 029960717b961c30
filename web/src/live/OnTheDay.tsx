import { useEffect, useMemo, useState } from "react";
import type { LateDay, PocketDay, PocketJob, PocketPart, TextPiece } from "../api/client";
import { said } from "../shared/format";
import { AnswerScreen } from "./AnswerScreen";
import { FailedScreen } from "./FailedScreen";
import { LateScreen } from "./LateScreen";
import { LevelsScreen, type Reading } from "./LevelsScreen";
import { PocketNames } from "./names";
import { NowScreen, type Ticks } from "./NowScreen";
import { isSame, lookUp, slid, whereAt, type Answered, type Failure } from "./pocketModel";
import { RecordScreen, SaveRecord } from "./RecordScreen";
import { recordOf, type Noted } from "./record";
import { useClock } from "./useClock";

type Screen = "now" | "failed" | "answer" | "late" | "levels" | "record";

/** What is known of the day after what has happened. */
export interface Known {
  answered: Answered | "asking";
  /** The parts as they are planned anew; else as they were. */
  parts?: PocketPart[];
  told?: TextPiece[][];
}

/** Whoever knows more than was worked out beforehand; each is a hook. */
export interface Asking {
  useKnown: (state: { now: Date; out: Failure[]; late: LateDay | null; readings: Reading[] }) => Known;
  useLate: (from: string, minutes: number | null) => LateDay | undefined;
  /** Takes what was noted, as often as it likes. */
  send: (facts: Noted[]) => void;
}

/** The file by itself: what was written into it. */
const byItself = (day: PocketDay): Asking => ({
  useKnown: ({ out }) => ({ answered: lookUp(day, out) }),
  useLate: (from, minutes) => day.late.find((l) => l.from === from && l.minutes === minutes),
  send: () => undefined,
});

/** The day in a pocket: now, something failed, late, the record. */
export function OnTheDay({ day, home, asking }: { day: PocketDay; home: string | null; asking?: Asking }) {
  const { now, isMoved } = useClock();
  const [screen, setScreen] = useState<Screen>("now");
  const record = useMemo(() => recordOf(day), [day]);
  const [facts, setFacts] = useState<Noted[]>(() => record.all());
  const [isBig, setBig] = useState(() => record.isKept && localStorage.getItem("yoke-pair/big") === "1");
  const note = (fact: Omit<Noted, "origin" | "who" | "at">) =>
    setFacts(record.add({ ...fact, at: now.toISOString() }, now));
  const out = useMemo(() => failuresIn(facts), [facts]);
  const late = useMemo(() => lateIn(day, facts), [day, facts]);
  const readings = useMemo(() => readingsIn(facts), [facts]);
  const ask = useMemo(() => asking ?? byItself(day), [asking, day]);
  const { useLate } = ask;
  const known = ask.useKnown({ now, out, late, readings });
  const parts = useMemo(
    () => slid(day, late).map((p) => known.parts?.find((k) => k.id === p.id) ?? p),
    [day, late, known.parts],
  );
  useEffect(() => {
    if (facts.length > 0) ask.send(facts);
  }, [ask, facts]);
  const { current, next } = whereAt(parts, now);
  const at = current >= 0 ? current : next >= 0 ? next : parts.length - 1;
  useEffect(() => {
    document.documentElement.style.fontSize = isBig ? "125%" : "";
  }, [isBig]);
  const showNow = () => setScreen("now");
  const nameOf = (f: Pick<Failure, "kind" | "id">) => day.losses.find((l) => isSame(l, f))?.name ?? f.id;

  return (
    <PocketNames value={day.names}>
      <main className="mx-auto flex min-h-full max-w-[520px] flex-col gap-4 p-5 text-[15px]">
        {isMoved && <p className="text-quiet">Rehearsal: the clock was set.</p>}
        {!record.isKept && screen === "now" && (
          <p role="alert" className="border-2 border-hangs p-2">
            This viewer keeps nothing you note once it is closed. <SaveRecord day={day} facts={facts} />
          </p>
        )}
        {screen === "now" && (
          <>
            {out.length > 0 && (
              <button
                className="border-l-4 border-broken py-1 pl-3 text-left font-semibold"
                onClick={() => setScreen("answer")}
              >
                Out: {out.map(nameOf).join(", ")}. What to do
              </button>
            )}
            {late && <p className="font-semibold">Reckoned {late.minutes} min late.</p>}
            {known.told?.map((line, i) => (
              <p key={i}>{line.map(said).join("")}</p>
            ))}
            <NowScreen day={day} parts={parts} now={now} ticks={ticksOf(facts, note)} />
            <Foot
              failed={() => setScreen("failed")}
              late={() => setScreen("late")}
              record={() => setScreen("record")}
              levels={asking ? () => setScreen("levels") : undefined}
              noted={facts.length}
              isBig={isBig}
              setBig={(on) => {
                setBig(on);
                if (record.isKept) localStorage.setItem("yoke-pair/big", on ? "1" : "0");
              }}
            />
          </>
        )}
        {screen === "failed" && (
          <FailedScreen
            day={day}
            part={parts[at]!}
            out={out}
            back={showNow}
            fail={(f) => {
              note({ kind: "failed", thing: `${f.kind}:${f.id}@${f.part}`, words: nameOf(f) });
              setScreen("answer");
            }}
          />
        )}
        {screen === "answer" && (
          <AnswerScreen
            day={day}
            parts={parts}
            at={at}
            now={now}
            out={out}
            answered={known.answered}
            another={() => setScreen("failed")}
            back={showNow}
            restore={(f) => {
              note({ kind: "mended", thing: `${f.kind}:${f.id}@${f.part}`, words: nameOf(f) });
              if (out.length <= 1) showNow();
            }}
          />
        )}
        {screen === "late" && (
          <LateScreen
            from={day.parts[at]!}
            parts={day.parts}
            late={late}
            usual={[...new Set(day.late.map((l) => l.minutes))]}
            useLate={useLate}
            isAny={!!asking}
            take={(found) => {
              note({
                kind: "slid",
                thing: found?.from ?? day.parts[at]!.id,
                words: `${found?.minutes ?? 0} min`,
              });
              showNow();
            }}
            back={showNow}
          />
        )}
        {screen === "levels" && (
          <LevelsScreen
            hands={parts[at]!.hands}
            readings={readings}
            read={(body, words, left) => note({ kind: "read", thing: body, words, left })}
            back={showNow}
          />
        )}
        {screen === "record" && (
          <RecordScreen day={day} record={record} facts={facts} home={home} back={showNow} />
        )}
      </main>
    </PocketNames>
  );
}

function Foot({
  failed,
  late,
  levels,
  record,
  noted,
  isBig,
  setBig,
}: {
  failed: () => void;
  late: () => void;
  /** Only where somebody can plan anew. */
  levels?: () => void;
  record: () => void;
  noted: number;
  isBig: boolean;
  setBig: (on: boolean) => void;
}) {
  return (
    <footer className="sticky bottom-0 mt-auto flex flex-col gap-2 bg-ground py-3">
      <button className="failed min-h-20 text-2xl font-bold" onClick={failed}>
        Something failed
      </button>
      <div className="grid grid-cols-3 gap-2">
        <button className="webbing" onClick={late}>
          Late
        </button>
        <button className="webbing" onClick={record}>
          Record{noted > 0 && ` ${noted}`}
        </button>
        {levels && (
          <button className="webbing" onClick={levels}>
            Levels
          </button>
        )}
        <button className="webbing" aria-pressed={isBig} onClick={() => setBig(!isBig)}>
          Big text
        </button>
      </div>
    </footer>
  );
}

/** What is ticked and done, from what was noted. */
function ticksOf(facts: Noted[], note: (fact: Omit<Noted, "origin" | "who" | "at">) => void): Ticks {
  return {
    isTicked: (id) => {
      const last = facts.findLast((f) => f.thing === id && (f.kind === "ticked" || f.kind === "unticked"));
      return last?.kind === "ticked";
    },
    tick: (id, words, on) => note({ kind: on ? "ticked" : "unticked", thing: id, words }),
    done: (job: PocketJob) => {
      note({ kind: "ticked", thing: job.id, words: job.text });
      if (job.kind === "cards")
        job.in.forEach((card) =>
          note({ kind: "put", thing: card, where: job.where ?? undefined, words: job.text }),
        );
      if (job.out) note({ kind: "changed", thing: job.out, words: job.text, left: job.left ?? undefined });
    },
  };
}

/** What is out now: failed, and not working again since. */
function failuresIn(facts: Noted[]): Failure[] {
  const out: Failure[] = [];
  for (const f of facts) {
    const read = /^(\w+):(.*)@([^@]*)$/.exec(f.thing);
    if (!read || (f.kind !== "failed" && f.kind !== "mended")) continue;
    const failure = { kind: read[1] as Failure["kind"], id: read[2]!, part: read[3]! };
    const at = out.findIndex((o) => isSame(o, failure));
    if (f.kind === "failed" && at < 0) out.push(failure);
    else if (f.kind === "mended" && at >= 0) out.splice(at, 1);
  }
  return out;
}

/** What was read off cameras last. */
function readingsIn(facts: Noted[]): Reading[] {
  const last = new Map<string, Reading>();
  for (const f of facts) {
    if (f.kind !== "read") continue;
    const frames = /^(\d+) frames$/.exec(f.words ?? "");
    const kind = frames ? "frames" : "battery";
    last.set(`${f.thing} ${kind}`, {
      body: f.thing,
      kind,
      value: frames ? Number(frames[1]) : (f.left ?? 1),
      words: f.words ?? "",
    });
  }
  return [...last.values()];
}

const lateIn = (day: PocketDay, facts: Noted[]) => {
  const last = facts.findLast((f) => f.kind === "slid");
  const minutes = Number.parseInt(last?.words ?? "0", 10);
  return day.late.find((l) => l.from === last?.thing && l.minutes === minutes) ?? null;
};
