import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";

import { ask, client, type Schemas } from "../../api";

export type Layout = Schemas["Layout"];
export type DescriptionForm = Schemas["DescriptionForm"];

/** Every revision of every description. */
export function useDescriptions() {
  return useQuery({ queryKey: ["descriptions"], queryFn: () => ask(client.GET("/api/descriptions")) });
}

/** Usual engines to begin with. */
export function useUsualEngines() {
  return useQuery({
    queryKey: ["descriptions", "usual"],
    queryFn: () => ask(client.GET("/api/descriptions/usual")),
    staleTime: Infinity,
  });
}

/** One revision. */
export function useDescription(id: number, enabled = true) {
  return useQuery({
    enabled,
    queryKey: ["descriptions", id],
    queryFn: () =>
      ask(client.GET("/api/descriptions/{revision_id}", { params: { path: { revision_id: id } } })),
  });
}

/** The engine of a job as it stands. */
export function useLayoutOfJob(id: number) {
  return useQuery({
    enabled: id > 0,
    queryKey: ["descriptions", "of-job", id],
    queryFn: async () =>
      (await ask(client.GET("/api/jobs/{job_id}", { params: { path: { job_id: id } } }))).layout,
  });
}

/** What follows from a description, before it is kept. What was known stays while the next is asked for. */
export function useEngineLook(layout: Layout) {
  return useQuery({
    queryKey: ["descriptions", "look", layout],
    queryFn: () => ask(client.POST("/api/descriptions/look", { body: { version: 0, layout } })),
    placeholderData: (before) => before,
    staleTime: Infinity,
    retry: false,
  });
}

export function useDescriptionChanges() {
  const queries = useQueryClient();
  const onSuccess = (kept: Schemas["DescriptionOut"]) => {
    queries.setQueryData(["descriptions", kept.line.id], kept);
    void queries.invalidateQueries({ queryKey: ["descriptions"], exact: true });
  };
  const path = (revision_id: number) => ({ params: { path: { revision_id } } });
  return {
    draft: useMutation({
      mutationFn: (body: DescriptionForm) => ask(client.POST("/api/descriptions", { body })),
      onSuccess,
    }),
    change: useMutation({
      mutationFn: ({ id, form }: { id: number; form: DescriptionForm }) =>
        ask(client.PUT("/api/descriptions/{revision_id}", { ...path(id), body: form })),
      onSuccess,
    }),
    copy: useMutation({
      mutationFn: (id: number) => ask(client.POST("/api/descriptions/{revision_id}/copy", path(id))),
      onSuccess,
    }),
  };
}
