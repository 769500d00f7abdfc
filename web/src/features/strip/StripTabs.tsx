import { useStripReport } from "../../shared/door";
import { StopPages } from "../../shared/way";

/** The pages of the strip, each with how much of it is left. */
export function StripTabs({ jobId }: { jobId: number }) {
  const report = useStripReport(jobId).data;
  const steps = report?.steps.filter((one) => !one.behind).length;
  const open = report?.ends.filter((one) => !one.closed).length;
  const at = (end: string) => `/jobs/${jobId}/strip${end}`;
  return (
    <StopPages
      name="Strip"
      pages={[
        { to: at(""), name: "Steps", count: steps === undefined ? "" : steps ? `${steps} left` : "done" },
        { to: at("/engine"), name: "The engine" },
        {
          to: at("/open"),
          name: "Fasteners and removed",
          count: open === undefined ? "" : open ? `${open} open` : "none open",
        },
        { to: at("/marks"), name: "Marks and places" },
        { to: at("/labels"), name: "Labels" },
        { to: at("/pictures"), name: "Pictures" },
        { to: at("/other-way"), name: "The other way" },
      ]}
    />
  );
}
