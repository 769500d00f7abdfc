import { type DragEvent, useId, useState } from "react";

import { PhoneDialog } from "./PhoneDialog";
import { PictureView } from "./PictureView";
import { type Picture, usePictures } from "./usePictures";

interface Props {
  jobId: number;
  /** What the pictures are of. */
  on: string;
  /** What it is called, for the button. */
  name: string;
  disabled?: boolean;
  /** Other things whose pictures are shown beside its own. */
  also?: readonly string[];
}

/** The pictures of one thing, small, and the button that takes another: from the camera, from a file, or dropped. */
export function PictureStrip({ jobId, on, name, disabled = false, also = [] }: Props) {
  const pictures = usePictures(jobId);
  const [shown, setShown] = useState<Picture | null>(null);
  const [phone, setPhone] = useState(false);
  const [over, setOver] = useState(false);
  const id = useId();
  const mine = pictures.all.filter((one) => one.on === on || also.includes(one.on));
  const waiting = pictures.waiting.filter((one) => one.on === on);
  const drop = (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    if (!disabled) pictures.add(on, event.dataTransfer.files);
  };
  return (
    <div
      role="group"
      aria-label={`Pictures of ${name}`}
      className={`flex flex-wrap items-center gap-2 ${over ? "outline-2 outline-blue" : ""}`}
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={drop}
    >
      {mine.map((one) => (
        <Small key={one.id} picture={one} onOpen={() => setShown(one)} />
      ))}
      {waiting.map((one) => (
        <span key={one.id} className="max-w-56 border-2 border-dashed border-line px-2 py-1 text-[15px]">
          {one.message || "Picture kept here, waits for the server"}
          {one.message && (
            <button
              type="button"
              className="ml-2 min-h-9 font-semibold text-blue"
              onClick={() => pictures.putAway(one.id)}
            >
              Put away
            </button>
          )}
        </span>
      ))}
      {!disabled && (
        <label
          htmlFor={id}
          className="inline-flex min-h-11 cursor-pointer items-center rounded-tool border-2 border-line bg-sheet px-3 font-semibold hover:bg-tint focus-within:border-blue"
        >
          Add a picture
          <input
            id={id}
            type="file"
            accept="image/jpeg,image/png,image/webp,image/*"
            multiple
            aria-label={`Add a picture of ${name}`}
            className="sr-only"
            onChange={(event) => {
              pictures.add(on, event.target.files ?? []);
              event.target.value = "";
            }}
          />
        </label>
      )}
      {!disabled && (
        <button
          type="button"
          className="min-h-11 px-1 font-semibold text-blue max-md:hidden"
          aria-label={`Take a picture of ${name} with a phone`}
          onClick={() => setPhone(true)}
        >
          With a phone
        </button>
      )}
      {phone && <PhoneDialog jobId={jobId} on={on} name={name} onClose={() => setPhone(false)} />}
      {shown && <PictureView jobId={jobId} picture={shown} onClose={() => setShown(null)} />}
    </div>
  );
}

/** One small picture; where its file is not here, that is said in its place. */
export function Small({ picture, onOpen }: { picture: Picture; onOpen: () => void }) {
  if (!picture.here) return <span className="border-2 border-line px-2 py-3 text-[15px]">file not here</span>;
  return (
    <button
      type="button"
      onClick={onOpen}
      className="border-2 border-line hover:border-blue"
      aria-label={`Open the picture of ${picture.name}`}
    >
      <img
        src={picture.small}
        alt={picture.words || picture.name}
        width={picture.width}
        height={picture.height}
        className="h-14 w-auto"
        loading="lazy"
      />
    </button>
  );
}
