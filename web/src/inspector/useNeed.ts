import { keepPreviousData, useQuery, useQueryClient } from "@tanstack/react-query";
import { readLines, type NeedAnswer } from "../api/client";

/** What is said of a need: in one request, first why it stands as it does, then what would mend it. */
export function useNeed(assignment: string, part: string, need: string, revision: number, pulls: string[]) {
  const client = useQueryClient();
  const queryKey = ["why", assignment, part, need, revision, pulls];
  return useQuery({
    queryKey,
    queryFn: async ({ signal }) => {
      const path = [assignment, "parts", part, "needs", need].map(encodeURIComponent).join("/");
      const query = pulls.map((p) => `pull=${encodeURIComponent(p)}`).join("&");
      let told: NeedAnswer = { explanation: null, mends: null, pinch: null };
      await readLines<Partial<NeedAnswer>>(`/api/assignments/${path}?${query}`, signal, (line) => {
        told = {
          explanation: line.explanation ?? told.explanation,
          mends: line.mends ?? told.mends,
          pinch: line.pinch ?? told.pinch,
        };
        client.setQueryData(queryKey, told);
      });
      return told;
    },
    placeholderData: keepPreviousData,
  });
}
