import { Link } from "react-router";
import { useState } from "react";

import type { Schemas } from "../../api";
import type { Given } from "../../shared/queue";
import { Button } from "../../shared/ui";

type Stop = Schemas["StopShown"];
interface Props {
  report: Schemas["LooksReport"];
  disabled: boolean;
  onChoose: (given: Given) => void;
}

/** What was spent, the stop points, and what each way on costs. */
export function Stops({ report, disabled, onChoose }: Props) {
  return (
    <section aria-label="Stop points">
      <p className="text-lg">
        Spent so far: <strong className="figure text-2xl">{report.spent_money || report.spent_time}</strong>{" "}
        {report.spent_money ? (
          <span className="text-quiet">
            {report.spent_time} at {report.hour_money} an hour
          </span>
        ) : (
          <Link to="/house-rules/looks" className="inline-flex min-h-11 items-center font-semibold text-blue">
            Choose what an hour costs
          </Link>
        )}
      </p>
      <table className="mt-1 w-full">
        <caption className="sr-only">Ways on</caption>
        <tbody>
          {report.ways.map((way) => (
            <tr key={way.name} className="border-b border-line/60">
              <th scope="row" className="py-1 pr-2 text-left font-normal">
                {way.name}
              </th>
              <td className="figure pr-3 text-right">{way.time}</td>
              <td className="figure text-right font-semibold">{way.money}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {[...report.stops]
        .sort((one, other) => Number(open(other)) - Number(open(one)))
        .map((stop) => (
          <StopLine key={stop.id} stop={stop} disabled={disabled} onChoose={onChoose} />
        ))}
    </section>
  );
}

/** Whether it is reached and nobody has decided there yet. */
const open = (stop: Stop): boolean => stop.lit && !stop.decided;

function StopLine({ stop, disabled, onChoose }: { stop: Stop } & Omit<Props, "report">) {
  const [reason, setReason] = useState("");
  const choose = (on: boolean) => {
    onChoose({ fact: "way on", point: stop.id, on, reason: reason.trim() });
    setReason("");
  };
  return (
    <div
      role="group"
      aria-label={`Stop point: ${stop.name}`}
      className={`mt-3 border-l-4 px-3 py-2 ${stop.lit && !stop.decided ? "border-blue bg-tint" : "border-line bg-sheet"}`}
    >
      <p className="text-lg leading-tight">
        <strong>{stop.lit ? "Stop point reached" : "Stop point"}</strong>: {stop.name}
      </p>
      <p className="text-[15px]">{stop.words}</p>
      {stop.decided && <p className="font-semibold">{stop.decided}</p>}
      {stop.lit && !stop.decided && (
        <div className="mt-2 flex flex-wrap gap-2">
          <input
            className="h-11 min-w-0 flex-1 border-2 border-line bg-sheet px-2 focus:border-blue"
            aria-label={`Why, at ${stop.name}`}
            placeholder="why: what the customer said, and when"
            maxLength={200}
            value={reason}
            disabled={disabled}
            onChange={(event) => setReason(event.target.value)}
          />
          <Button kind="strong" disabled={disabled || !reason.trim()} onClick={() => choose(true)}>
            Go on
          </Button>
          <Button disabled={disabled || !reason.trim()} onClick={() => choose(false)}>
            Stop here
          </Button>
        </div>
      )}
    </div>
  );
}
