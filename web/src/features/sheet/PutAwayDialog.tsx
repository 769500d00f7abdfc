import { SaidNotice, useServerForm } from "../../shared/forms";
import { Button, Dialog, TextArea } from "../../shared/ui";

interface Props {
  onClose: () => void;
  onPutAway: (reason: string) => Promise<unknown>;
}

/** A job that was booked by mistake leaves the rack for good, with the reason. */
export function PutAwayDialog({ onClose, onPutAway }: Props) {
  const { field, said, submit } = useServerForm({ reason: "" }, async ({ reason }) => {
    await onPutAway(reason);
    onClose();
  });
  return (
    <Dialog
      open
      onOpenChange={onClose}
      title="Put away for good"
      note="For a job that was booked by mistake. It leaves the rack and does not come back; it stays in the record, with why."
    >
      <form onSubmit={(event) => void submit(event)} className="flex flex-col gap-4">
        <TextArea label="Why" {...field("reason")} />
        <SaidNotice said={said} />
        <Button kind="strong" type="submit">
          Put it away
        </Button>
      </form>
    </Dialog>
  );
}
