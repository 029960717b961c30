import { useMutation } from "@tanstack/react-query";
import { answer, api, type PocketDay } from "../api/client";
import { Problem } from "../shared/Problem";

/** The file for flight mode, fetched with what this phone shows at the door and kept where it keeps its files. */
export function TakeFile({ day }: { day: PocketDay }) {
  const take = useMutation({
    mutationFn: async () => {
      const page = await answer(
        api.GET("/api/assignments/{key}/pocket-file", {
          params: { path: { key: day.key }, query: { person: day.person } },
          parseAs: "text",
        }),
      );
      const link = document.createElement("a");
      link.href = URL.createObjectURL(new Blob([page as string], { type: "text/html" }));
      link.download = `${day.key}-${day.person}.html`;
      link.click();
      URL.revokeObjectURL(link.href);
    },
  });
  return (
    <p className="mx-auto max-w-[520px] px-5 pb-5 text-[15px]">
      <button className="underline" onClick={() => take.mutate()}>
        Keep it on this phone as a file, for where nothing answers
      </button>
      {take.error && <Problem error={take.error} />}
    </p>
  );
}
