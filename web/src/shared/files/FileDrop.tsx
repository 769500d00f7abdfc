import { useEffect, useState } from "react";
import { useLocation, useNavigate } from "react-router";

import { newId } from "../job";
import { useAdd } from "../queue";
import { Button, Dialog } from "../ui";
import { kindOf } from "./dropped";

/** Files dropped anywhere on a page are caught and asked about; the browser never leaves the page for them. */
export function FileDrop() {
  const [files, setFiles] = useState<readonly File[]>([]);
  useEffect(() => {
    const holds = (event: DragEvent) => event.dataTransfer?.types.includes("Files") ?? false;
    const over = (event: DragEvent) => {
      if (holds(event)) event.preventDefault();
    };
    const drop = (event: DragEvent) => {
      if (!holds(event) || event.defaultPrevented) return;
      event.preventDefault();
      setFiles([...(event.dataTransfer?.files ?? [])]);
    };
    window.addEventListener("dragover", over);
    window.addEventListener("drop", drop);
    return () => {
      window.removeEventListener("dragover", over);
      window.removeEventListener("drop", drop);
    };
  }, []);
  if (files.length === 0) return null;
  return <Asked files={files} onClose={() => setFiles([])} />;
}

function Asked({ files, onClose }: { files: readonly File[]; onClose: () => void }) {
  const go = useNavigate();
  const job = /^\/jobs\/(\d+)/.exec(useLocation().pathname)?.[1];
  const jobId = job === undefined ? null : Number(job);
  const add = useAdd(jobId ?? 0);
  const of = (kind: string) => files.filter((one) => kindOf(one) === kind);
  const [jobs, tables, pictures] = [of("job"), of("table"), of("picture")];
  const other = files.filter((one) => kindOf(one) === null);
  const to = (page: string, kind: "job" | "table", file: File) => {
    void go(page, { state: { dropped: { kind, file } } });
    onClose();
  };
  return (
    <Dialog
      open
      onOpenChange={onClose}
      title={files.length === 1 ? "A file was dropped" : `${files.length} files were dropped`}
      note="Nothing is taken in before it is said what it is for."
    >
      <div className="flex flex-col gap-3">
        {jobs.map((file) => (
          <Button key={file.name} kind="strong" onClick={() => to("/", "job", file)}>
            Take in {file.name} as a job
          </Button>
        ))}
        {tables.map((file) =>
          jobId === null ? (
            <p key={file.name}>{file.name}: open the job it holds readings of, and drop it there.</p>
          ) : (
            <Button key={file.name} kind="strong" onClick={() => to(`/jobs/${jobId}/sheet`, "table", file)}>
              Hold {file.name} against this job’s readings
            </Button>
          ),
        )}
        {pictures.length > 0 &&
          (jobId === null ? (
            <p>
              Open the job that the {pictures.length === 1 ? "picture is" : "pictures are"} of, and drop them
              there.
            </p>
          ) : (
            <Button
              kind="strong"
              onClick={() => {
                for (const file of pictures) {
                  const picture = {
                    id: newId(),
                    on: "engine",
                    words: "",
                    cleaned: false,
                    at: new Date().toISOString(),
                  };
                  add({ picture, file });
                }
                void go(`/jobs/${jobId}/strip/pictures`);
                onClose();
              }}
            >
              {pictures.length === 1 ? "Keep the picture" : `Keep ${pictures.length} pictures`} with this
              engine
            </Button>
          ))}
        {other.map((file) => (
          <p key={file.name} className="font-semibold text-red">
            {file.name} is none that can be read here: a job file, a zip, a CSV or xlsx table, or a picture.
          </p>
        ))}
        <Button onClick={onClose}>Leave {files.length === 1 ? "it" : "them"}</Button>
      </div>
    </Dialog>
  );
}
