import { Select } from "../shared/Select";

interface NamedChoice<T extends string> {
  label: string;
  none: string;
  words: Partial<Record<T, string>>;
  value: T | null | undefined;
  choose: (value: T | null) => void;
}

/** One of several words, or none. */
export function Named<T extends string>({ label, none, words, value, choose }: NamedChoice<T>) {
  return (
    <label className="flex flex-col">
      {label}
      <Select
        className="webbing font-normal"
        value={value ?? ""}
        choose={(chosen) => choose((chosen || null) as T | null)}
      >
        <option value="">{none}</option>
        {Object.entries(words as Record<string, string>).map(([name, said]) => (
          <option key={name} value={name}>
            {said}
          </option>
        ))}
      </Select>
    </label>
  );
}
