import { useRef } from "react";
import { Link, useNavigate } from "react-router";

import { momentText } from "../../shared/dates";
import { Button, Faults, LinkButton, Notice, Page } from "../../shared/ui";
import { useMay } from "../session";
import { useLibrary, useLimitsChanges } from "./useLimits";

export function LibraryPage() {
  const library = useLibrary();
  const { takeIn } = useLimitsChanges();
  const may = useMay();
  const go = useNavigate();
  const file = useRef<HTMLInputElement>(null);
  const take = async (chosen: File | undefined) => {
    if (!chosen) return;
    const sheet = await takeIn.mutateAsync({ name: chosen.name, text: await chosen.text() });
    void go(`/limits/${sheet.line.id}`);
  };
  return (
    <Page
      title="Limits library"
      note="Each engine's limits, with the book and page they come from."
      actions={
        <>
          <LinkButton to="/limits/engines">Engines described</LinkButton>
          {may("draft a limits sheet") && (
            <>
              <Button onClick={() => file.current?.click()}>Take in a sheet (JSON or CSV)</Button>
              <LinkButton to="/limits/new" kind="strong">
                New limits sheet
              </LinkButton>
            </>
          )}
        </>
      }
    >
      <input
        ref={file}
        type="file"
        accept=".json,.csv"
        aria-label="Limits file"
        className="hidden"
        onChange={(event) => {
          void take(event.target.files?.[0]).catch(() => undefined);
          event.target.value = "";
        }}
      />
      <Faults error={takeIn.error ?? library.error} />
      {library.isPending && <p className="text-quiet">One moment.</p>}
      {library.data?.length === 0 && (
        <Notice>No limits yet. Enter an engine&apos;s limits, or take in a file.</Notice>
      )}
      <table className="w-full border-collapse text-left">
        <tbody>
          {library.data?.map((sheet) => (
            <tr key={sheet.id} className="border-b border-line hover:bg-tint">
              <td className="py-3 pr-4 max-md:pr-2">
                <Link to={`/limits/${sheet.id}`} className="text-lg font-semibold">
                  {sheet.engine}
                </Link>
                <span className="block text-quiet">{sheet.layout}</span>
              </td>
              <td className="pr-4 max-md:pr-2">revision {sheet.revision}</td>
              <td className="pr-4 max-md:pr-2">
                {sheet.state}
                {sheet.frozen && ", frozen by a signed job"}
              </td>
              <td className="pr-4 text-quiet max-md:pr-2">
                {sheet.changed_by}, {momentText(sheet.changed_at)}
              </td>
              <td className="text-right font-semibold text-blue">
                <a className="p-2" href={`/api/limits/${sheet.id}/limits.json`}>
                  JSON
                </a>
                <a className="p-2" href={`/api/limits/${sheet.id}/limits.csv`}>
                  CSV
                </a>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </Page>
  );
}
