import { useQueryClient } from "@tanstack/react-query";
import { useId, useState, type ReactNode } from "react";
import type { TypedForm } from "../api/client";
import { AtField } from "./Choose";
import { useRefusals } from "./refusals";
import { reading } from "./useTyped";

interface Typed {
  label: ReactNode;
  /** Kind of input where it is no plain text, e.g. a time. */
  type?: string;
  /** What it asks for, where that is a figure: the server reads it, and what it cannot read stays at the field with what would do. */
  form?: TypedForm;
  value: string;
  /** Hears the text, or the figures in the unit asked for, with a cross between several. */
  commit: (value: string) => void;
  /** Whether an empty field is an answer. */
  mayBeEmpty?: boolean;
}

/** A field that is kept while typed and takes effect when left or on Enter; what was refused stays there to be mended. */
export function TypedField({ label, type, ...field }: Typed) {
  const id = useId();
  const { typed, problem, change, done } = useTypedField(field);
  return (
    <div className="flex flex-col gap-0.5">
      <label htmlFor={id}>{label}</label>
      <input
        id={id}
        type={type ?? "text"}
        inputMode={field.form && "decimal"}
        aria-invalid={!!problem}
        className="webbing font-normal"
        value={typed}
        onChange={(e) => change(e.target.value)}
        onBlur={() => void done()}
        onKeyDown={(e) => e.key === "Enter" && void done()}
      />
      {problem && <AtField problem={problem} />}
    </div>
  );
}

function useTypedField({ form, value, commit, mayBeEmpty }: Omit<Typed, "label" | "type">) {
  const client = useQueryClient();
  const read = async (form: TypedForm, text: string) => {
    try {
      const [figure] = await client.fetchQuery(reading({ figure: form }, { figure: text }));
      setProblem(figure?.problem ?? "");
      return figure?.problem ? null : (figure?.values ?? []).join(" × ");
    } catch (error) {
      setProblem((error as Error).message);
      return null;
    }
  };
  const [typed, setTyped] = useState(value);
  const [seen, setSeen] = useState(value);
  const [problem, setProblem] = useState("");
  const sending = useSending(typed !== value, setProblem);
  if (seen !== value) {
    setSeen(value);
    setTyped(value);
    setProblem("");
    sending.forget();
  }
  const done = async () => {
    if (typed === value || (!mayBeEmpty && typed === "")) return;
    const figure = form && typed !== "" ? await read(form, typed) : typed;
    // The same figure, written otherwise.
    if (figure === value) setTyped(value);
    else if (figure !== null) {
      sending.begin();
      commit(figure);
    }
  };
  const change = (text: string) => {
    setTyped(text);
    setProblem("");
  };
  return { typed, problem, change, done };
}

/** Hears when what was sent is refused, as long as it is not what stands there. */
function useSending(differs: boolean, tell: (why: string) => void) {
  // How often anything had been refused when it was sent.
  const [sent, setSent] = useState<number | null>(null);
  const refusals = useRefusals();
  if (sent !== null && refusals.count > sent && differs) {
    setSent(null);
    tell(refusals.why);
  }
  return { begin: () => setSent(refusals.count), forget: () => setSent(null) };
}
