import { Select } from "../shared/Select";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useDeferredValue, useRef, useState } from "react";
import { answer, api, type QuickLine } from "../api/client";
import { withLine } from "../shared/lines";
import { Problem } from "../shared/Problem";
import { changes, useLockerChange } from "./useLocker";

/** Typed lines become things: what was understood is shown before anything is kept. */
// Long: one field, what it was read as and what is missing.
export function QuickAddBox({
  text,
  setText,
  kinds,
}: {
  text: string;
  setText: (text: string) => void;
  /** Kinds a line may be said to be of. */
  kinds: string[];
}) {
  const change = useLockerChange();
  const box = useRef<HTMLTextAreaElement>(null);
  const [said, setSaid] = useState("");
  const asked = useDeferredValue(text.trimEnd());
  const { data, isFetching } = useQuery({
    queryKey: ["quick", asked],
    queryFn: () => answer(api.POST("/api/locker/read", { body: { text: asked } })),
    enabled: asked.trim().length > 0,
    placeholderData: keepPreviousData,
  });
  const lines = asked.trim().length > 0 ? (data ?? []) : [];
  const current = !isFetching && asked === text.trimEnd();
  const ready = lines.filter((l) => l.ready);
  const many = lines.reduce((sum, l) => sum + l.things.length, 0);

  const add = () => {
    // What is shown may lag behind what was typed last; then the lines are read once more first.
    change.mutate(async () => {
      const read = current
        ? lines
        : await answer(api.POST("/api/locker/read", { body: { text: text.trimEnd() } }));
      const whole = read.filter((l) => l.ready);
      if (whole.length === 0) return;
      await changes.add(whole.map((l) => l.line).join("\n"));
      setText(
        read
          .filter((l) => !l.ready && !l.heading)
          .map((l) => l.line)
          .join("\n"),
      );
      const count = whole.reduce((sum, l) => sum + l.things.length, 0);
      const open = read.filter((l) => !l.ready && !l.heading).length;
      setSaid(
        `${count} added${open > 0 ? `, ${open} ${open === 1 ? "line needs" : "lines need"} more` : ""}.`,
      );
      box.current?.focus();
    });
  };

  return (
    <section aria-label="Add things" className="min-w-0 flex-1 basis-[30rem]">
      <label htmlFor="quick" className="font-semibold">
        Add a thing, as you would note it down
      </label>
      <div className="mt-1 flex gap-2">
        <textarea
          id="quick"
          ref={box}
          rows={Math.min(8, Math.max(1, text.split("\n").length))}
          value={text}
          spellCheck={false}
          onChange={(e) => {
            setText(e.target.value);
            setSaid("");
          }}
          onKeyDown={(e) => {
            if (e.key !== "Enter" || e.shiftKey) return;
            e.preventDefault();
            add();
          }}
          aria-describedby="quick-help"
          className="min-w-0 flex-1 resize-none border-2 border-ink bg-raised px-3 py-1.5 text-[15px]"
        />
        <button className="webbing" onClick={add} disabled={ready.length === 0 || change.isPending}>
          Add {many > 1 ? many : ""}
        </button>
      </div>
      <p id="quick-help" className="sr-only">
        Enter adds every line that is complete; Shift Enter begins another line.
      </p>
      <p role="status" className="text-quiet">
        {said ||
          (lines.length === 0 &&
            "Such as 24-70/2.8 K2 #3 820g. Enter adds, Shift Enter begins another line; a whole page from a notebook may be pasted.")}
      </p>
      {change.error && <Problem error={change.error} />}
      {lines.length > 0 && (
        <ol className={`mt-1 max-h-64 overflow-auto ${current ? "" : "opacity-60"}`} aria-label="Understood">
          {lines.map((line, i) =>
            line.heading ? (
              <Heading key={`${i} ${line.line}`} line={line} />
            ) : (
              <Line
                key={`${i} ${line.line}`}
                line={line}
                alone={lines.length === 1}
                kinds={kinds}
                retype={(better) => setText(retyped(text, line, better))}
                pick={(word) => pick(box.current, line, word)}
              />
            ),
          )}
        </ol>
      )}
    </section>
  );
}

/** Of a line with several things, only this one is typed anew. */
const retyped = (text: string, { at, line }: QuickLine, better: string) =>
  withLine(text, at, (old) => (old.includes(line) ? old.replace(line, better) : better));

