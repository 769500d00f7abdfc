import { type SyntheticEvent, useState } from "react";

import { Refused } from "../../api";
import { Button, Dialog, Faults, Field } from "../../shared/ui";
import { useSession, useSessionChanges } from "./useSession";

interface Props {
  open: boolean;
  onOpenChange: (open: boolean) => void;
}

/** Change of person at a shared bench: pick a name, type the password, the page stays where it is. */
export function ChangePersonDialog({ open, onOpenChange }: Props) {
  const session = useSession().data;
  const { signIn } = useSessionChanges();
  const [name, setName] = useState("");
  const [password, setPassword] = useState("");
  const close = (next: boolean) => {
    onOpenChange(next);
    setPassword("");
    signIn.reset();
  };
  const submit = (event: SyntheticEvent) => {
    event.preventDefault();
    signIn.mutate({ name, password }, { onSuccess: () => close(false) });
  };
  return (
    <Dialog open={open} onOpenChange={close} title="Change person" note="The page stays where it is.">
      <div className="mb-4 flex flex-wrap gap-2">
        {session?.names.map((known) => (
          <Button
            key={known}
            kind={known === name ? "strong" : "plain"}
            aria-pressed={known === name}
            onClick={() => setName(known)}
          >
            {known}
          </Button>
        ))}
      </div>
      <form onSubmit={submit} className="flex flex-col gap-4">
        <Field
          label="Password"
          type="password"
          value={password}
          onChange={(e) => setPassword(e.target.value)}
        />
        <Faults error={signIn.error} />
        <Button kind="strong" type="submit" disabled={!name || signIn.isPending}>
          {name ? `Change to ${name}` : "Pick a name"}
        </Button>
      </form>
    </Dialog>
  );
}

export function PasswordDialog({ open, onOpenChange }: Props) {
  const { changePassword } = useSessionChanges();
  const [old, setOld] = useState("");
  const [fresh, setFresh] = useState("");
  const refused = changePassword.error instanceof Refused ? changePassword.error : null;
  const submit = (event: SyntheticEvent) => {
    event.preventDefault();
    changePassword.mutate({ old, new: fresh }, { onSuccess: () => onOpenChange(false) });
  };
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title="Change password">
      <form onSubmit={submit} className="flex flex-col gap-4">
        <Field
          label="Old password"
          type="password"
          value={old}
          fault={refused?.at("old")}
          onChange={(e) => setOld(e.target.value)}
        />
        <Field
          label="New password"
          type="password"
          value={fresh}
          fault={refused?.at("password")}
          onChange={(e) => setFresh(e.target.value)}
        />
        {!refused?.faults.length && <Faults error={changePassword.error} />}
        <Button kind="strong" type="submit">
          Change password
        </Button>
      </form>
    </Dialog>
  );
}
