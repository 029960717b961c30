import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useDeferredValue, useRef, useState } from "react";
import { answer, api, type QuickLine } from "../api/client";
import { Problem } from "../shared/Problem";
import { changes, useLockerChange } from "./useLocker";

/** Typed lines become things: what was understood is shown before anything is kept. */
export function QuickAddBox({ text, setText }: { text: string; setText: (text: string) => void }) {
  const change = useLockerChange();
  const box = useRef<HTMLTextAreaElement>(null);
  const [said, setSaid] = useState("");
  const asked = useDeferredValue(text.trim());
  const { data, isFetching } = useQuery({
    queryKey: ["quick", asked],
    queryFn: () => answer(api.POST("/api/locker/read", { body: { text: asked } })),
    enabled: asked.length > 0,
    placeholderData: keepPreviousData,
  });
  const lines = asked.length > 0 ? (data ?? []) : [];
  const current = !isFetching && asked === text.trim();
  const ready = lines.filter((l) => l.ready);
  const many = lines.reduce((sum, l) => sum + l.things.length, 0);

  const add = () => {
    // What is shown may lag behind what was typed last; then the lines are read once more first.
    change.mutate(async () => {
      const read = current
        ? lines
        : await answer(api.POST("/api/locker/read", { body: { text: text.trim() } }));
      const whole = read.filter((l) => l.ready);
      if (whole.length === 0) return;
      await changes.add(whole.map((l) => l.line).join("\n"));
      setText(
        read
          .filter((l) => !l.ready)
          .map((l) => l.line)
          .join("\n"),
      );
      const count = whole.reduce((sum, l) => sum + l.things.length, 0);
      setSaid(
        `${count} added${whole.length < read.length ? `, ${read.length - whole.length} ${read.length - whole.length === 1 ? "line needs" : "lines need"} more` : ""}.`,
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
          {lines.map((line, i) => (
            <Line key={`${i} ${line.line}`} line={line} alone={lines.length === 1} />
          ))}
        </ol>
      )}
    </section>
  );
}

/** What each word was taken for; the words of a name are one. */
function meanings({ understood }: QuickLine) {
  const name = understood.filter((u) => u.meaning === "name").map((u) => u.text);
  const others = understood.filter((u) => u.meaning !== "kind" && u.meaning !== "name").map((u) => u.meaning);
  return name.length > 0 ? [`called ${name.join(" ")}`, ...others] : others;
}

function Line({ line, alone }: { line: QuickLine; alone: boolean }) {
  return (
    <li className="border-b border-rule py-1">
      <span className={line.ready ? "font-semibold text-holds" : "font-semibold text-hangs"}>
        {line.ready ? "✓" : "?"} {line.summary}
      </span>{" "}
      <span className="text-quiet">{meanings(line).join(" · ")}</span>
      {line.missing.map((m) => (
        <span key={m.figure} className="ml-2 font-semibold">
          {m.question} <span className="font-normal">Type {m.example}</span>
        </span>
      ))}
      {line.problems.map((p) => (
        <span key={p.message} className="ml-2 text-broken">
          {p.field}: {p.message}
        </span>
      ))}
      {alone && line.estimates.length > 0 && (
        <span className="block text-quiet">
          Taken as usual until you measure: {line.estimates.join(", ")}
        </span>
      )}
    </li>
  );
}
