import type { CopyJob } from "../api/client";
import { number, percent, seconds } from "../shared/format";

const last = (path: string) => path.split(/[\\/]/).at(-1) ?? path;

/** One copy: from where to where, how far, how fast and how long still; or what is not safe. */
export function CopyLine({ job, stop }: { job: CopyJob; stop?: () => void }) {
  const to = job.targets.length > 0 ? ` to ${job.targets.map(last).join(" and ")}` : " read again";
  return (
    <div className="flex flex-wrap items-center gap-x-3">
      <strong>
        {job.name}
        {to}
      </strong>
      <span className={job.phase === "notSafe" ? "font-semibold text-broken" : ""}>{how(job)}</span>
      {["copying", "reading"].includes(job.phase) && (
        <progress value={job.share} max={1} aria-label={`${job.name}${to}`} className="w-32" />
      )}
      {stop && ["waiting", "copying", "reading"].includes(job.phase) && (
        <button className="min-h-[24px] underline max-[700px]:min-h-[44px]" onClick={stop}>
          Stop it
        </button>
      )}
      {job.unsafe.length > 0 && (
        <ul className="w-full text-broken">
          {job.unsafe.slice(0, 20).map((f) => (
            <li key={f.name + f.why}>
              <strong>{f.name}</strong> {f.why}
            </li>
          ))}
          {job.unsafe.length > 20 && <li>and {job.unsafe.length - 20} more</li>}
        </ul>
      )}
    </div>
  );
}

function how(job: CopyJob) {
  const left = job.secondsLeft == null ? "" : `, ${seconds(Math.ceil(job.secondsLeft))} left`;
  const speed =
    job.megabytesPerSecond == null ? "" : `, ${number(Math.round(job.megabytesPerSecond))} MB a second`;
  switch (job.phase) {
    case "waiting":
      return "waits for another on the same device";
    case "copying":
    case "reading":
      return `${percent(job.share)}${speed}${left}`;
    case "safe":
      return `${job.files} files are safe: read back, the same${job.recorded ? `. Not in the book: ${job.recorded}` : ""}`;
    case "stopped":
      return job.problem ?? "stopped";
    default:
      return (
        job.problem ?? `${job.unsafe.length} ${job.unsafe.length === 1 ? "file is" : "files are"} not safe`
      );
  }
}
