import { useQuery } from "@tanstack/react-query";
import { answer, api } from "../api/client";

/** What was planned against what was, part by part; nothing where no pictures were read. */
export const useWas = (assignment: string, enabled = true) =>
  useQuery({
    // Not of the board: what was does not change with an edit of the plan.
    queryKey: ["was", assignment],
    enabled,
    queryFn: ({ signal }) =>
      answer(api.GET("/api/assignments/{key}/was", { params: { path: { key: assignment } }, signal })),
  });
