import { Link } from "react-router";

import { momentText } from "../../shared/dates";
import { Faults, LinkButton, Notice, Page } from "../../shared/ui";
import { useMay } from "../session";
import { useDescriptions } from "./useDescriptions";

/** The engines the shop has described, by make. */
export function DescriptionsPage() {
  const found = useDescriptions();
  const may = useMay();
  return (
    <Page
      title="Engines described"
      note="How each make is built. Places, strip list and drawings follow from it."
      actions={
        <>
          <LinkButton to="/limits">To the limits</LinkButton>
          {may("draft a limits sheet") && (
            <LinkButton to="/limits/engines/new" kind="strong">
              Describe an engine
            </LinkButton>
          )}
        </>
      }
    >
      <Faults error={found.error} />
      {found.isPending && <p className="text-quiet">One moment.</p>}
      {found.data?.length === 0 && (
        <Notice>No engine is described yet. Begin with the nearest usual one: it takes a minute.</Notice>
      )}
      <ul>
        {found.data?.map((one) => (
          <li
            key={one.id}
            className="flex flex-wrap items-baseline gap-x-6 border-b border-line py-3 hover:bg-tint"
          >
            <Link
              to={`/limits/engines/${one.id}`}
              className="min-h-11 grow content-center text-lg font-semibold"
            >
              {one.name}
            </Link>
            <span>
              revision {one.revision}
              {one.frozen ? ", frozen by a signed job" : one.in_use ? ", in use" : ""}
            </span>
            <span className="text-quiet">
              {one.changed_by}, {momentText(one.changed_at)}
            </span>
            {one.sheets.length > 0 && (
              <span className="basis-full text-[15px]">Limits: {one.sheets.join("; ")}</span>
            )}
          </li>
        ))}
      </ul>
    </Page>
  );
}
