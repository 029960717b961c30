import { useMutation, useQueryClient } from "@tanstack/react-query";
import { answer, api, type Shelf } from "../api/client";

/** Archives an assignment, deletes it, or puts it back; what was deleted can be put back for thirty days. */
export function useShelf() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ key, shelf }: { key: string; shelf: Shelf }) =>
      answer(api.PUT("/api/assignments/{key}/shelf", { params: { path: { key } }, body: { shelf } })),
    onSuccess: () => client.invalidateQueries({ queryKey: ["assignments"] }),
  });
}
