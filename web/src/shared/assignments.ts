import { queryOptions } from "@tanstack/react-query";
import { answer, api } from "../api/client";

/** Every assignment with its verdict. */
export const assignmentsQuery = queryOptions({
  queryKey: ["assignments"],
  queryFn: ({ signal }) => answer(api.GET("/api/assignments", { signal })),
});
