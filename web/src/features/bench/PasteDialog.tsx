import { Button, Dialog } from "../../shared/ui";
import type { Pasted } from "./pasted";
import { keyOf } from "./route";
import type { Desk } from "./useDesk";

interface Props {
  desk: Desk;
  pasted: Pasted | null;
  onClose: () => void;
}

/** One look at what a paste would do, before anything lands. */
export function PasteDialog({ desk, pasted, onClose }: Props) {
  if (!pasted) return null;
  const { pairs, over, how } = pasted;
  const nameOf = (id: string) => desk.bench.places.find((one) => one.id === id)?.short ?? id;
  const count = pairs.length + over.length;
  return (
    <Dialog
      open
      onOpenChange={onClose}
      title={`${count} readings pasted`}
      note={`${how} They land as if typed: what does not fit its spot is asked about.`}
    >
      {pairs.length > 0 && (
        <table className="mb-3 w-full text-left">
          <thead className="text-quiet">
            <tr className="border-b border-ink">
              <th className="font-normal">Part</th>
              <th className="font-normal">Spot</th>
              <th className="text-right font-normal">Reading, {pairs[0]?.unit ?? desk.setup.unit}</th>
            </tr>
          </thead>
          <tbody>
            {pairs.map((pair) => (
              <tr key={keyOf(pair)} className="border-b border-line/60">
                <td>{nameOf(pair.part)}</td>
                <td className="figure">
                  {pair.feature === "diameter" ? pair.spot : `${pair.feature} ${pair.spot}`}
                </td>
                <td className="figure text-right">{pair.typed}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {over.length > 0 && (
        <div className="mb-3 font-semibold text-red">
          <p>
            {over.length} {over.length === 1 ? "value has" : "values have"} no spot here and would not land:
          </p>
          <p className="figure font-normal">
            {over.slice(0, 12).join(", ")}
            {over.length > 12 && " and more"}
          </p>
        </div>
      )}
      <Button
        kind="strong"
        disabled={pairs.length === 0}
        onClick={() => {
          desk.landAll(pairs);
          onClose();
        }}
      >
        {pairs.length === 0
          ? "Nothing of it has a spot"
          : `Land ${pairs.length} ${pairs.length === 1 ? "reading" : "readings"}`}
      </Button>
    </Dialog>
  );
}
