import { queryOptions, useQuery, useQueryClient } from "@tanstack/react-query";
import { useDeferredValue, useState } from "react";
import { answer, api, type TypedForm } from "../api/client";

/** What a field of a form asks for, by its name. */
export type Forms = Record<string, TypedForm>;

/** Asks the server what fields hold. */
export function reading(forms: Forms, texts: Record<string, string>) {
  const fields = Object.keys(forms).flatMap((name) => {
    const form = forms[name];
    return form ? [{ name, form, text: texts[name] ?? "" }] : [];
  });
  return queryOptions({
    queryKey: ["typed", fields],
    queryFn: () => answer(api.POST("/api/typed", { body: fields })),
    placeholderData: (before) => before,
    staleTime: Infinity,
  });
}

/** Fields of a form that the server reads while they are typed. Nothing that was typed is dropped: what it cannot read stands at its field. */
export function useTyped(forms: Forms, initial: Record<string, string>) {
  const client = useQueryClient();
  const [texts, setTexts] = useState(initial);
  // What was refused once all of it was read, by field.
  const [refused, setRefused] = useState<Record<string, string>>({});
  const asked = useDeferredValue(texts);
  const { data } = useQuery(reading(forms, asked));
  return {
    texts,
    type: (name: string, text: string) => {
      setTexts((t) => ({ ...t, [name]: text }));
      setRefused((r) => ({ ...r, [name]: "" }));
    },
    problem: (name: string) => refused[name] || (data?.find((f) => f.name === name)?.problem ?? undefined),
    refuse: setRefused,
    /** All of it as far as it is typed; null while something cannot be read. */
    now: data && !data.some((f) => f.problem) ? valuesOf(data) : null,
    /** All of it, read; null while something cannot be. */
    read: async () => {
      const read = await client.fetchQuery(reading(forms, texts)).catch((error: Error) => {
        // Without an answer nothing is taken; all of it stays.
        setRefused({ [Object.keys(forms)[0] ?? ""]: error.message });
        return null;
      });
      if (!read || read.some((f) => f.problem)) return null;
      return valuesOf(read);
    },
  };
}

const valuesOf = (read: { name: string; values: number[] }[]) => (name: string) =>
  read.find((f) => f.name === name)?.values ?? [];
