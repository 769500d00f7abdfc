interface Props {
  kind: string;
  cx: number;
  cy: number;
  scale: number;
}

/** A pump seen with its cover off, its gears or rotors true in number: two gears of ten, four lobes in five, seven
 * vanes. */
export function OpenPump({ kind, cx, cy, scale }: Props) {
  return (
    <g transform={`translate(${cx} ${cy}) scale(${scale})`}>
      {kind === "gerotor" ? <Rotors /> : kind === "vane" ? <Vanes /> : <Gears />}
    </g>
  );
}

const ink = "stroke-ink";

function gearPath(teeth: number, tip: number, root: number, turn: number): string {
  const points: string[] = [];
  for (let n = 0; n < teeth; n += 1) {
    for (const [share, radius] of [
      [0, root],
      [0.18, tip],
      [0.5, tip],
      [0.68, root],
    ] as const) {
      const angle = turn + ((n + share) / teeth) * 2 * Math.PI;
      points.push(`${(Math.cos(angle) * radius).toFixed(1)} ${(Math.sin(angle) * radius).toFixed(1)}`);
    }
  }
  return `M${points.join("L")}z`;
}

function Gears() {
  return (
    <g className={ink} strokeWidth={1.5}>
      <path d="M-37 -48h74a48 48 0 0 1 0 96h-74a48 48 0 0 1 0 -96z" className="fill-sheet" />
      {[-37, 37].map((x, n) => (
        <g key={x} transform={`translate(${x} 0)`}>
          <path d={gearPath(10, 44, 32, n === 0 ? 0 : Math.PI / 10)} className="fill-paper" />
          <circle r={9} className="fill-sheet" />
        </g>
      ))}
    </g>
  );
}

function lobes(count: number, radius: number, swing: number): string {
  const points = Array.from({ length: 90 }, (_, n) => {
    const angle = (n / 90) * 2 * Math.PI;
    const far = radius + swing * Math.cos(count * angle);
    return `${(Math.cos(angle) * far).toFixed(1)} ${(Math.sin(angle) * far).toFixed(1)}`;
  });
  return `M${points.join("L")}z`;
}

function Rotors() {
  return (
    <g className={ink} strokeWidth={1.5}>
      <circle r={53} className="fill-sheet" />
      <circle r={50} className="fill-paper" />
      <path d={lobes(5, 34, 7)} className="fill-sheet" />
      <g transform="translate(6 0)">
        <path d={lobes(4, 26, 7)} className="fill-paper" />
        <rect x={-7} y={-7} width={14} height={14} className="fill-sheet" />
      </g>
    </g>
  );
}

function Vanes() {
  return (
    <g className={ink} strokeWidth={1.5}>
      <circle r={52} className="fill-sheet" />
      <g transform="translate(0 7)">
        {Array.from({ length: 7 }, (_, n) => (
          <rect
            key={n}
            x={18}
            y={-2}
            width={25}
            height={4}
            transform={`rotate(${(n * 360) / 7})`}
            className="fill-paper"
          />
        ))}
        <circle r={34} className="fill-paper" />
        <circle r={9} className="fill-sheet" />
      </g>
    </g>
  );
}
