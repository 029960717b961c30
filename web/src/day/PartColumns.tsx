import type { ReactNode } from "react";
import type { Part } from "../api/client";
import { time } from "../shared/format";

const titleRem = 9.5;
const partRem = 4.6;

/** The columns of the parts of a day, under which bands run: a title, then each part as wide as the others. */
export const partColumns = (parts: Part[]) => ({
  gridTemplateColumns: `${titleRem}rem repeat(${parts.length}, minmax(var(--part-least), 1fr))`,
});

export const inOrder = (parts: Part[]) =>
  [...parts].sort((a, b) => (a.start ?? "").localeCompare(b.start ?? ""));

/** Bands on the time axis of the day, with the parts above them. */
export function PartColumns({
  label,
  parts,
  children,
}: {
  label: string;
  parts: Part[];
  children: ReactNode;
}) {
  return (
    <section
      aria-label={label}
      className="mt-3 overflow-x-auto [--part-least:4.6rem] print:overflow-visible print:text-[9px] print:[--part-least:0rem]"
    >
      <div className="print:min-w-0!" style={{ minWidth: `${titleRem + parts.length * partRem}rem` }}>
        <div className="grid" style={partColumns(parts)}>
          <span />
          {parts.map((p) => (
            <span key={p.id} className="narrow truncate px-1 font-semibold" title={p.name ?? p.id}>
              {p.name ?? p.id}
              <span className="block font-normal text-quiet">{time(p.start)}</span>
            </span>
          ))}
        </div>
        {children}
      </div>
    </section>
  );
}

/** One band: its title, and what runs along the parts. */
export function PartBand({
  title,
  parts,
  children,
}: {
  title: ReactNode;
  parts: Part[];
  children: ReactNode;
}) {
  return (
    <div className="grid border-t border-rule" style={partColumns(parts)}>
      <span className="sticky left-0 z-10 bg-ground py-1 pr-2 font-semibold">{title}</span>
      {children}
    </div>
  );
}

/** Every second part shaded, so that the eye finds the way up to its name. */
export const PartShades = ({ ids }: { ids: string[] }) =>
  ids.map((id, i) => i % 2 === 0 && <rect key={id} x={i} width={1} height={1} className="fill-band" />);
