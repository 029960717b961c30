import { useState } from "react";
import type { AfterPage, PictureReading, UsedPage } from "../api/client";
import { date } from "../shared/format";
import type { AfterDay } from "./useAfter";

const short = (path: string) => path.split(/[\\/]/).slice(-2).join("/");
const mostNamed = 12;

/** Where the pictures are, how far they are read, and which files tell nothing. */
export function Pictures({ page, after }: { page: AfterPage; after: AfterDay }) {
  const { used, reading, folders } = page;
  // Kept while they are read, and where that was stopped or refused.
  const [chosen, choose] = useState({ all: "", delivered: "" });
  return (
    <section aria-label="The day's pictures" className="flex flex-col gap-2 print:hidden">
      <h2 className="text-[15px] font-bold">The day&apos;s pictures</h2>
      {used && <ReadFrom used={used} />}
      {reading?.running ? (
        <Progress reading={reading} stop={() => after.stop.mutate()} />
      ) : (
        <>
          {reading?.problem && (
            <p role="alert" className="font-semibold text-broken">
              {reading.problem}
            </p>
          )}
          {folders.length === 0 ? (
            <p>
              Start the program with <code>YOKE_ROOTS</code> naming the folders your pictures are in. Nothing
              outside of them is looked at.
            </p>
          ) : (
            <Folders
              folders={folders}
              chosen={chosen}
              choose={choose}
              read={(folder, delivered) => after.begin.mutate({ folder, delivered })}
            />
          )}
        </>
      )}
    </section>
  );
}

const ReadFrom = ({ used }: { used: UsedPage }) => (
  <>
    <p className="text-quiet">
      Read from {short(used.folder)} on {date(used.at)}.
      {used.light && " What each picture told was let go of when the day was archived; the figures stay."}
      {used.strange > 0 && ` ${used.strange} delivered ones are found among none of all.`}
    </p>
    {used.faulty.length > 0 && <Faulty files={used.faulty} />}
  </>
);

const Progress = ({ reading, stop }: { reading: PictureReading; stop: () => void }) => (
  <p className="flex flex-wrap items-center gap-3" role="status">
    <progress
      value={reading.read}
      max={Math.max(1, reading.total)}
      aria-label="Pictures read"
      className="w-40"
    />
    {reading.total > 0 ? `${reading.read} of ${reading.total} read` : "Looking for pictures …"}
    <button className="webbing" onClick={stop}>
      Stop
    </button>
  </p>
);

interface Chosen {
  all: string;
  delivered: string;
}

function Folders({
  folders,
  chosen,
  choose,
  read,
}: {
  folders: string[];
  chosen: Chosen;
  choose: (chosen: Chosen) => void;
  read: (folder: string, delivered: string | null) => void;
}) {
  const { all, delivered } = chosen;
  return (
    <form
      className="flex flex-col gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        read(all.trim(), delivered.trim() || null);
      }}
    >
      <Folder label="All of them are in" value={all} set={(all) => choose({ ...chosen, all })} />
      <Folder
        label="The delivered ones are in (if you like)"
        value={delivered}
        set={(delivered) => choose({ ...chosen, delivered })}
      />
      <datalist id="picture-folders">
        {folders.map((f) => (
          <option key={f} value={f} />
        ))}
      </datalist>
      <button className="webbing self-start" disabled={!all.trim()}>
        Read them
      </button>
    </form>
  );
}

const Folder = ({ label, value, set }: { label: string; value: string; set: (path: string) => void }) => (
  <label className="flex flex-col gap-0.5">
    {label}
    <input
      list="picture-folders"
      className="webbing font-normal"
      value={value}
      onChange={(e) => set(e.target.value)}
      placeholder="a folder within those allowed"
    />
  </label>
);

const Faulty = ({ files }: { files: { name: string; why: string }[] }) => (
  <details>
    <summary className="cursor-pointer text-hangs">
      {files.length === 1 ? "One file tells nothing" : `${files.length} files tell nothing`}
    </summary>
    <ul>
      {files.slice(0, mostNamed).map((f) => (
        <li key={f.name}>
          <strong className="break-all">{f.name}</strong> {f.why}
        </li>
      ))}
      {files.length > mostNamed && <li>and {files.length - mostNamed} more</li>}
    </ul>
  </details>
);
