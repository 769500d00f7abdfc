import { useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { ask, client, type Schemas } from "../../api";
import { momentText } from "../dates";
import { Button, Dialog } from "../ui";
import type { Picture } from "./usePictures";

interface Props {
  jobId: number;
  picture: Picture;
  onClose: () => void;
  onTakeBack?: (() => void) | undefined;
}

/** One picture large; beside it, where wanted, a sound part from another job. */
export function PictureView({ jobId, picture, onClose, onTakeBack }: Props) {
  const [beside, setBeside] = useState(false);
  const [other, setOther] = useState<Schemas["SoundOut"] | null>(null);
  return (
    <Dialog open onOpenChange={onClose} wide title={picture.name} note={wordsOf(picture)}>
      <div className={`grid gap-3 ${other ? "grid-cols-2 max-sm:grid-cols-1" : ""}`}>
        <Large picture={picture} title="This job" />
        {other && <Large picture={other.picture} title={`Job ${other.job}, ${other.title}`} />}
      </div>
      {beside && <Choose jobId={jobId} on={picture.on} onChoose={setOther} />}
      <div className="mt-3 flex flex-wrap gap-2">
        <Button onClick={() => setBeside(!beside)} aria-expanded={beside}>
          {beside ? "Alone again" : "Beside one of another job"}
        </Button>
        {onTakeBack && <Button onClick={onTakeBack}>Take this picture back</Button>}
      </div>
    </Dialog>
  );
}

const wordsOf = (picture: Picture): string =>
  [picture.words, `${momentText(picture.at)}, ${picture.by}`, picture.cleaned ? "taken after cleaning" : ""]
    .filter(Boolean)
    .join("; ");

function Large({ picture, title }: { picture: Picture; title: string }) {
  return (
    <figure>
      <img
        src={picture.full}
        alt={picture.words || picture.name}
        width={picture.width}
        height={picture.height}
        className="max-h-[58vh] w-full border border-line bg-paper object-contain"
      />
      <figcaption className="mt-1 text-[15px]">
        <strong>{title}</strong>: {picture.name}
        {picture.words && `, ${picture.words}`}
      </figcaption>
    </figure>
  );
}

interface ChooseProps {
  jobId: number;
  on: string;
  onChoose: (sound: Schemas["SoundOut"]) => void;
}

function Choose({ jobId, on, onChoose }: ChooseProps) {
  const [search, setSearch] = useState("");
  const like = useQuery({
    queryKey: ["like", jobId, on, search],
    queryFn: () =>
      ask(
        client.GET("/api/jobs/{job_id}/pictures/like", {
          params: { path: { job_id: jobId }, query: { on, search } },
        }),
      ),
  });
  return (
    <section aria-label="Pictures of other jobs" className="mt-3 border-t border-line pt-2">
      <label className="flex items-center gap-2">
        Job
        <input
          className="h-11 border-2 border-line bg-sheet px-2"
          placeholder="number or name"
          value={search}
          onChange={(event) => setSearch(event.target.value)}
        />
      </label>
      {like.data?.length === 0 && <p className="mt-2">No other job holds a picture of such a part.</p>}
      <ul className="mt-2 flex flex-wrap gap-2">
        {like.data?.map((one) => (
          <li key={one.picture.id}>
            <button
              type="button"
              className="border-2 border-line text-left hover:border-blue"
              onClick={() => onChoose(one)}
            >
              <img
                src={one.picture.small}
                alt=""
                width={one.picture.width}
                height={one.picture.height}
                className="h-20 w-auto"
                loading="lazy"
              />
              <span className="block max-w-40 truncate px-1 text-[15px]">
                {one.job}: {one.picture.name}
              </span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
