import { CopyLine } from "./CopyLine";
import { isUnderWay, useCopies } from "./useCopies";

/** What is being copied, in sight on every screen. */
export function CopyStrip() {
  const { page, stop } = useCopies();
  const tasks = page?.tasks.filter(isUnderWay) ?? [];
  if (tasks.length === 0) return null;
  return (
    <section
      aria-label="Being copied"
      className="fixed right-0 bottom-0 z-20 max-w-full border-2 border-ink bg-raised px-3 py-1 print:hidden"
    >
      {tasks.map((task) => (
        <CopyLine key={task.id} task={task} stop={() => stop.mutate(task.id)} />
      ))}
    </section>
  );
}
