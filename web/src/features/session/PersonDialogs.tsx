import { useState } from "react";

import { SaidNotice, useServerForm } from "../../shared/forms";
import { queue, useShownQueue } from "../../shared/queue";
import { Button, Dialog, Faults, Field } from "../../shared/ui";
import { usePerson, useSession, useSessionChanges } from "./useSession";

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

/** In the line that says the session has ended: signing in where the page is, nothing typed is lost. */
export function SignInAgain() {
  const [open, setOpen] = useState(false);
  const person = usePerson().name;
  return (
    <>
      {" "}
      <Button onClick={() => setOpen(true)}>Sign in</Button>
      <Dialog open={open} onOpenChange={setOpen} title="Sign in again" note="The page stays where it is.">
        <ChangePerson name={person} onDone={() => setOpen(false)} />
      </Dialog>
    </>
  );
}

/** Signing out while something waits here: it stays for its maker, or is sent first. */
export function SignOutDialog({ open, onOpenChange }: Props) {
  const { signOut } = useSessionChanges();
  const person = usePerson().name;
  const waiting = useShownQueue().records.filter((one) => one.by === person).length;
  return (
    <Dialog
      open={open}
      onOpenChange={onOpenChange}
      title={waiting === 1 ? "One entry waits here" : `${waiting} entries wait here`}
      note={`They have not reached the server. Kept, they go when ${person} signs in again in this browser; who else signs in sees how many, never what.`}
    >
      <div className="flex flex-wrap gap-3">
        <Button
          kind="strong"
          onClick={() => {
            queue.send();
            onOpenChange(false);
          }}
        >
          Stay and send
        </Button>
        <Button onClick={() => signOut.mutate()}>Sign out and keep them</Button>
      </div>
      <Faults error={signOut.error} />
    </Dialog>
  );
}

function ChangePerson({ onDone, name: first = "" }: { onDone: () => void; name?: string }) {
  const session = useSession().data;
  const { signIn } = useSessionChanges();
  const { form, field, said, submit } = useServerForm({ name: first, password: "" }, async (given) => {
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
        <Field label="Password" type="password" autoFocus={first !== ""} {...field("password")} />
        <SaidNotice said={said} />
        <Button kind="strong" type="submit" disabled={!name || signIn.isPending}>
          {name ? (name === first ? `Sign in as ${name}` : `Change to ${name}`) : "Pick a name"}
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
