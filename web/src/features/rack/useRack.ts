import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";

import { ask, client, type Schemas } from "../../api";

export interface RackView {
  search: string;
  order: Schemas["RackOrder"];
  archived: boolean;
  page: number;
}

export function useRack(view: RackView) {
  return useQuery({
    queryKey: ["rack", view],
    queryFn: () => ask(client.GET("/api/rack", { params: { query: view } })),
    placeholderData: keepPreviousData,
    refetchInterval: 15_000,
  });
}

export function useRackChanges() {
  const queries = useQueryClient();
  const refresh = () => queries.invalidateQueries({ queryKey: ["rack"] });
  return {
    archive: useMutation({
      mutationFn: ({ id, archived }: { id: number; archived: boolean }) =>
        ask(
          client.PUT("/api/jobs/{job_id}/archived", { params: { path: { job_id: id } }, body: { archived } }),
        ),
      onSuccess: refresh,
    }),
    takeIn: useMutation({
      mutationFn: (text: string) => ask(client.POST("/api/jobs/import", { body: { text } })),
      onSuccess: refresh,
    }),
  };
}
