import type { ReactNode } from "react";

/** The fields of one question, those asked for most first, the others folded. */
export function Question({
  asks,
  more,
  says,
  open,
  children,
}: {
  asks: string;
  /** What is asked for seldom. */
  more?: ReactNode;
  /** What the folded fields hold, in a few words. */
  says?: string;
  /** Whether those are shown from the start. */
  open?: boolean;
  children?: ReactNode;
}) {
  return (
    <fieldset className="border-t border-rule">
      <legend className="pr-2 text-[12px] text-quiet">{asks}</legend>
      <div className={row}>{children}</div>
      {more && (
        <details open={open}>
          <summary className="cursor-pointer py-1">
            More {says && <span className="text-quiet">{says}</span>}
          </summary>
          <div className={row}>{more}</div>
        </details>
      )}
    </fieldset>
  );
}

/** A tick has no label above it. */
const row = "flex flex-wrap items-start gap-x-4 gap-y-2 [&>button]:mt-5 [&>label:has(>[type=checkbox])]:mt-5";
