import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { answer, api, type UseLevel } from "../api/client";

/** The charge of a day, with some things pulled on trial; asked for only where it is shown. */
export const usePower = (key: string, pull: string[], use: UseLevel = "high", enabled = true) =>
  useQuery({
    queryKey: ["board", key, "power", pull, use],
    placeholderData: keepPreviousData,
    enabled,
    queryFn: ({ signal }) =>
      answer(
        api.GET("/api/assignments/{key}/power", { signal, params: { path: { key }, query: { pull, use } } }),
      ),
  });
