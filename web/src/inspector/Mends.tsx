import type { Mend } from "../api/client";
import { MendLine } from "../marks/MendLine";
import { useDay } from "../day/DayContext";

/** What would mend a need that hangs by one thing or is not covered; each was tried on the whole day before it is shown. */
export function Mends({ mends: data, strands }: { mends: Mend[] | null | undefined; strands: number }) {
  const { day, edit, tryOut, pulls } = useDay();
  const wanted = strands < 2 || pulls.length > 0;
  if (!wanted || (data?.length === 0 && strands > 1)) return null;
  return (
    <div className="w-[22rem] max-w-full">
      <h3 className="font-bold">Mend it</h3>
      {!data && <p className="text-quiet">Trying what you have, then what one could borrow …</p>}
      {data?.length === 0 && (
        <p>Nothing you pack or own mends this alone, and no one kind of thing to borrow would.</p>
      )}
      {data && data.length > 0 && data.every((m) => m.kind === "borrow") && (
        <p>Nothing you pack or own mends this. This kind of thing would:</p>
      )}
      {data?.some((m) => m.kind === "otherwise") && <p>Shot otherwise, nothing more need come along:</p>}
      <ul className="mt-2 flex flex-col gap-1.5">
        {data?.map((mend) => (
          <MendLine
            key={mend.label}
            mend={mend}
            name={day.name}
            see={() => tryOut({ label: mend.label, edits: mend.edits })}
            take={() => edit(...mend.edits)}
          />
        ))}
      </ul>
    </div>
  );
}
