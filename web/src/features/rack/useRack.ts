import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";

import { useSearchParams } from "react-router";

import { ask, client, type Schemas, telling } from "../../api";
import { isZip, sentAs } from "../../shared/files";

export interface RackView {
  search: string;
  order: Schemas["RackOrder"];
  archived: boolean;
  page: number;
}

export const ORDERS = [
  { value: "due", label: "due date" },
  { value: "stage", label: "stage" },
  { value: "number", label: "newest first" },
] as const;

/** What of the rack is looked at: it stands in the address, so that it can be gone back to and sent on. */
export function useRackView(): [RackView, (view: RackView) => void] {
  const [address, setAddress] = useSearchParams();
  const view = {
    search: address.get("search") ?? "",
    order: ORDERS.find((one) => one.value === address.get("order"))?.value ?? "due",
    archived: address.get("archived") === "yes",
    page: Math.max(1, Number(address.get("page")) || 1),
  };
  const setView = (next: RackView) => {
    const said: Record<string, string> = {
      search: next.search,
      order: next.order === "due" ? "" : next.order,
      archived: next.archived ? "yes" : "",
      page: next.page > 1 ? String(next.page) : "",
    };
    const kept = Object.entries(said).filter(([, value]) => value !== "");
    setAddress(Object.fromEntries(kept), { replace: next.search !== view.search });
  };
  return [view, setView];
}

export function useRack(view: RackView) {
  return useQuery({
    queryKey: ["rack", view],
    queryFn: () => ask(client.GET("/api/rack", { params: { query: view } })),
    placeholderData: keepPreviousData,
    refetchInterval: 15_000,
  });
}

interface TakingIn {
  file: File;
  number?: string;
  /** Told how much of the file has gone, 0 to 1. */
  told: (share: number) => void;
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
      mutationFn: async ({ file, number = "", told }: TakingIn) => {
        if (!(await isZip(file))) {
          return ask(client.POST("/api/jobs/import", { body: { text: await file.text(), number } }));
        }
        return ask(
          client.POST("/api/jobs/import.zip", { ...sentAs(file, { number }), fetch: telling(told) }),
        );
      },
      onSuccess: refresh,
    }),
  };
}
