import { useQuery } from "@tanstack/react-query";

import { ask, client, type Schemas } from "../../api";
import { newId } from "../job";
import { putAway, sendAgain, useAdd, useWaiting } from "../queue";

export type Picture = Schemas["PictureOut"];
const NONE: readonly Picture[] = [];

/** The pictures of a job: those the server has, those that wait here, and how one is added. */
export function usePictures(jobId: number) {
  const found = useQuery({
    queryKey: ["bench", jobId, "pictures"],
    queryFn: () => ask(client.GET("/api/jobs/{job_id}/pictures", { params: { path: { job_id: jobId } } })),
  });
  const { pictures } = useWaiting(jobId);
  const add = useAdd(jobId);
  return {
    all: found.data?.pictures ?? NONE,
    /** Those that wait, each with why it was refused; "" while it only waits. */
    waiting: pictures.map(({ picture: { id, on }, message }) => ({ id, on, message })),
    add: (on: string, files: Iterable<Blob>, cleaned = false) => {
      const at = new Date().toISOString();
      add(...[...files].map((file) => ({ picture: { id: newId(), on, words: "", cleaned, at }, file })));
    },
    putAway,
    sendAgain,
  };
}