/** Marks a word of a line, to be typed over. */
function pick(box: HTMLTextAreaElement | null, line: QuickLine, word: string) {
  if (!box) return;
  const from = box.value
    .split("\n")
    .slice(0, line.at - 1)
    .reduce((sum, l) => sum + l.length + 1, 0);
  const at = box.value.indexOf(word, from);
  box.focus();
  if (at >= 0) box.setSelectionRange(at, at + word.length);
}

/** What each word was taken for; the words of a name are one. */
function figures({ understood }: QuickLine): Figure[] {
  const called = understood.filter((u) => u.label === "called");
  const others = understood.filter((u) => u.label !== "kind" && u.label !== "called");
  const name = {
    label: "called",
    value: called.map((u) => u.value).join(" "),
    text: called.find((u) => u.guess)?.text ?? called[0]?.text ?? "",
    guess: called.some((u) => u.guess),
  };
  return called.length > 0 ? [name, ...others] : others;
}

type Figure = QuickLine["understood"][number];

function Heading({ line }: { line: QuickLine }) {
  return (
    <li className="border-b border-rule py-1 text-quiet" data-line={line.at}>
      <span className="mr-1.5 tabular-nums">{line.at}</span>
      {line.line}, {line.heading}
    </li>
  );
}

/** One typed line: what it was taken for as small labelled figures; what was guessed can be put right with one touch. */
function Line({
  line,
  alone,
  kinds,
  retype,
  pick,
}: {
  line: QuickLine;
  alone: boolean;
  kinds: string[];
  retype: (line: string) => void;
  pick: (word: string) => void;
}) {
  const sure = line.ready && !line.kindBecause && !line.understood.some((u) => u.guess);
  return (
    <li className="border-b border-rule py-1" data-line={line.at}>
      {!alone && <span className="mr-1.5 text-quiet tabular-nums">{line.at}</span>}
      {/* A tick only where nothing was guessed. */}
      <span className={sure ? "font-semibold text-holds" : "font-semibold text-hangs"}>
        {sure ? "✓" : line.ready ? "≈" : "?"} {line.summary}
      </span>
      {line.kindBecause && <KindGuess line={line} kinds={kinds} retype={retype} />}
      {figures(line).map((f) => (
        <Chip key={f.label + f.text} figure={f} pick={pick} />
      ))}
      <Asked line={line} />
      {alone && line.estimates.length > 0 && (
        <span className="block text-quiet">
          Taken as usual until you measure: {line.estimates.join(", ")}
        </span>
      )}
    </li>
  );
}

/** What must still be said, and what cannot be. */
function Asked({ line }: { line: QuickLine }) {
  return (
    <>
      {line.missing.map((m) => (
        <span key={m.figure} className="ml-2 font-semibold">
          {m.question} <span className="font-normal">Type {m.example}</span>
        </span>
      ))}
      {line.problems.map((p) => (
        <span key={p.message} className="ml-2 text-broken">
          {/* A message that quotes what was typed needs no name before it. */}
          {p.field && !p.message.startsWith('"') && `${p.field}: `}
          {p.message}
        </span>
      ))}
    </>
  );
}

function Chip({ figure, pick }: { figure: Figure; pick: (word: string) => void }) {
  const said = (
    <>
      <span className="text-quiet">{figure.label}</span> {figure.value}
    </>
  );
  if (!figure.guess) return <span className="ml-2 inline-block border border-rule px-1">{said}</span>;
  return (
    <button
      className="ml-2 inline-block border border-dashed border-hangs px-1"
      title="A guess: touch it to type something else"
      onClick={() => pick(figure.text)}
    >
      {said} ?
    </button>
  );
}

/** The kind was guessed: another one is put in front of the line. */
function KindGuess({
  line,
  kinds,
  retype,
}: {
  line: QuickLine;
  kinds: string[];
  retype: (line: string) => void;
}) {
  return (
    <label className="ml-2 inline-block border border-dashed border-hangs px-1">
      <span className="text-quiet">taken for, {line.kindBecause}</span>{" "}
      <Select
        aria-label={`Kind of line ${line.at}`}
        className="bg-transparent font-normal"
        value={line.kind}
        choose={(chosen) => retype(`${chosen} ${line.line}`)}
      >
        {kinds.map((kind) => (
          <option key={kind}>{kind}</option>
        ))}
      </Select>
    </label>
  );
}
