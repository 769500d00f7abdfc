import type { Schemas } from "../../api";
import { Chip } from "../../shared/ui";

type Debris = Schemas["Debris"];
const MAGNET = [
  { text: "magnet takes it", value: true },
  { text: "it does not", value: false },
] as const;

/** What debris is like, beside what it is: how much, how large, its colour, the magnet. Each is one touch. */
export function DebrisAsked({
  answer,
  said,
  asked,
  disabled,
  onSay,
}: {
  answer: string;
  said: Debris | null;
  asked: Schemas["AskedOfDebris"];
  disabled: boolean;
  onSay: (debris: Debris) => void;
}) {
  const now: Debris = said ?? { much: null, grain: null, tint: null, magnetic: null };
  const rows = [
    { name: "How much", key: "much", of: asked.much },
    { name: "How large", key: "grain", of: asked.grain },
    { name: "Colour", key: "tint", of: asked.tint },
  ] as const;
  return (
    <div role="group" aria-label={`${answer}: what it is like`} className="mt-2 border-l-4 border-line pl-3">
      <p className="font-semibold">{answer}</p>
      <dl className="grid grid-cols-[auto_minmax(0,1fr)] items-center gap-x-3 gap-y-1">
        {rows.map((row) => (
          <Row key={row.key} name={row.name}>
            {row.of.map((text) => (
              <Chip
                key={text}
                chosen={now[row.key] === text}
                disabled={disabled}
                onClick={() => onSay({ ...now, [row.key]: now[row.key] === text ? null : text })}
              >
                {text}
              </Chip>
            ))}
          </Row>
        ))}
        <Row name="Magnet">
          {MAGNET.map(({ text, value }) => (
            <Chip
              key={text}
              chosen={now.magnetic === value}
              disabled={disabled}
              onClick={() => onSay({ ...now, magnetic: now.magnetic === value ? null : value })}
            >
              {text}
            </Chip>
          ))}
        </Row>
      </dl>
    </div>
  );
}

function Row({ name, children }: { name: string; children: React.ReactNode }) {
  return (
    <>
      <dt className="text-quiet">{name}</dt>
      <dd className="flex flex-wrap gap-1.5">{children}</dd>
    </>
  );
}
