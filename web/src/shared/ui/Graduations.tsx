/** The rule under the name: fine graduations, every fifth longer. */
export function Graduations({ width = 96 }: { width?: number }) {
  const lines = Array.from({ length: width / 6 + 1 }, (_, n) => n);
  return (
    <svg width={width + 2} height={10} aria-hidden="true" className="block stroke-ink">
      <line x1={0} y1={1} x2={width + 2} y2={1} strokeWidth={1.5} />
      {lines.map((n) => (
        <line key={n} x1={n * 6 + 1} x2={n * 6 + 1} y1={1} y2={n % 5 === 0 ? 10 : 5} strokeWidth={1} />
      ))}
    </svg>
  );
}
