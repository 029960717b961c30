import { useMutation, useQueryClient } from "@tanstack/react-query";
import { answer, api } from "../api/client";
import { Problem } from "../shared/Problem";
import { percent } from "../shared/format";
import type { PowerPage } from "./Power";

function useRecord(assignment: string) {
  const client = useQueryClient();
  const params = { path: { key: assignment } };
  const onSuccess = () => void client.invalidateQueries({ queryKey: ["board"] });
  const charged = useMutation({
    mutationFn: () =>
      answer(api.POST("/api/assignments/{key}/power/charged", { params, body: { things: null } })),
    onSuccess,
  });
  const lived = useMutation({
    mutationFn: () => answer(api.POST("/api/assignments/{key}/power/lived", { params })),
    onSuccess,
  });
  return { charged, lived };
}

const link = "min-h-[24px] underline max-[700px]:min-h-[44px]";

/** What an earlier assignment left half used and nobody has charged, and what this one leaves. */
export function FromOneToTheNext({ power, name, assignment }: PowerPage & { assignment: string }) {
  const { charged, lived } = useRecord(assignment);
  const error = charged.error ?? lived.error;
  const left = power.carried.map((c) => `${name(c.thing)} ${percent(c.left)}`).join(", ");
  return (
    <section aria-label="From one assignment to the next" className="print:hidden">
      <h2 className="text-[15px] font-bold">From one assignment to the next</h2>
      {left && (
        <p>
          <strong>Not full as the day begins</strong>, by the record: {left}.{" "}
          <button className={link} disabled={charged.isPending} onClick={() => charged.mutate()}>
            All are charged
          </button>
        </p>
      )}
      {lived.data ? (
        <p role="status">Kept: the next assignment begins with it, unless you charge before.</p>
      ) : (
        <button className={link} disabled={lived.isPending} onClick={() => lived.mutate()}>
          The day went as is likely: keep what is left
        </button>
      )}
      {error && <Problem error={error} />}
    </section>
  );
}
