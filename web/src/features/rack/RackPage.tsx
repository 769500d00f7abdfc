import { useRef, useState } from "react";
import { useNavigate } from "react-router";

import { Button, Choice, Faults, Field, LinkButton, Notice, Page } from "../../shared/ui";
import { useMay } from "../session";
import { RackTable } from "./RackTable";
import { type RackView, useRack, useRackChanges } from "./useRack";

const ORDERS = [
  { value: "due", label: "due date" },
  { value: "stage", label: "stage" },
  { value: "number", label: "newest first" },
] as const;

export function RackPage() {
  const [view, setView] = useState<RackView>({ search: "", order: "due", archived: false, page: 1 });
  const rack = useRack(view);
  const { archive, takeIn } = useRackChanges();
  const file = useRef<HTMLInputElement>(null);
  const go = useNavigate();
  const may = useMay();
  const take = async (chosen: File | undefined) => {
    if (!chosen) return;
    const bench = await takeIn.mutateAsync(chosen);
    void go(`/jobs/${bench.card.id}`);
  };
  return (
    <Page
      title={view.archived ? "Archive" : "The rack"}
      note={rack.data ? `${rack.data.total} ${rack.data.total === 1 ? "engine" : "engines"}` : ""}
      actions={
        <>
          <Button kind="quiet" onClick={() => setView({ ...view, archived: !view.archived, page: 1 })}>
            {view.archived ? "Back to the rack" : "Archive"}
          </Button>
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
      <Faults error={takeIn.error ?? archive.error} />
      <div className="my-4 grid grid-cols-[1fr_14rem] gap-4 max-md:grid-cols-1">
        <Field
          label="Search"
          type="search"
          placeholder="Number, machine, customer, engine or complaint"
          value={view.search}
          onChange={(event) => setView({ ...view, search: event.target.value, page: 1 })}
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
      {rack.data?.jobs.length === 0 && (
        <Notice>
          {view.search ? "Nothing matches. Search for less." : "Nothing here yet. Book in an engine."}
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
