import type { CopyTask } from "../api/client";
import { number, percent, seconds } from "../shared/format";

const last = (path: string) => path.split(/[\\/]/).at(-1) ?? path;

/** One copy: from where to where, how far, how fast and how long still; or what is not safe. */
export function CopyLine({ task, stop }: { task: CopyTask; stop?: () => void }) {
  const to = task.targets.length > 0 ? ` to ${task.targets.map(last).join(" and ")}` : " read again";
  return (
    <div className="flex flex-wrap items-center gap-x-3">
      <strong>
        {task.name}
        {to}
      </strong>
      <span className={task.phase === "notSafe" ? "font-semibold text-broken" : ""}>{how(task)}</span>
      {["copying", "reading"].includes(task.phase) && (
        <progress value={task.share} max={1} aria-label={`${task.name}${to}`} className="w-32" />
      )}
      {stop && ["waiting", "copying", "reading"].includes(task.phase) && (
        <button className="min-h-[24px] underline max-[700px]:min-h-[44px]" onClick={stop}>
          Stop it
        </button>
      )}
      {task.unsafe.length > 0 && (
        <ul className="w-full text-broken">
          {task.unsafe.slice(0, 20).map((f) => (
            <li key={f.name + f.why}>
              <strong>{f.name}</strong> {f.why}
            </li>
          ))}
          {task.unsafe.length > 20 && <li>and {task.unsafe.length - 20} more</li>}
        </ul>
      )}
    </div>
  );
}

function how(task: CopyTask) {
  const left = task.secondsLeft == null ? "" : `, ${seconds(Math.ceil(task.secondsLeft))} left`;
  const speed =
    task.megabytesPerSecond == null ? "" : `, ${number(Math.round(task.megabytesPerSecond))} MB a second`;
  switch (task.phase) {
    case "waiting":
      return "waits for another on the same device";
    case "copying":
    case "reading":
      return `${percent(task.share)}${speed}${left}`;
    case "safe":
      return `${task.files} files are safe: read back, the same${task.recorded ? `. Not in the book: ${task.recorded}` : ""}`;
    case "stopped":
      return task.problem ?? "stopped";
    default:
      return (
        task.problem ?? `${task.unsafe.length} ${task.unsafe.length === 1 ? "file is" : "files are"} not safe`
      );
  }
}
