import { useServerForm, SaidNotice } from "../../shared/forms";
import { Button, Choice, Dialog } from "../../shared/ui";
import { usePerson, useSessionChanges } from "./useSession";

const SIGNS = [
  { value: ".", label: "2.0312, a point" },
  { value: ",", label: "2,0312, a comma" },
] as const;
const DATES = ["4 May 2031", "04.05.2031", "2031-05-04"] as const;
const TIMES = ["16:30", "4:30 pm"] as const;
const asOptions = <T extends string>(values: readonly T[]) =>
  values.map((value) => ({ value, label: value }));

/** How the person signed in reads sizes, dates and times. */
export function FormsDialog({ onClose }: { onClose: () => void }) {
  const { shown } = usePerson();
  const { preferForms } = useSessionChanges();
  const { form, set, said, submit } = useServerForm(shown, async (given) => {
    await preferForms.mutateAsync(given);
    onClose();
  });
  const { decimal_sign, date_form, time_form } = form.watch();
  return (
    <Dialog
      open
      onOpenChange={onClose}
      title="How it is shown"
      note="To you, on every page. What is typed takes point and comma alike; files and signed papers keep the point."
    >
      <form onSubmit={(event) => void submit(event)} className="flex flex-col gap-4">
        <Choice
          label="Decimals"
          value={decimal_sign}
          options={SIGNS}
          onChange={(sign) => set({ decimal_sign: sign })}
        />
        <Choice
          label="Dates"
          value={date_form}
          options={asOptions(DATES)}
          onChange={(date) => set({ date_form: date })}
        />
        <Choice
          label="Times"
          value={time_form}
          options={asOptions(TIMES)}
          onChange={(time) => set({ time_form: time })}
        />
        <SaidNotice said={said} />
        <Button kind="strong" type="submit">
          Show it so
        </Button>
      </form>
    </Dialog>
  );
}
