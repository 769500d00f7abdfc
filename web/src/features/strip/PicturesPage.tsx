import { useState } from "react";
import { useOutletContext } from "react-router";

import { momentText } from "../../shared/dates";
import { WaitingNotice, useFacts } from "../../shared/queue";
import { type Bench, PlaceLink } from "../../shared/job";
import { type Picture, PictureStrip, PictureView, usePictures } from "../../shared/pictures";
import { MadeFile } from "../../shared/files";
import { Faults, Page } from "../../shared/ui";
import { StripTabs } from "./StripTabs";

/** Every picture of the job, by what it is of. */
export function PicturesPage() {
  const bench = useOutletContext<Bench>();
  const jobId = bench.card.id;
  const pictures = usePictures(jobId);
  const facts = useFacts(jobId);
  const [shown, setShown] = useState<Picture | null>(null);
  return (
    <Page
      untitled
      title="Pictures"
      note="Turned upright, kept at full size; where they were taken is removed."
      pages={<StripTabs jobId={jobId} />}
    >
      <WaitingNotice waiting={facts} />
      <Faults error={facts.tell.error} />
      <div className="mb-4 flex flex-wrap items-center gap-3">
        <PictureStrip jobId={jobId} on="engine" name="the engine" disabled={bench.card.archived} />
        <MadeFile to={`/api/jobs/${jobId}/job.zip`}>The job with its pictures, one file</MadeFile>
      </div>
      {pictures.waiting.length > 0 && (
        <p className="mb-3 font-semibold">
          {pictures.waiting.length} {pictures.waiting.length === 1 ? "picture waits" : "pictures wait"} in
          this browser.
        </p>
      )}
      {pictures.all.length === 0 && (
        <p className="text-lg">No picture yet. Take one at a look, a step or a part.</p>
      )}
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(13rem,1fr))] gap-x-5 gap-y-4 max-sm:grid-cols-2 max-sm:gap-x-3">
        {pictures.all.map((one) => (
          <li key={one.id}>
            <button
              type="button"
              className="block w-full border-2 border-line hover:border-blue"
              aria-label={`Open the picture of ${one.name}, ${momentText(one.at)}`}
              onClick={() => setShown(one)}
            >
              {one.here ? (
                <img src={one.small} alt="" className="aspect-[4/3] w-full object-cover" loading="lazy" />
              ) : (
                <span className="block p-6">file not here</span>
              )}
            </button>
            <p className="mt-1 text-lg font-semibold leading-tight">
              {one.on === "engine" || one.on.includes(":") ? (
                one.name
              ) : (
                <PlaceLink place={one.on}>{one.name}</PlaceLink>
              )}
            </p>
            <p className="text-[15px] leading-tight">
              {one.words}
              <span className="block text-quiet">
                {momentText(one.at)}, {one.by}
                {one.cleaned && ", after cleaning"}
              </span>
            </p>
          </li>
        ))}
      </ul>
      {shown && (
        <PictureView
          jobId={jobId}
          picture={shown}
          onClose={() => setShown(null)}
          onTakeBack={() =>
            facts.tell.mutate([{ fact: "withdrawal", of: shown.id }], { onSuccess: () => setShown(null) })
          }
        />
      )}
    </Page>
  );
}
