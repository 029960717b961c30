import { useQuery } from "@tanstack/react-query";
import { answer, api, type Knot, type Pinch as Drawing, type Strand } from "../api/client";
import { useDay } from "../day/DayContext";
import { useWidth } from "../shared/useWidth";

const heads: Record<Knot["column"], string> = {
  hands: "in whose hands",
  camera: "camera",
  glass: "glass",
  besides: "what it needs",
  power: "power",
  cards: "cards",
  picture: "",
};
const states: Record<Knot["state"], string> = {
  inTime: "in time",
  secondBest: "second best",
  late: "too late",
  no: "does not serve",
  gone: "not there",
};

/** Names of cameras and glass are longer than those of people and batteries. */
const share: Record<Knot["column"], number> = {
  hands: 0.75,
  camera: 1.1,
  glass: 1.2,
  besides: 1.15,
  power: 1,
  cards: 1,
  picture: 1,
};

/** Narrower than this the drawing is turned upright. */
const turned = 620;
const high = 40;
/** Room for the strands between two columns. */
const gap = 30;

interface Placed extends Knot {
  x: number;
  y: number;
  wide: number;
}

/**
 * Why something hangs, drawn: ways run as strands from the hands to the picture, and where all of them pass through one thing they
 * are drawn together and it is marked. In the order of the strands it is a list, by keyboard and for a screen reader.
 */
export function Pinch({ drawing }: { drawing: Drawing }) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const upright = width < turned;
  const columns = [...new Set(drawing.knots.map((k) => k.column))];
  const { placed, height, left } = upright
    ? stacked(drawing, columns, width)
    : sideBySide(drawing, columns, width);
  const at = new Map(placed.map((k) => [k.id, k]));
  return (
    <figure className="mt-1">
      <figcaption className="font-semibold">
        {drawing.headline}
        {drawing.mend && <span className="block font-normal">Dotted: {drawing.mend}.</span>}
        {drawing.beneath && <span className="block font-normal text-quiet">{drawing.beneath}</span>}
      </figcaption>
      <div ref={ref} className="relative mt-1" style={{ height }}>
        <svg aria-hidden width={width} height={height} className="absolute inset-0">
          {drawing.strands.map((s) => {
            const [from, to] = [at.get(s.from), at.get(s.to)];
            return from && to && <Line key={`${s.from} ${s.to}`} strand={s} {...{ from, to, upright }} />;
          })}
        </svg>
        {!upright &&
          columns.map((column, i) => (
            <span key={column} className="absolute top-0 text-[12px] text-quiet" style={{ left: left[i] }}>
              {heads[column]}
            </span>
          ))}
        <ol aria-label="From the hands to the picture">
          {placed.map((knot) => (
            <KnotButton key={knot.id} knot={knot} />
          ))}
        </ol>
      </div>
    </figure>
  );
}

/** A thing that strands pass; it opens the thing, or the first that is there of a bundle. */
function KnotButton({ knot }: { knot: Placed }) {
  const { select, day } = useDay();
  const item = knot.items.find((id) => day.item(id));
  const style = { left: knot.x, top: knot.y, width: knot.wide, height: high };
  return (
    <li className="absolute" style={style}>
      <button
        className={`narrow block h-full w-full overflow-hidden px-2 py-0.5 text-left leading-tight ${look(knot)}`}
        disabled={!item}
        title={`${knot.label}: ${knot.figure}`}
        onClick={() => item && select({ kind: "item", item })}
      >
        <strong className="block truncate">{knot.label}</strong>
        <span className="block truncate text-[12px]">
          {knot.hanging > 1 ? `${knot.hanging} pictures hang by it` : knot.figure}
        </span>
        <span className="sr-only">
          {knot.column === "picture" ? "" : `, ${states[knot.state]}`}
          {knot.hanging > 0 && ", every way passes through it"}
          {knot.added && ", with the mend"}
        </span>
      </button>
    </li>
  );
}

/** What carries most of a part, or of the whole day. */
export function MostPinch({ part }: { part?: string }) {
  const { day, pulls } = useDay();
  const { key, revision } = day.board;
  const { data } = useQuery({
    queryKey: ["pinch", key, part, revision, pulls],
    queryFn: () =>
      answer(
        api.GET("/api/assignments/{key}/pinch", {
          params: { path: { key }, query: { ...(part ? { part } : {}), pull: pulls } },
        }),
      ),
  });
  return data ? <Pinch drawing={data} /> : null;
}

