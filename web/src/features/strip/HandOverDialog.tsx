import type { Schemas } from "../../api";
import type { useFacts } from "../../shared/queue";
import { SaidNotice, useServerForm } from "../../shared/forms";
import { Button, Dialog, Field, TextArea } from "../../shared/ui";

interface Props {
  ends: readonly Schemas["OpenEnd"][];
  facts: ReturnType<typeof useFacts>;
  onClose: () => void;
}

/** The hand-over: who takes the engine, and words for what leaves unsettled. */
export function HandOverDialog({ ends, facts, onClose }: Props) {
  const { field, said, submit } = useServerForm({ to: "", words: "" }, async (given) => {
    await facts.tell.mutateAsync([{ fact: "hand over", ...given }]);
    onClose();
  });
  const loose = ends.filter((end) => !end.bars);
  return (
    <Dialog
      open
      onOpenChange={onClose}
      title="Hand the engine over"
      note="Nothing that belongs in it may be missing."
    >
      <form onSubmit={(event) => void submit(event)} className="flex flex-col gap-3">
        <Field label="To whom" placeholder="the customer's driver" {...field("to")} />
        <TextArea
          label={
            loose.length > 0
              ? `Words for what nobody could place: ${loose.map((end) => end.what).join(", ")}`
              : "Words, where wanted"
          }
          {...field("words")}
        />
        <SaidNotice said={said} />
        <Button kind="strong" type="submit">
          Handed over
        </Button>
      </form>
    </Dialog>
  );
}
