import type { ReactNode } from "react";

const heights = {
  low: "max-h-[36%] max-[700px]:max-h-[48%]",
  middle: "max-h-[46%] max-[700px]:max-h-[55%]",
  tall: "max-h-[52%] max-[700px]:max-h-[48%]",
};

/** What is selected, docked below what it belongs to, so that both stay in view. */
export function Docked({
  height,
  close,
  children,
}: {
  height: keyof typeof heights;
  close: () => void;
  children: ReactNode;
}) {
  return (
    <section
      aria-label="Inspector"
      data-panel
      tabIndex={-1}
      className={`relative ${heights[height]} shrink-0 scroll-pb-20 overflow-auto border-t-2 border-ink bg-raised px-4 py-2.5 print:hidden`}
    >
      <button
        className="absolute top-1 right-3 px-1 py-1 max-[700px]:min-h-[44px] max-[700px]:min-w-[44px]"
        onClick={close}
      >
        Close
      </button>
      {children}
    </section>
  );
}
