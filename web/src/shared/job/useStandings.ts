import { useQuery } from "@tanstack/react-query";

import { ask, client, type Schemas } from "../../api";

/** How the gauges of the cabinet stand, by id: fit, out, overdue, not checked. */
export function useStandings(): ReadonlyMap<string, Schemas["GaugeOut"]> {
  const gauges = useQuery({
    queryKey: ["gauges"],
    queryFn: () => ask(client.GET("/api/gauges")),
    staleTime: 60_000,
  });
  return new Map(gauges.data?.map((gauge) => [gauge.id, gauge]));
}
