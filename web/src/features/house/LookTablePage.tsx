import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";

import { ask, client, type Schemas } from "../../api";
import { Button, Faults, LinkButton, Notice, Page } from "../../shared/ui";
import { useMay } from "../session";

type Row = Schemas["LookRow"];
type Table = Schemas["LookTable"];
const KINDS: readonly Schemas["ComplaintKind"][] = [
  "low pressure", "knock", "metal found", "milky oil", "shaking", "after a service", "burns oil", "seized",
]; // prettier-ignore
const KEY = ["house", "looks"];

/** The table of looks: what each takes, what it spoils, how often it ends the job; and what an hour costs. */
export function LookTablePage() {
  const queries = useQueryClient();
  const table = useQuery({ queryKey: KEY, queryFn: () => ask(client.GET("/api/house-rules/looks")) });
  const keep = useMutation({
    mutationFn: (body: Schemas["LookTableForm"]) => ask(client.PUT("/api/house-rules/looks", { body })),
    onSuccess: (kept) => queries.setQueryData(KEY, kept),
  });
  return (
    <Page
      title="The table of looks"
      note="Minutes, harm and chances are this shop's. The order of looks is worked out from them."
      actions={<LinkButton to="/house-rules">House rules</LinkButton>}
    >
      {table.data && (
        <TableForm
          key={table.data.version}
          start={table.data.table}
          pending={keep.isPending}
          onKeep={(kept) => keep.mutate({ version: table.data.version, table: kept })}
        />
      )}
      <Faults error={keep.error ?? table.error} />
      {keep.isSuccess && <Notice>Kept. Open jobs order their looks by it from now on.</Notice>}
    </Page>
  );
}

interface FormProps {
  start: Table;
  pending: boolean;
  onKeep: (table: Table) => void;
}

/** What is no number is not taken at all: it never becomes 0. What is too much the server says. */
const DIGITS = /^\d{0,4}$/;
const SUM = /^\d+([.,]\d{1,2})?$/;
const whole = (text: string): number => Math.max(0, Math.trunc(Number(text) || 0));

function TableForm({ start, pending, onKeep }: FormProps) {
  const may = useMay()("keep the house rules");
  const [table, setTable] = useState(start);
  const [hour, setHour] = useState(String(start.hour / start.coins));
  const change = (key: string, how: (row: Row) => Row) =>
    setTable((before) => ({
      ...before,
      looks: before.looks.map((row) => (row.key === key ? how(row) : row)),
    }));
  return (
    <fieldset disabled={!may} className="min-w-0">
      <div className="mb-3 flex flex-wrap items-end gap-3">
        <label>
          <span className="block font-semibold">An hour costs</span>
          <input
            className={`${box} w-28`}
            inputMode="decimal"
            value={hour}
            onChange={(event) => setHour(event.target.value)}
          />
        </label>
        <label>
          <span className="block font-semibold">Money</span>
          <input
            className={`${box} w-24`}
            maxLength={8}
            value={table.currency}
            onChange={(event) => setTable({ ...table, currency: event.target.value })}
          />
        </label>
        {may ? (
          <Button
            kind="strong"
            disabled={pending || !SUM.test(hour.trim())}
            onClick={() =>
              onKeep({ ...table, hour: Math.round(Number(hour.replace(",", ".")) * table.coins) || 0 })
            }
          >
            Keep the table
          </Button>
        ) : (
          <Notice>The owner keeps the table.</Notice>
        )}
      </div>
      {!start.confirmed && (
        <p className="mb-2">
          These are what a shop starts with: judgement, to be tuned by what your own engines show.
        </p>
      )}
      <div className="overflow-x-auto" role="region" aria-label="The table">
        <table className="w-full border-collapse text-left">
          <thead className="align-bottom text-[15px]">
            <tr className="border-b-2 border-ink">
              <th className="min-w-44 pr-2 font-semibold">Look</th>
              <th className="pr-1 font-semibold">min in line</th>
              <th className="pr-1 font-semibold">min in V</th>
              <th className="pr-1 font-semibold">harm, min</th>
              <th className="pr-1 font-semibold">usual %</th>
              {KINDS.map((kind) => (
                <th key={kind} className="pr-1 font-semibold">
                  {kind} %
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {table.looks.map((row) => (
              <LookLine
                key={row.key}
                row={row}
                after={table.looks.find((one) => one.key === row.after)?.name ?? ""}
                onChange={(how) => change(row.key, how)}
              />
            ))}
          </tbody>
        </table>
      </div>
    </fieldset>
  );
}

const box = "h-11 border-2 border-line bg-sheet px-2 focus:border-blue disabled:text-quiet";

interface LineProps {
  row: Row;
  after: string;
  onChange: (how: (row: Row) => Row) => void;
}

function LookLine({ row, after, onChange }: LineProps) {
  const cell = (label: string, value: number | undefined, set: (text: string) => void) => (
    <td className="py-0.5 pr-1">
      <input
        className={`${box} figure w-[3.6rem] px-1`}
        inputMode="numeric"
        aria-label={`${row.name}, ${label}`}
        value={value ?? ""}
        onChange={(event) => DIGITS.test(event.target.value) && set(event.target.value)}
      />
    </td>
  );
  const chanceOf =
    (text: string, kind: Schemas["ComplaintKind"]) =>
    (before: Row): Row => {
      const rest = Object.fromEntries(Object.entries(before.chance).filter(([known]) => known !== kind));
      return {
        ...before,
        chance: text.trim() === "" ? rest : { ...rest, [kind]: whole(text) },
      };
    };
  return (
    <tr className="border-b border-line/60">
      <th scope="row" className="py-1 pr-2 font-normal leading-tight">
        {row.name}
        {after && <span className="block text-[15px] text-quiet">after: {after}</span>}
      </th>
      {cell("minutes in line", row.minutes, (text) => onChange((one) => ({ ...one, minutes: whole(text) })))}
      {cell("minutes in V", row.minutes_vee, (text) =>
        onChange((one) => ({ ...one, minutes_vee: whole(text) })),
      )}
      {cell("harm in minutes", row.harm_minutes, (text) =>
        onChange((one) => ({ ...one, harm_minutes: whole(text) })),
      )}
      {cell("usual per cent", row.usual, (text) => onChange((one) => ({ ...one, usual: whole(text) })))}
      {KINDS.map((kind) => (
        <Chance key={kind} row={row} kind={kind} onChange={(text) => onChange(chanceOf(text, kind))} />
      ))}
    </tr>
  );
}

interface ChanceProps {
  row: Row;
  kind: Schemas["ComplaintKind"];
  onChange: (text: string) => void;
}

function Chance({ row, kind, onChange }: ChanceProps) {
  return (
    <td className="py-0.5 pr-1">
      <input
        className={`${box} figure w-[3.2rem] px-1`}
        inputMode="numeric"
        aria-label={`${row.name}, ${kind}, per cent`}
        value={row.chance[kind] ?? ""}
        onChange={(event) => DIGITS.test(event.target.value) && onChange(event.target.value)}
      />
    </td>
  );
}
