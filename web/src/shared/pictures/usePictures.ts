import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useSyncExternalStore } from "react";

import { ask, client, type Schemas } from "../../api";
import { usePersonName } from "../facts";
import { newId } from "../job";
import { PictureBox } from "./pictureBox";

const box = new PictureBox();
export type Picture = Schemas["PictureOut"];
const NONE: readonly Picture[] = [];

/** The pictures of a job: those the server has, those that wait here, and how one is added. */
export function usePictures(jobId: number) {
  const queries = useQueryClient();
  const person = usePersonName();
  const key = ["bench", jobId, "pictures"];
  const found = useQuery({
    queryKey: key,
    queryFn: () => ask(client.GET("/api/jobs/{job_id}/pictures", { params: { path: { job_id: jobId } } })),
  });
  const waiting = useSyncExternalStore(box.subscribe, box.snapshot);
  useEffect(() => {
    box.person = person;
    box.onLanded = (id) => void queries.invalidateQueries({ queryKey: ["bench", id, "pictures"] });
    void box.open();
  }, [person, queries]);
  return {
    all: found.data?.pictures ?? NONE,
    waiting: waiting.filter((one) => one.jobId === jobId && one.by === person),
    add: (on: string, files: Iterable<Blob>, cleaned = false) => {
      for (const file of files)
        void box.add({ id: newId(), jobId, on, words: "", cleaned, at: new Date().toISOString(), file });
    },
    putAway: (id: string) => void box.drop(id),
  };
}
