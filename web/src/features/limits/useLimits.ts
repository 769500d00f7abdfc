import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";

import { ask, client, type Schemas } from "../../api";

export type SheetForm = Schemas["SheetForm"];
export type SetForm = Schemas["SetForm"];

export function useLibrary() {
  return useQuery({ queryKey: ["limits"], queryFn: () => ask(client.GET("/api/limits")) });
}

export function useBlank() {
  return useQuery({
    queryKey: ["limits", "blank"],
    queryFn: () => ask(client.GET("/api/limits/blank")),
    staleTime: Infinity,
  });
}

export function useSheet(id: number, enabled = true) {
  return useQuery({
    enabled,
    queryKey: ["limits", id],
    queryFn: () => ask(client.GET("/api/limits/{revision_id}", { params: { path: { revision_id: id } } })),
  });
}

export function useLimitsChanges() {
  const queries = useQueryClient();
  const onSuccess = (sheet: Schemas["SheetOut"]) => {
    queries.setQueryData(["limits", sheet.line.id], sheet);
    void queries.invalidateQueries({ queryKey: ["limits"], exact: true });
  };
  const path = (revision_id: number) => ({ params: { path: { revision_id } } });
  return {
    draft: useMutation({
      mutationFn: (body: SheetForm) => ask(client.POST("/api/limits", { body })),
      onSuccess,
    }),
    change: useMutation({
      mutationFn: ({ id, form }: { id: number; form: SheetForm }) =>
        ask(client.PUT("/api/limits/{revision_id}", { ...path(id), body: form })),
      onSuccess,
    }),
    copy: useMutation({
      mutationFn: (id: number) => ask(client.POST("/api/limits/{revision_id}/copy", path(id))),
      onSuccess,
    }),
    confirm: useMutation({
      mutationFn: ({ id, ...body }: Schemas["ConfirmIn"] & { id: number }) =>
        ask(client.POST("/api/limits/{revision_id}/confirm", { ...path(id), body })),
      onSuccess,
    }),
    takeIn: useMutation({
      mutationFn: (body: Schemas["FileIn"]) => ask(client.POST("/api/limits/import", { body })),
      onSuccess,
    }),
  };
}
