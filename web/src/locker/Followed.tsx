/** Says which days yet to come took a change of the locker over. */
export function Followed({ days }: { days: string[] | null | undefined }) {
  if (!days?.length) return null;
  return (
    <p role="status" className="text-holds">
      {days.length === 1 ? "A day yet to come follows" : `${days.length} days yet to come follow`}:{" "}
      {days.join(", ")}. <span className="text-quiet">Undo there leaves that day as it was.</span>
    </p>
  );
}
