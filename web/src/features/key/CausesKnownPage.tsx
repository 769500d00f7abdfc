import { useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { ask, client } from "../../api";
import { Faults, Field, Page } from "../../shared/ui";

/** What is known of causes: what each leaves, what speaks against it, what settles it. */
export function CausesKnownPage() {
  const [search, setSearch] = useState("");
  const causes = useQuery({
    queryKey: ["causes"],
    queryFn: () => ask(client.GET("/api/causes")),
    staleTime: Infinity,
  });
  const word = search.trim().toLowerCase();
  const shown = causes.data?.filter((one) => JSON.stringify(one).toLowerCase().includes(word));
  return (
    <Page
      title="Causes"
      note="What each leaves behind, what speaks against it, what settles it. Common practice, no source; strengths are judgement."
    >
      <Faults error={causes.error} />
      <div className="mb-4 max-w-sm">
        <Field
          label="Find"
          hint="screen, blue, dowel"
          value={search}
          onChange={(event) => setSearch(event.target.value)}
        />
      </div>
      <ul className="grid grid-cols-2 gap-x-8 max-lg:grid-cols-1">
        {shown?.map((one) => (
          <li key={one.key} className="border-t border-line py-3 leading-snug">
            <h2 className="text-xl font-semibold">
              {one.name} <span className="text-[14px] font-normal text-quiet">{one.key}</span>
            </h2>
            <Lines name="leaves" lines={one.leaves} />
            <Lines name="makes" lines={one.makes} />
            <Lines name="against" lines={one.against} />
            <Lines name="settled by" lines={[one.settled]} />
            <Lines name="removed by" lines={one.remedy ? [one.remedy] : []} />
          </li>
        ))}
      </ul>
    </Page>
  );
}

function Lines({ name, lines }: { name: string; lines: readonly string[] }) {
  if (lines.length === 0) return null;
  return (
    <p>
      <span className="text-quiet">{name}: </span>
      {lines.join("; ")}
    </p>
  );
}