function look(knot: Knot) {
  if (knot.column === "picture") return "border-2 border-ink bg-raised";
  if (knot.added) return "border border-dotted border-ink";
  if (knot.hanging > 0) return "border-b-4 border-hangs bg-band font-semibold text-hangs";
  if (knot.state === "no") return "border border-dashed border-quiet text-quiet";
  if (knot.state === "gone") return "border border-dashed border-quiet text-quiet line-through";
  if (knot.state === "late") return "border border-dashed border-broken";
  return "bg-band";
}

/** In columns from the hands on the left, each column about the middle. */
function sideBySide(drawing: Drawing, columns: Knot["column"][], width: number) {
  const shares = columns.map((c) => share[c]);
  const whole = shares.reduce((a, b) => a + b, 0);
  const left = columns.map((_, c) => (width * shares.slice(0, c).reduce((a, b) => a + b, 0)) / whole);
  const most = Math.max(...columns.map((c) => drawing.knots.filter((k) => k.column === c).length), 1);
  const height = 20 + most * (high + 10);
  const placed = columns.flatMap((column, c) => {
    const inside = drawing.knots.filter((k) => k.column === column);
    const top = 20 + (height - 20 - inside.length * (high + 10)) / 2;
    return inside.map((k, i): Placed => ({
      ...k,
      x: left[c] ?? 0,
      y: top + i * (high + 10),
      wide: Math.max((left[c + 1] ?? width) - (left[c] ?? 0) - (c === columns.length - 1 ? 2 : gap), 60),
    }));
  });
  return { placed, height, left };
}

/** Turned upright, the hands above. */
function stacked(drawing: Drawing, columns: Knot["column"][], width: number) {
  const row = high + 30;
  const placed = columns.flatMap((column, c) => {
    const inside = drawing.knots.filter((k) => k.column === column);
    const wide = Math.min(width / Math.max(inside.length, 1) - 6, 180);
    const left = (width - inside.length * (wide + 6)) / 2;
    return inside.map((k, i): Placed => ({ ...k, x: left + i * (wide + 6), y: row * c, wide }));
  });
  return { placed, height: row * columns.length, left: [] as number[] };
}

/** A stretch of strand: several side by side, but one where they are drawn together. */
function Line({ strand, from, to, upright }: { strand: Strand; from: Placed; to: Placed; upright: boolean }) {
  const together = from.hanging > 0 || to.hanging > 0;
  const threads = together || strand.state !== "inTime" ? 1 : Math.min(strand.ways, 3);
  const colour =
    strand.state === "late"
      ? "var(--broken)"
      : strand.state === "gone" || strand.state === "no"
        ? "var(--quiet)"
        : together && !strand.added
          ? "var(--hangs)"
          : "var(--holds)";
  const dashes = strand.added
    ? "1.5 4"
    : strand.state === "late" || strand.state === "gone"
      ? "5 4"
      : undefined;
  const inTime = strand.state === "inTime" || strand.state === "secondBest";
  const thick = together && inTime ? 3 : strand.state === "inTime" ? 2 : 1;
  return Array.from({ length: threads }, (_, i) => {
    const off = (i - (threads - 1) / 2) * 4;
    return (
      <path
        key={i}
        d={upright ? down(from, to, off) : across(from, to, off)}
        fill="none"
        stroke={colour}
        strokeWidth={strand.added ? 2.5 : thick}
        strokeDasharray={dashes}
        strokeLinecap={strand.added ? "round" : undefined}
      />
    );
  });
}

function across(from: Placed, to: Placed, off: number) {
  const [x1, y1, x2, y2] = [from.x + from.wide, from.y + high / 2 + off, to.x, to.y + high / 2 + off];
  const bend = (x2 - x1) / 2;
  return `M${x1} ${y1}C${x1 + bend} ${y1} ${x2 - bend} ${y2} ${x2} ${y2}`;
}

function down(from: Placed, to: Placed, off: number) {
  const [x1, y1, x2, y2] = [from.x + from.wide / 2 + off, from.y + high, to.x + to.wide / 2 + off, to.y];
  const bend = (y2 - y1) / 2;
  return `M${x1} ${y1}C${x1} ${y1 + bend} ${x2} ${y2 - bend} ${x2} ${y2}`;
}
