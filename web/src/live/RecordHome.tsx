import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { useParams } from "react-router";
import { answer, api, type RecordGiven } from "../api/client";
import { Problem } from "../shared/Problem";

/** A record that came along in the address, behind the sign that is sent to nobody. */
export function RecordHome() {
  const { assignment = "" } = useParams();
  const give = useGiveBack(assignment);
  const [carried] = useState(() => decodeURIComponent(location.hash.slice(1)));
  const { mutate } = give;
  useEffect(() => {
    document.title = "Record · Yoke Pair";
    if (carried) mutate(carried);
  }, [carried, mutate]);
  return (
    <main className="mx-auto max-w-[520px] p-5 text-[15px]">
      <h1 className="text-xl font-bold">{carried ? "Your record" : "No record came along."}</h1>
      {give.isPending && <p role="status">Giving it back …</p>}
      {give.error && <Problem error={give.error} />}
      {give.data && <Given given={give.data} />}
      {carried && !give.data && (
        <p className="mt-2 text-quiet">It stays on the phone it was noted on, whatever happens here.</p>
      )}
    </main>
  );
}

/** Sends a record; what cannot be read says why and changes nothing. */
export function useGiveBack(assignment: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async (text: string) => {
      let record: unknown;
      try {
        record = JSON.parse(text);
      } catch {
        throw new Error(
          "This is no record: it cannot be read as JSON. Take the file your phone saved, unchanged.",
        );
      }
      return answer(
        api.POST("/api/assignments/{key}/records", {
          params: { path: { key: assignment } },
          body: record as never,
        }),
      );
    },
    onSuccess: () => client.invalidateQueries({ queryKey: ["records", assignment] }),
  });
}

export function Given({ given: { added, known, refused } }: { given: RecordGiven }) {
  const told = [
    `${added} kept`,
    known > 0 && `${known} known already`,
    refused.length > 0 && `${refused.length} not taken`,
  ].filter(Boolean);
  return (
    <div role="status">
      <p className="font-semibold">
        {added === 0 && refused.length === 0 ? `All ${known} were known already.` : `${told.join(", ")}.`}
      </p>
      <ul>
        {refused.map((r) => (
          <li key={r.number} className="text-broken">
            No. {r.number + 1}: {r.why}
          </li>
        ))}
      </ul>
    </div>
  );
}
