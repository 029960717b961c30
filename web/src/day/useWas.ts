import { useQuery } from "@tanstack/react-query";
import { answer, api } from "../api/client";

/** What was planned against what was, part by part; nothing where no pictures were read. */
export const useWas = (assignment: string, enabled = true) =>
  useQuery({
    queryKey: ["board", assignment, "was"],
    enabled,
    queryFn: ({ signal }) =>
      answer(api.GET("/api/assignments/{key}/was", { params: { path: { key: assignment } }, signal })),
  });
