import { Button, Dialog } from "../../shared/ui";
import { keyOf, openStops, type Stop } from "./route";
import type { Desk } from "./useDesk";

/** The values in pasted text: a column, a row, or both, as they follow each other. */
export function valuesIn(text: string): string[] {
  return text
    .split(/[\n\r\t;]+/)
    .map((value) => value.trim())
    .filter(Boolean);
}

/** The spots that pasted values would go to: from the spot in hand on, in the order of the plan. */
export function stopsFor(desk: Desk): Stop[] {
  const { part, target, spot, spots, stop } = desk;
  if (!desk.byPlan) {
    const at = spots.findIndex((one) => one.name === spot);
    const here = { part: target.part, feature: target.feature.key };
    return spots.slice(Math.max(at, 0)).map((one) => ({ ...here, spot: one.name }));
  }
  const open = openStops(desk.bench, part.set, desk.mine);
  const at = open.findIndex((one) => stop !== null && keyOf(one) === keyOf(stop));
  return at < 0 ? open : open.slice(at);
}

interface Props {
  desk: Desk;
  values: readonly string[];
  onClose: () => void;
}

/** One look at what a paste would do, before anything lands. */
export function PasteDialog({ desk, values, onClose }: Props) {
  const stops = values.length > 0 ? stopsFor(desk) : [];
  const pairs = stops.slice(0, values.length).map((stop, n) => ({ ...stop, typed: values[n] ?? "" }));
  const over = values.length - pairs.length;
  const nameOf = (id: string) => desk.bench.places.find((one) => one.id === id)?.short ?? id;
  return (
    <Dialog
      open={values.length > 0}
      onOpenChange={onClose}
      title={`${values.length} readings pasted`}
      note="They land as if typed: what does not fit its spot is asked about."
    >
      <table className="mb-3 w-full text-left">
        <thead className="text-quiet">
          <tr className="border-b border-ink">
            <th className="font-normal">Part</th>
            <th className="font-normal">Spot</th>
            <th className="text-right font-normal">Reading, {desk.setup.unit}</th>
          </tr>
        </thead>
        <tbody>
          {pairs.map((pair) => (
            <tr key={keyOf(pair)} className="border-b border-line/60">
              <td>{nameOf(pair.part)}</td>
              <td className="figure">{pair.feature === "diameter" ? pair.spot : pair.feature}</td>
              <td className="figure text-right">{pair.typed}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {over > 0 && (
        <p className="mb-3 font-semibold text-red">
          {over} {over === 1 ? "value has" : "values have"} no spot left and would not land.
        </p>
      )}
      <Button
        kind="strong"
        disabled={pairs.length === 0}
        onClick={() => {
          desk.landAll(pairs);
          onClose();
        }}
      >
        Land {pairs.length} {pairs.length === 1 ? "reading" : "readings"}
      </Button>
    </Dialog>
  );
}
