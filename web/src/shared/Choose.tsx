import type { ReactNode } from "react";
import { Select } from "./Select";

/** A labelled choice of one. The empty value stands first where nothing need be chosen. */
export function Choose<T extends string>({
  label,
  value,
  options,
  choose,
  empty,
  note,
  beside,
}: {
  label: ReactNode;
  value: T | "";
  options: readonly (readonly [T, string])[];
  choose: (value: T | "") => void;
  /** What having chosen nothing means; without it one must be chosen. */
  empty?: string;
  note?: ReactNode;
  beside?: boolean;
}) {
  return (
    <Labelled label={label} note={note} beside={beside}>
      <Select
        className="webbing max-w-[16rem] font-normal"
        value={value}
        choose={(chosen) => choose(chosen as T | "")}
      >
        {empty !== undefined && <option value="">{empty}</option>}
        {options.map(([key, word]) => (
          <option key={key} value={key}>
            {word}
          </option>
        ))}
      </Select>
    </Labelled>
  );
}

/** Why what was typed into a field cannot be taken. */
export function AtField({ problem }: { problem: string }) {
  return (
    <span className="max-w-44 text-[12px] text-broken" role="alert">
      {problem}
    </span>
  );
}

/** A field under its label, or beside it, with what was computed for it beneath. */
export function Labelled({
  label,
  note,
  problem,
  beside,
  children,
}: {
  label: ReactNode;
  note?: ReactNode;
  problem?: string;
  beside?: boolean;
  children: ReactNode;
}) {
  return (
    <label className={beside ? "flex items-baseline gap-1" : "flex flex-col gap-0.5"}>
      {label}
      {children}
      {problem ? (
        <AtField problem={problem} />
      ) : (
        note && <span className="text-[12px] text-quiet">{note}</span>
      )}
    </label>
  );
}

/** A short text or number kept until the form it stands in is sent. */
export function Typing({
  label,
  value,
  type,
  width = "w-20",
  placeholder,
  note,
  problem,
}: {
  label: ReactNode;
  value: string;
  type: (value: string) => void;
  width?: string;
  placeholder?: string;
  note?: ReactNode;
  /** Why what was typed cannot be taken; it stands at the field until it is mended. */
  problem?: string;
}) {
  return (
    <Labelled label={label} note={note} problem={problem}>
      <input
        className={`webbing font-normal ${width} ${problem ? "border-broken" : ""}`}
        aria-invalid={!!problem}
        value={value}
        placeholder={placeholder}
        onChange={(e) => type(e.target.value)}
      />
    </Labelled>
  );
}

export function Tick({ label, on, set }: { label: ReactNode; on: boolean; set: (on: boolean) => void }) {
  return (
    <label className="flex items-center gap-1.5 py-1.5 max-[700px]:min-h-[44px]">
      <input type="checkbox" checked={on} onChange={(e) => set(e.target.checked)} />
      {label}
    </label>
  );
}
