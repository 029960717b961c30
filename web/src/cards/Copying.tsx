import { useState } from "react";
import { Problem } from "../shared/Problem";
import type { CardsPage } from "./Cards";
import { CopyLine } from "./CopyLine";
import { useCopies } from "./useCopies";

type Page = CardsPage & { assignment: string; card: string | null };

/** Copies a card that lies in the reader to the drives, and reads every file back. */
export function Copying(props: Page) {
  const { page, begin, stop } = useCopies();
  if (!page) return null;
  return (
    <section aria-label="Copy and verify" className="print:hidden">
      <h2 className="text-[15px] font-bold">Copy and verify</h2>
      {page.folders.length === 0 ? (
        <p>
          Start the program with <code>YOKE_ROOTS</code> naming the folders of your card reader and drives,
          and cards are copied and read back from here. Nothing outside of them is touched.
        </p>
      ) : (
        <Order {...props} folders={page.folders} begin={begin} />
      )}
      {begin.error && <Problem error={begin.error} />}
      <ul aria-label="Copies">
        {page.tasks.map((task) => (
          <li key={task.id} className="border-t border-rule py-1">
            <CopyLine task={task} stop={() => stop.mutate(task.id)} />
          </li>
        ))}
      </ul>
    </section>
  );
}

const box = "min-h-[28px] border border-rule bg-raised px-1 max-[700px]:min-h-[44px]";

const short = (path: string) => path.split("/").slice(-2).join("/");

type Orders = Page & { folders: string[]; begin: ReturnType<typeof useCopies>["begin"] };

function Order({ folders, begin, plan, name, assignment, card }: Orders) {
  const [source, setSource] = useState("");
  const [targets, setTargets] = useState<string[]>([]);
  const people = plan.people.map((p) => p.name ?? p.id);
  const [who, setWho] = useState(people[0] ?? "");
  const isHere = card != null && plan.items.some((i) => i.id === card);
  return (
    <form
      className="flex flex-col gap-1"
      onSubmit={(e) => {
        e.preventDefault();
        begin.mutate({ source, targets, card, who, day: assignment, name: null });
      }}
    >
      <Picked
        label="From"
        value={source}
        choose={setSource}
        options={["", ...folders]}
        text={(f) => short(f) || "a folder"}
      />
      <Targets folders={folders.filter((f) => f !== source)} targets={targets} setTargets={setTargets} />
      <p className="flex flex-wrap items-center gap-x-3">
        <span>
          {isHere
            ? `It is of ${name(card)}.`
            : "It is of no card: touch one above, and the copy goes into its book."}
        </span>
        <Picked label="The drive is with" value={who} choose={setWho} options={people} text={(p) => p} />
        <button className="webbing" disabled={!source || begin.isPending}>
          {targets.length > 0 ? "Copy and read back" : "Read a copy again"}
        </button>
      </p>
    </form>
  );
}

interface Pick {
  label: string;
  value: string;
  choose: (value: string) => void;
  options: string[];
  text: (option: string) => string;
}

const Picked = ({ label, value, choose, options, text }: Pick) => (
  <label className="flex items-center gap-2">
    {label}
    <select className={box} value={value} onChange={(e) => choose(e.target.value)}>
      {options.map((option) => (
        <option key={option} value={option}>
          {text(option)}
        </option>
      ))}
    </select>
  </label>
);

function Targets({
  folders,
  targets,
  setTargets,
}: {
  folders: string[];
  targets: string[];
  setTargets: (targets: string[]) => void;
}) {
  const whole = folders.filter((f) => !folders.some((r) => r !== f && f.startsWith(`${r}/`)));
  return (
    <fieldset className="flex flex-wrap items-center gap-x-4">
      <legend className="sr-only">To</legend>
      <span aria-hidden>To</span>
      {whole.map((f) => (
        <label key={f} className="flex min-h-[28px] items-center gap-2 max-[700px]:min-h-[44px]">
          <input
            type="checkbox"
            checked={targets.includes(f)}
            onChange={(e) => setTargets(e.target.checked ? [...targets, f] : targets.filter((t) => t !== f))}
          />
          {short(f)}
        </label>
      ))}
    </fieldset>
  );
}
