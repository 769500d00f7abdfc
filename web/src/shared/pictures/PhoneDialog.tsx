import { useQuery } from "@tanstack/react-query";

import { ask, client } from "../../api";
import { clockText } from "../dates";
import { Dialog, Faults, Notice } from "../ui";

interface Props {
  jobId: number;
  on: string;
  name: string;
  onClose: () => void;
}

/** The camera page of one thing for a phone in the same net, as a code to point it at. */
export function PhoneDialog({ jobId, on, name, onClose }: Props) {
  const made = useQuery({
    queryKey: ["camera", jobId, on],
    gcTime: 0,
    staleTime: Infinity,
    queryFn: () =>
      ask(client.POST("/api/jobs/{job_id}/phone", { params: { path: { job_id: jobId } }, body: { on } })),
  });
  return (
    <Dialog open onOpenChange={onClose} title={`With a phone: ${name}`}>
      <Faults error={made.error} />
      {made.data?.why_not && <Notice>{made.data.why_not}</Notice>}
      {made.data?.address && (
        <div className="flex flex-wrap items-center gap-5">
          <img
            src={`data:image/svg+xml,${encodeURIComponent(made.data.code)}`}
            alt="Code with the address of the camera page"
            className="size-56 border-2 border-line bg-white"
          />
          <div className="flex min-w-0 flex-1 basis-56 flex-col gap-3">
            <p>Point a phone in the shop&rsquo;s net at the code. What it takes lands here, in your name.</p>
            <p className="figure break-all text-sm">{made.data.address}</p>
            {made.data.until && (
              <p className="text-quiet">
                Good for this job until {clockText(made.data.until)}, or until you sign out.
              </p>
            )}
          </div>
        </div>
      )}
    </Dialog>
  );
}
