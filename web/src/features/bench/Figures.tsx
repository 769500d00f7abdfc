import type { Journal } from "../../shared/job";

const STATE_WORDS = { within: "", beyond: "beyond", "too close": "too close", "not read": "" } as const;

/** What the readings come to: each figure against its limit, and the gauge's doubt. */
export function Figures({ journal }: { journal: Journal }) {
  if (journal.figures.length === 0) {
    return <p className="text-quiet">The first reading gives the size; two in a plane the out-of-round.</p>;
  }
  const [size, ...forms] = journal.figures;
  return (
    <>
      <table className="w-full border-collapse">
        <caption className="sr-only">Figures of {journal.name}</caption>
        <tbody>
          {journal.figures.map((figure) => (
            <tr key={figure.name} className="h-9 align-baseline">
              <th scope="row" className="whitespace-nowrap pr-1 text-left text-[16px] font-normal">
                {figure.name}
              </th>
              <td
                className={`figure pr-2 text-right text-xl font-bold ${figure.state === "beyond" ? "text-red" : ""}`}
              >
                {figure.value.text}
              </td>
              <td className="text-[15px] leading-tight text-quiet">
                {figure.name === "least size" ? "least" : "most"} {figure.limit}
                {STATE_WORDS[figure.state] && (
                  <strong className="ml-1 text-ink">{STATE_WORDS[figure.state]}</strong>
                )}
                {figure.state === "too close" && (
                  <span className="block">chance it is within: {figure.conforms}</span>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="text-[15px] leading-tight text-quiet">
        {journal.fitted && `Two-point ${journal.two_point ?? ""}, fitted ${journal.fitted}. `}
        This gauge: ±{size?.guard.text} on size{forms[0] && `, ±${forms[0].guard.text} on differences`}.
        {journal.to_read.length > 0 && ` ${journal.to_read.length} to go.`}
      </p>
    </>
  );
}
