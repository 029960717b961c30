import { useEffect, useMemo, useRef, useState } from "react";
import type { LateDay, PocketDay, PocketPart, TextPiece } from "../api/client";
import { said } from "../shared/format";
import { AnswerScreen } from "./AnswerScreen";
import { FailedScreen } from "./FailedScreen";
import { LateScreen } from "./LateScreen";
import { LevelsScreen, type Reading } from "./LevelsScreen";
import { PocketNames } from "./names";
import { NowScreen } from "./NowScreen";
import { isSame, lookUp, slid, whereAt, type Answered, type Failure } from "./pocketModel";
import { RecordScreen, SaveRecord } from "./RecordScreen";
import type { Noted } from "./record";
import { useClock } from "./useClock";
import { useNotes } from "./useNotes";

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
  const { now, isRehearsal } = useClock();
  const notes = useNotes(day, now, isRehearsal);
  const { facts, out, readings } = notes;
  const ask = useMemo(() => asking ?? byItself(day), [asking, day]);
  const { useLate } = ask;
  const late = useLate(notes.late?.from ?? "", notes.late?.minutes ?? null) ?? null;
  const known = ask.useKnown({ now, out, late, readings });
  const parts = useMemo(
    () => slid(day, late).map((p) => known.parts?.find((k) => k.id === p.id) ?? p),
    [day, late, known.parts],
  );
  useEffect(() => {
    if (facts.length > 0 && !isRehearsal) ask.send(facts);
  }, [ask, facts, isRehearsal]);
  const { current, next } = whereAt(parts, now);
  const at = current >= 0 ? current : next >= 0 ? next : parts.every((p) => !p.start) ? 0 : parts.length - 1;
  return (
    <PocketNames value={day.names}>
      <main
        tabIndex={-1}
        className="mx-auto flex min-h-full max-w-[520px] flex-col gap-4 p-5 text-[15px] outline-none"
      >
        {isRehearsal && (
          <p className="text-quiet">Rehearsal: the clock was set, and nothing goes into the record.</p>
        )}
        <Screens {...{ day, parts, at, now, late, known, notes, home, useLate, isLive: !!asking }} />
      </main>
    </PocketNames>
  );
}

interface Page {
  day: PocketDay;
  parts: PocketPart[];
  /** The part that goes on, or is next. */
  at: number;
  now: Date;
  late: LateDay | null;
  known: Known;
  notes: ReturnType<typeof useNotes>;
  home: string | null;
  useLate: Asking["useLate"];
  isLive: boolean;
}

/** The one screen one is on. */
// Long: a case for each screen, with what it may do.
function Screens(page: Page) {
  const { day, parts, at, now, late, known, notes, home, useLate, isLive } = page;
  const { note, out } = notes;
  const [screen, setScreen] = useState<Screen>("now");
  const isFirst = useRef(true);
  // Each begins at its top, for the eye and for whoever has it read out, wherever the last was left.
  useEffect(() => {
    if (!isFirst.current) {
      void scrollTo(0, 0);
      document.querySelector("main")?.focus();
    }
    isFirst.current = false;
  }, [screen]);
  const back = () => setScreen("now");
  const nameOf = (f: Pick<Failure, "kind" | "id">) => day.losses.find((l) => isSame(l, f))?.name ?? f.id;
  const noteOf = (kind: "failed" | "mended", f: Failure) =>
    note({ kind, thing: `${f.kind}:${f.id}@${f.part}`, words: nameOf(f) });
  const fail = (f: Failure) => {
    noteOf("failed", f);
    setScreen("answer");
  };
  const restore = (f: Failure) => {
    noteOf("mended", f);
    if (out.length <= 1) back();
  };
  const take = (found: LateDay | null) => {
    note({ kind: "slid", thing: found?.from ?? day.parts[at]!.id, words: `${found?.minutes ?? 0} min` });
    back();
  };
  const read = (body: string, words: string, left?: number) =>
    note({ kind: "read", thing: body, words, left });
  const usual = [...new Set(day.late.map((l) => l.minutes))];
  const another = () => setScreen("failed");
  switch (screen) {
    case "failed":
      return <FailedScreen day={day} part={parts[at]!} out={out} fail={fail} back={back} />;
    case "answer":
      return (
        <AnswerScreen {...{ day, parts, at, now, out, restore, another, back }} answered={known.answered} />
      );
    case "late":
      return (
        <LateScreen
          from={day.parts[at]!}
          parts={day.parts}
          isAny={isLive}
          {...{ late, usual, useLate, take, back }}
        />
      );
    case "levels":
      return <LevelsScreen hands={parts[at]!.hands} readings={notes.readings} read={read} back={back} />;
    case "record":
      return <RecordScreen day={day} notes={notes} home={home} back={back} />;
    default:
      return <Home {...page} show={setScreen} out={out.map(nameOf)} />;
  }
}

/** Now, with what is out and how late it is above it, and the ways on below. */
function Home({
  day,
  parts,
  now,
  late,
  known,
  notes,
  isLive,
  show,
  out,
}: Page & { show: (screen: Screen) => void; out: string[] }) {
  return (
    <>
      {!notes.record.isKept && (
        <p role="alert" className="border-2 border-hangs p-2">
          This viewer keeps nothing you note once it is closed. <SaveRecord day={day} facts={notes.facts} />
        </p>
      )}
      {out.length > 0 && (
        <button
          className="border-l-4 border-broken py-1 pl-3 text-left font-semibold"
          onClick={() => show("answer")}
        >
          Out: {out.join(", ")}. What to do
        </button>
      )}
      {late && <p className="font-semibold">Reckoned {late.minutes} min late.</p>}
      {known.told?.map((line, i) => (
        <p key={i}>{line.map(said).join("")}</p>
      ))}
      <NowScreen parts={parts} now={now} ticks={notes.ticks} />
      <Foot show={show} noted={notes.facts.length} isKept={notes.record.isKept} isLive={isLive} />
    </>
  );
}

const bigText = "yoke-pair/big";

function Foot({
  show,
  noted,
  isKept,
  isLive,
}: {
  show: (screen: Screen) => void;
  noted: number;
  isKept: boolean;
  isLive: boolean;
}) {
  const [isBig, setBig] = useState(() => isKept && localStorage.getItem(bigText) === "1");
  useEffect(() => {
    document.documentElement.style.fontSize = isBig ? "125%" : "";
    if (isKept) localStorage.setItem(bigText, isBig ? "1" : "0");
  }, [isBig, isKept]);
  const way = (screen: Screen, word: string) => (
    <button className="webbing" onClick={() => show(screen)}>
      {word}
    </button>
  );
  return (
    <footer className="sticky bottom-0 mt-auto flex flex-col gap-2 bg-ground py-3">
      <button className="failed min-h-20 text-2xl font-bold" onClick={() => show("failed")}>
        Something failed
      </button>
      <div className="grid auto-cols-fr grid-flow-col gap-2 [&>button]:px-1">
        {way("late", "Late")}
        {way("record", noted > 0 ? `Record ${noted}` : "Record")}
        {isLive && way("levels", "Levels")}
        <button className="webbing" aria-pressed={isBig} onClick={() => setBig(!isBig)}>
          Big text
        </button>
      </div>
    </footer>
  );
}
