import type { PocketDay } from "../api/client";
import { time } from "../shared/format";
import { ScreenHead } from "./ScreenHead";
import { fileOf, type Noted } from "./record";
import type { useNotes } from "./useNotes";

/** What was noted, and how it comes home; of a rehearsal, that it does not. */
export function RecordScreen({
  day,
  notes,
  home,
  back,
}: {
  day: PocketDay;
  notes: ReturnType<typeof useNotes>;
  home: string | null;
  back: () => void;
}) {
  const { facts, record, isRehearsal, clear } = notes;
  return (
    <div className="flex flex-col gap-4">
      <ScreenHead title={isRehearsal ? "Rehearsal" : "Your record"} back={back} />
      <p>
        {facts.length === 0 ? "Nothing is noted yet." : `${facts.length} noted. `}
        {isRehearsal
          ? "It is kept apart from the record of the day and goes nowhere."
          : record.isKept
            ? "It stays on this phone until you give it back, also when its battery goes flat."
            : "This viewer keeps nothing: save it before you close."}
      </p>
      {facts.length > 0 && (
        <div className="flex flex-wrap gap-3">
          {isRehearsal ? (
            <button className="webbing min-h-12" onClick={clear}>
              Rehearse from the beginning
            </button>
          ) : (
            <WaysHome day={day} facts={facts} home={home} />
          )}
        </div>
      )}
      <Facts facts={facts} />
    </div>
  );
}

const WaysHome = ({ day, facts, home }: { day: PocketDay; facts: Noted[]; home: string | null }) => (
  <>
    <SaveRecord day={day} facts={facts} />
    {home && (
      <a
        className="webbing inline-flex min-h-12 items-center"
        href={`${home}/${day.key}/record#${encodeURIComponent(JSON.stringify(fileOf(day, facts)))}`}
      >
        Give it back at home
      </a>
    )}
  </>
);

const Facts = ({ facts }: { facts: Noted[] }) => (
  <ol className="flex flex-col-reverse">
    {facts.map((f) => (
      <li key={f.origin} className="border-t border-rule py-1">
        <span className="text-quiet">{time(f.at)}</span> {told[f.kind]} {f.words ?? f.thing}
      </li>
    ))}
  </ol>
);

const told: Record<Noted["kind"], string> = {
  ticked: "Got",
  unticked: "Open again:",
  changed: "Done:",
  failed: "Failed:",
  mended: "Works again:",
  slid: "Late:",
  read: "Read off:",
  put: "In:",
};

/** As a small file, by an address that holds it: it works where nothing else is kept. */
export const SaveRecord = ({ day, facts }: { day: PocketDay; facts: Noted[] }) => (
  <a
    className="webbing inline-flex min-h-12 items-center"
    download={`${day.key}-${day.person}.yoke-record.json`}
    href={`data:application/json;charset=utf-8,${encodeURIComponent(JSON.stringify(fileOf(day, facts)))}`}
  >
    Save my record
  </a>
);
