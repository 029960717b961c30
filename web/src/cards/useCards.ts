import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { answer, api, type UseLevel } from "../api/client";

/** The cards of a day, with some things pulled on trial; asked for only where it is shown. */
export const useCards = (key: string, pull: string[], use: UseLevel = "high", enabled = true) =>
  useQuery({
    queryKey: ["board", key, "cards", pull, use],
    placeholderData: keepPreviousData,
    enabled,
    queryFn: ({ signal }) =>
      answer(
        api.GET("/api/assignments/{key}/cards", { signal, params: { path: { key }, query: { pull, use } } }),
      ),
  });
