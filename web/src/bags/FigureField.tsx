import type { TypedForm } from "../api/client";
import { TypedField } from "../shared/TypedField";

interface Figured {
  label: string;
  form?: TypedForm;
  value: number | null | undefined;
  commit: (value: number | null) => void;
}

/** A figure that may be left unsaid. */
export const FigureField = ({ label, form = "count", value, commit }: Figured) => (
  <TypedField
    label={label}
    form={form}
    value={value == null ? "" : String(value)}
    commit={(typed) => commit(typed === "" ? null : Number(typed))}
    mayBeEmpty
  />
);

interface Measured {
  label: string;
  value: readonly number[] | null | undefined;
  commit: (value: number[] | null) => void;
}

/** Three measures that may be left unsaid. */
export const MeasuresField = ({ label, value, commit }: Measured) => (
  <TypedField
    label={label}
    form="measures"
    value={(value ?? []).join(" × ")}
    commit={(typed) => commit(typed === "" ? null : typed.split(" × ").map(Number))}
    mayBeEmpty
  />
);
