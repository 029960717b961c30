interface Face {
  face: string;
  shot: boolean;
  inCamera: boolean;
  done?: boolean;
  barred?: boolean;
  says?: string;
}

/** A card by its number: clear with its corner up, in a camera shaded, shot dark and turned, with copies enough ringed. */
export function CardToken({ face, shot, inCamera, done = false, barred = false, says }: Face) {
  const turned = shot && !inCamera;
  const width = Math.max(34, 14 + face.length * 9);
  const fill = turned ? (done ? "fill-holds" : "fill-ink") : shot ? "fill-hangs/30" : "fill-raised";
  return (
    <svg
      width={width}
      height="28"
      {...(says ? { role: "img", "aria-label": says } : { "aria-hidden": true })}
    >
      {says && <title>{says}</title>}
      <path
        d={turned ? `M9 1.5H${width - 1.5}V26.5H1.5V9z` : `M1.5 1.5H${width - 9}L${width - 1.5} 9V26.5H1.5z`}
        className={`${fill} stroke-ink`}
        strokeWidth="1.5"
        strokeDasharray={barred ? "3 3" : undefined}
      />
      {done && <path d={`M4 24h${width - 8}`} className="stroke-ground" strokeWidth="2" />}
      <text
        x={width / 2}
        y="19"
        textAnchor="middle"
        className={`text-[13px] font-bold ${turned ? "fill-ground" : "fill-ink"}`}
      >
        {face}
      </text>
    </svg>
  );
}
