import { useId, useState, type ReactNode } from "react";

interface Typed {
  label: ReactNode;
  type: string;
  step?: string;
  value: string;
  commit: (value: string) => void;
  /** Whether an empty field is an answer. */
  mayBeEmpty?: boolean;
}

/** A field that is kept while typed and takes effect when left or on Enter; what was refused stays there to be mended. */
export function TypedField({ label, value, commit, mayBeEmpty, ...input }: Typed) {
  const id = useId();
  const [typed, setTyped] = useState(value);
  const [seen, setSeen] = useState(value);
  if (seen !== value) {
    setSeen(value);
    setTyped(value);
  }
  const done = () => {
    if (typed !== value && (mayBeEmpty || typed !== "")) commit(typed);
  };
  return (
    <div className="flex flex-col gap-0.5">
      <label htmlFor={id}>{label}</label>
      <input
        id={id}
        {...input}
        className="webbing font-normal"
        value={typed}
        onChange={(e) => setTyped(e.target.value)}
        onBlur={done}
        onKeyDown={(e) => e.key === "Enter" && done()}
      />
    </div>
  );
}
