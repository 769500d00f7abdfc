import type { Schemas } from "../../api";

interface Props {
  fasteners: readonly Schemas["FastenerShown"][];
  onTakeBack: ((id: string) => void) | undefined;
}

/** The fasteners by place: how they were found and what becomes of them. */
export function FastenerTable({ fasteners, onTakeBack }: Props) {
  if (fasteners.length === 0) return null;
  return (
    <section aria-label="Fasteners">
      <h2 className="text-xl font-semibold">Fasteners by place</h2>
      <table className="w-full text-left">
        <thead className="text-[15px] text-quiet">
          <tr className="border-b-2 border-ink">
            <th className="font-semibold">Place</th>
            <th className="font-semibold">Found</th>
            <th className="font-semibold">Becomes</th>
            <th>
              <span className="sr-only">Take back</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {fasteners.map((one) => (
            <tr key={one.id} className="border-b border-line/60 align-top">
              <td className="py-1 pr-2">
                {one.place}
                {one.count > 1 && <span className="figure text-quiet"> × {one.count}</span>}
              </td>
              <td className="py-1 pr-2">
                {one.state === "hole found empty" ? one.state : `${one.kind}, ${one.state}`}
                {one.uses !== null && `, used ${one.uses} times`}
                {one.growth && (
                  <span className="figure block text-[15px]">
                    {one.new_length} new, {one.length} now
                  </span>
                )}
              </td>
              <td className="py-1 pr-2 font-semibold">
                {one.renew
                  ? one.state === "hole found empty"
                    ? "gets its bolt"
                    : `renew: ${one.renew}`
                  : "used again"}
              </td>
              <td className="text-right">
                {onTakeBack && (
                  <button
                    type="button"
                    className="min-h-11 whitespace-nowrap px-2 font-semibold text-blue hover:bg-tint"
                    aria-label={`Take back: ${one.place}`}
                    onClick={() => onTakeBack(one.id)}
                  >
                    Take back
                  </button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
