import { useRef, useState } from "react";
import { useNavigate } from "react-router";

import { Refused } from "../../api";
import { useDropped } from "../../shared/files";
import { Button, Choice, Faults, Field, LinkButton, Notice, Page } from "../../shared/ui";
import { useMay } from "../session";
import { FirstRun } from "./FirstRun";
import { RackTable } from "./RackTable";
import { ORDERS, useRack, useRackChanges, useRackView } from "./useRack";

export function RackPage() {
  const [view, setView] = useRackView();
  const [typed, setTyped] = useState(view.search);
  const [gone, setGone] = useState(0);
  const [again, setAgain] = useState<File | null>(null);
  const rack = useRack(view);
  const { archive, takeIn } = useRackChanges();
  const file = useRef<HTMLInputElement>(null);
  const go = useNavigate();
  const may = useMay();
  const take = async (chosen: File | null | undefined, number = "") => {
    if (!chosen) return;
    setAgain(chosen);
    const bench = await takeIn.mutateAsync({ file: chosen, number, told: setGone });
    void go(`/jobs/${bench.card.id}`);
  };
  useDropped("job", (dropped) => void take(dropped).catch(() => undefined));
  const free = takeIn.error instanceof Refused && takeIn.error.code === "number-taken" ? takeIn.error : null;
  const other = free?.faults[0]?.what;
  return (
    <Page
      title={view.archived ? "Archive" : "The rack"}
      note={rack.data ? `${rack.data.total} ${rack.data.total === 1 ? "engine" : "engines"}` : ""}
      actions={
        <>
          <Button kind="quiet" onClick={() => setView({ ...view, archived: !view.archived, page: 1 })}>
            {view.archived ? "Back to the rack" : "Archive"}
          </Button>
          <LinkButton to="/customers" kind="quiet">
            Customers
          </LinkButton>
          <Button onClick={() => file.current?.click()}>Take in a job file</Button>
          <LinkButton to="/book-in" kind="strong">
            Book in an engine
          </LinkButton>
        </>
      }
    >
      <input
        ref={file}
        type="file"
        accept=".json,.zip,application/json,application/zip"
        aria-label="Job file"
        className="hidden"
        onChange={(event) => {
          void take(event.target.files?.[0]).catch(() => undefined);
          event.target.value = "";
        }}
      />
      <Faults error={free ? archive.error : (takeIn.error ?? archive.error)} />
      {free && (
        <Notice>
          {free.message}{" "}
          <Button kind="strong" onClick={() => void take(again, other).catch(() => undefined)}>
            Take it in as job {other}
          </Button>
        </Notice>
      )}
      {takeIn.isPending && (
        <Notice>
          {gone > 0 && gone < 1
            ? `Sending the file: ${Math.round(gone * 100)} % has gone.`
            : "Taking the file in: it is read, checked and judged once."}
        </Notice>
      )}
      {rack.data?.total === 0 && !view.search && !view.archived && <FirstRun />}
      <div className="my-4 grid grid-cols-[1fr_14rem] gap-4 max-md:grid-cols-1">
        <Field
          label="Search"
          type="search"
          placeholder="Number, machine, customer, a part, words of a verdict or a note"
          value={typed}
          onChange={(event) => {
            setTyped(event.target.value);
            setView({ ...view, search: event.target.value, page: 1 });
          }}
        />
        <Choice
          label="Sorted by"
          value={view.order}
          options={ORDERS}
          onChange={(order) => setView({ ...view, order, page: 1 })}
        />
      </div>
      {rack.isPending && <p className="text-quiet">One moment.</p>}
      {rack.isError && <Faults error={rack.error} />}
      {rack.data?.jobs.length === 0 && (view.search || view.archived) && (
        <Notice>
          {view.search
            ? "Nothing matches, here or in the archive. Search for less."
            : "Nothing is in the archive."}
        </Notice>
      )}
      {rack.data && rack.data.jobs.length > 0 && (
        <RackTable
          jobs={rack.data.jobs}
          onArchive={may("decide and sign") ? (id, archived) => archive.mutate({ id, archived }) : undefined}
        />
      )}
      {rack.data && rack.data.pages > 1 && (
        <div className="mt-4 flex items-center gap-4">
          <Button disabled={rack.data.page <= 1} onClick={() => setView({ ...view, page: view.page - 1 })}>
            Earlier
          </Button>
          <span>
            Page {rack.data.page} of {rack.data.pages}
          </span>
          <Button
            disabled={rack.data.page >= rack.data.pages}
            onClick={() => setView({ ...view, page: view.page + 1 })}
          >
            Later
          </Button>
        </div>
      )}
    </Page>
  );
}
