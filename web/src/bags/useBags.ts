import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { answer, api } from "../api/client";

/** What is in which bag and on whose shoulders, with some things pulled on trial. */
export const useBags = (key: string, pull: string[]) =>
  useQuery({
    queryKey: ["board", key, "bags", pull],
    placeholderData: keepPreviousData,
    queryFn: ({ signal }) =>
      answer(api.GET("/api/assignments/{key}/bags", { signal, params: { path: { key }, query: { pull } } })),
  });
