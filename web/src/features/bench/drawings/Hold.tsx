/** How the gauge is held, at the foot of a drawing of 340 by 228: seventy letters find room. */
export function Hold({ words }: { words: string }) {
  return (
    <text x={338} y={224} textAnchor="end" fontSize={13} className="fill-quiet">
      {words}
    </text>
  );
}
