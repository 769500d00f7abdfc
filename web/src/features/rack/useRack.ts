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

/** Whether a file begins as a zip does: a job with its pictures. */
async function isZip(file: File): Promise<boolean> {
  return (await file.slice(0, 2).text()) === "PK";
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
      mutationFn: async (file: File) => {
        if (!(await isZip(file))) {
          return ask(client.POST("/api/jobs/import", { body: { text: await file.text() } }));
        }
        // The generated types know a file as text: the form carries it as it is.
        const body = { file: "" };
        const bodySerializer = () => {
          const form = new FormData();
          form.set("file", file);
          return form;
        };
        return ask(client.POST("/api/jobs/import.zip", { body, bodySerializer }));
      },
      onSuccess: refresh,
    }),
  };
}
