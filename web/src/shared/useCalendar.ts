import { useMutation } from "@tanstack/react-query";
import { answer, api, asItIs } from "../api/client";

/** Reads a calendar file, in the time of where one is unless the assignment has its own. */
export function useCalendar(read: (day: Awaited<ReturnType<typeof readCalendar>>) => void) {
  return useMutation({
    mutationFn: ({ file, zone }: { file: File; zone?: string | null }) => readCalendar(file, zone),
    onSuccess: read,
  });
}

const readCalendar = (file: File, zone?: string | null) =>
  answer(
    api.POST("/api/starting/calendar", {
      params: { query: { zone: zone ?? Intl.DateTimeFormat().resolvedOptions().timeZone } },
      body: file as never,
      ...asItIs,
    }),
  );
