import { SaidNotice, useServerForm } from "../../shared/forms";
import { Button, Dialog, Field } from "../../shared/ui";
import { useSession, useSessionChanges } from "./useSession";

interface Props {
  open: boolean;
  onOpenChange: (open: boolean) => void;
}

/** Change of person at a shared bench: pick a name, type the password, the page stays where it is. */
export function ChangePersonDialog({ open, onOpenChange }: Props) {
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title="Change person" note="The page stays where it is.">
      <ChangePerson onDone={() => onOpenChange(false)} />
    </Dialog>
  );
}

function ChangePerson({ onDone }: { onDone: () => void }) {
  const session = useSession().data;
  const { signIn } = useSessionChanges();
  const { form, field, said, submit } = useServerForm({ name: "", password: "" }, async (given) => {
    await signIn.mutateAsync(given);
    onDone();
  });
  const name = form.watch("name");
  return (
    <>
      <div className="mb-4 flex flex-wrap gap-2">
        {session?.names.map((known) => (
          <Button
            key={known}
            kind={known === name ? "strong" : "plain"}
            aria-pressed={known === name}
            onClick={() => {
              form.setValue("name", known);
              form.setFocus("password");
            }}
          >
            {known}
          </Button>
        ))}
      </div>
      <form onSubmit={(event) => void submit(event)} className="flex flex-col gap-4">
        <Field label="Password" type="password" {...field("password")} />
        <SaidNotice said={said} />
        <Button kind="strong" type="submit" disabled={!name || signIn.isPending}>
          {name ? `Change to ${name}` : "Pick a name"}
        </Button>
      </form>
    </>
  );
}

export function PasswordDialog({ open, onOpenChange }: Props) {
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title="Change password">
      <ChangePassword onDone={() => onOpenChange(false)} />
    </Dialog>
  );
}

function ChangePassword({ onDone }: { onDone: () => void }) {
  const { changePassword } = useSessionChanges();
  const { field, said, submit } = useServerForm({ old: "", password: "" }, async (given) => {
    await changePassword.mutateAsync({ old: given.old, new: given.password });
    onDone();
  });
  return (
    <form onSubmit={(event) => void submit(event)} className="flex flex-col gap-4">
      <Field label="Old password" type="password" {...field("old")} />
      <Field label="New password" type="password" {...field("password")} />
      <SaidNotice said={said} />
      <Button kind="strong" type="submit">
        Change password
      </Button>
    </form>
  );
}
