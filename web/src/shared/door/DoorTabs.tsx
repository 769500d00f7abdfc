import { StopPages } from "../way";
import { useLooksReport } from "./useDoor";

/** The pages of the door: what was said, and which look comes first. */
export function DoorTabs({ jobId }: { jobId: number }) {
  const report = useLooksReport(jobId).data;
  return (
    <StopPages
      name="Door"
      pages={[
        { to: `/jobs/${jobId}/door`, name: "What was said" },
        { to: `/jobs/${jobId}/looks`, name: "Looks", count: report ? `${report.order.length} offered` : "" },
      ]}
    />
  );
}
