import { useQueryClient } from "@tanstack/react-query";
import { useId, useState, type ReactNode } from "react";
import type { TypedForm } from "../api/client";
import { reading } from "./useTyped";

interface Typed {
  label: ReactNode;
  /** Kind of input where it is no plain text, e.g. a time. */
  type?: string;
  /** What it asks for, where that is a figure: the server reads it, and what it cannot read stays at the field with what would do. */
  form?: TypedForm;
  value: string;
  /** Hears the text, or the figure in the unit asked for. */
  commit: (value: string) => void;
  /** Whether an empty field is an answer. */
  mayBeEmpty?: boolean;
}

/** A field that is kept while typed and takes effect when left or on Enter; what was refused stays there to be mended. */
export function TypedField({ label, type, form, value, commit, mayBeEmpty }: Typed) {
  const id = useId();
  const client = useQueryClient();
  const [typed, setTyped] = useState(value);
  const [seen, setSeen] = useState(value);
  const [problem, setProblem] = useState("");
  if (seen !== value) {
    setSeen(value);
    setTyped(value);
    setProblem("");
  }
  const done = async () => {
    if (typed === value || (!mayBeEmpty && typed === "")) return;
    if (!form || typed === "") return commit(typed);
    const [read] = await client.fetchQuery(reading({ figure: form }, { figure: typed }));
    if (read?.problem) return setProblem(read.problem);
    const figure = String(read?.values[0] ?? "");
    // The same figure, written otherwise.
    if (figure === value) setTyped(value);
    else commit(figure);
  };
  return (
    <div className="flex flex-col gap-0.5">
      <label htmlFor={id}>{label}</label>
      <input
        id={id}
        type={type ?? "text"}
        inputMode={form && "decimal"}
        aria-invalid={!!problem}
        className="webbing font-normal"
        value={typed}
        onChange={(e) => {
          setTyped(e.target.value);
          setProblem("");
        }}
        onBlur={() => void done()}
        onKeyDown={(e) => e.key === "Enter" && void done()}
      />
      {problem && (
        <span role="alert" className="max-w-44 text-[12px] text-broken">
          {problem}
        </span>
      )}
    </div>
  );
}
