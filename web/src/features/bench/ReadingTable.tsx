import type { Schemas } from "../../api";
import type { Desk } from "./useDesk";

type Spot = Schemas["Spot"];

/** The readings of the journal in hand, plane by plane. Those that wait to be sent stand as typed. */
export function ReadingTable({ desk, lit }: { desk: Desk; lit: readonly string[] }) {
  const { journal } = desk;
  const planes = [...new Set(journal.spots.map((spot) => spot.plane))];
  const first = journal.spots.filter((spot) => spot.plane === planes[0]);
  return (
    <table className="w-full border-collapse">
      <caption className="sr-only">Readings of {journal.name}</caption>
      <thead>
        <tr>
          <th className="w-6">
            <span className="sr-only">plane</span>
          </th>
          {first.map((spot) => (
            <th key={spot.angle} className="font-semibold text-quiet" scope="col">
              {spot.angle}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {planes.map((plane) => (
          <tr key={plane} className="border-t-2 border-line last:border-b-2">
            <th scope="row" className="font-semibold text-quiet">
              {plane}
            </th>
            {journal.spots
              .filter((spot) => spot.plane === plane)
              .map((spot) => (
                <Cell key={spot.name} spot={spot} desk={desk} lit={lit.includes(spot.name)} />
              ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Cell({ spot, desk, lit }: { spot: Spot; desk: Desk; lit: boolean }) {
  const waiting = desk.mine.find(
    (p) => p.landing.journal === desk.journal.id && p.landing.spot === spot.name,
  );
  const now = desk.spot === spot.name;
  const typed = spot.current ? `typed ${spot.current.typed} ${spot.current.unit} by ${spot.current.by}` : "";
  const before = spot.others.map((other) => other.size.text).join(", ");
  return (
    <td className="p-0">
      <button
        type="button"
        title={before ? `${typed}; before: ${before}` : typed}
        aria-label={`${spot.name}: ${waiting ? `${waiting.landing.typed}, waiting` : (spot.current?.size.text ?? "not read")}`}
        aria-current={now}
        onClick={() => desk.goTo(desk.journal.id, spot.name)}
        className={`figure flex h-10 w-full items-center justify-center border-2 text-[17px] ${now ? "border-blue" : "border-transparent"} ${lit ? "bg-tint" : ""} hover:bg-tint`}
      >
        {waiting ? (
          <span className="text-quiet">{waiting.landing.typed}…</span>
        ) : (
          <>
            {spot.current?.size.text ?? ""}
            {spot.others.length > 0 && <sup className="text-xs text-quiet">{spot.others.length + 1}</sup>}
          </>
        )}
      </button>
    </td>
  );
}
