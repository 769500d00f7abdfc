/** A mark as it is struck: numerals of a punch, the arrow to the front. A mark not struck yet is drawn in outline. */
export function StampedMark({ text, bare }: { text: string; bare: boolean }) {
  const width = Math.max(40, 20 + text.length * 15);
  return (
    <svg width={width} height={44} role="img" aria-label={`${bare ? "to mark" : "marked"}: ${text}`}>
      <rect
        x={1}
        y={1}
        width={width - 2}
        height={42}
        className={bare ? "fill-none stroke-line" : "fill-tint stroke-ink"}
        strokeWidth={1.5}
        strokeDasharray={bare ? "4 3" : undefined}
      />
      <path d={`M${width / 2} 4l5 7h-10z`} className={bare ? "fill-quiet" : "fill-ink"} />
      <text
        x={width / 2}
        y={36}
        textAnchor="middle"
        fontSize={22}
        fontWeight={700}
        className={`font-figure ${bare ? "fill-quiet" : "fill-ink"}`}
      >
        {text}
      </text>
    </svg>
  );
}
