import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";

import { ask, client, type Schemas } from "../../api";
import { SaidNotice, useServerForm } from "../../shared/forms";
import { Button, Choice, Dialog, Faults, Field, Notice, Page, Pick, Section } from "../../shared/ui";

type Role = Schemas["Role"];
type Person = Schemas["PersonOut"];
const ROLES: readonly { value: Role; label: string }[] = [
  { value: "bench", label: "bench: books in, reads, looks" },
  { value: "machinist", label: "machinist: also drafts limits, decides, signs" },
  { value: "owner", label: "owner: also accounts, ports, house rules" },
];

export function PeoplePage() {
  const people = useQuery({ queryKey: ["people"], queryFn: () => ask(client.GET("/api/people")) });
  const queries = useQueryClient();
  const [reset, setReset] = useState<Person>();
  const change = useMutation({
    mutationFn: ({ id, ...body }: Schemas["PersonChange"] & { id: number }) =>
      ask(client.PATCH("/api/people/{person_id}", { params: { path: { person_id: id } }, body })),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["people"] }),
  });
  const unlock = useMutation({
    mutationFn: (id: number) =>
      ask(client.POST("/api/people/{person_id}/unlock", { params: { path: { person_id: id } } })),
  });
  return (
    <Page title="Accounts" note="Name accounts by role or by person. A closed account keeps its history.">
      <Faults error={people.error ?? change.error ?? unlock.error} />
      {unlock.data && <Notice>{unlock.data.name} may try to sign in again.</Notice>}
      <ul>
        {people.data?.map((person) => (
          <li
            key={person.id}
            className="grid grid-cols-[1fr_24rem_auto] items-end gap-4 border-b border-line py-3 max-md:grid-cols-1"
          >
            <span className="pb-2 text-lg font-semibold">
              {person.name}
              {!person.active && <span className="ml-2 font-normal text-quiet">closed</span>}
            </span>
            <Choice
              label={`What ${person.name} may do`}
              value={person.role}
              options={ROLES}
              onChange={(role) => change.mutate({ id: person.id, role, password: "" })}
            />
            <span className="flex flex-wrap gap-2">
              <Button onClick={() => setReset(person)}>Set a password</Button>
              <Button onClick={() => unlock.mutate(person.id)}>Lift a lock</Button>
              <Button onClick={() => change.mutate({ id: person.id, active: !person.active, password: "" })}>
                {person.active ? "Close" : "Open again"}
              </Button>
            </span>
          </li>
        ))}
      </ul>
      <NewPerson />
      <Dialog
        open={reset !== undefined}
        onOpenChange={() => setReset(undefined)}
        title={`A new password for ${reset?.name ?? ""}`}
        note="Tell it to the person. It also lifts a lock."
      >
        {reset && (
          <NewPassword
            onKeep={async (password) => {
              await change.mutateAsync({ id: reset.id, password });
              setReset(undefined);
            }}
          />
        )}
      </Dialog>
    </Page>
  );
}

function NewPassword({ onKeep }: { onKeep: (password: string) => Promise<void> }) {
  const { field, said, submit } = useServerForm({ password: "" }, (given) => onKeep(given.password));
  return (
    <form onSubmit={(event) => void submit(event)} className="flex flex-col gap-4">
      <Field label="New password" type="password" {...field("password")} />
      <SaidNotice said={said} />
      <Button kind="strong" type="submit">
        Set it
      </Button>
    </form>
  );
}

const NOBODY: Schemas["PersonIn"] = { name: "", role: "bench", password: "" };

function NewPerson() {
  const queries = useQueryClient();
  const { form, field, said, submit } = useServerForm(
    NOBODY,
    async (given) => {
      await ask(client.POST("/api/people", { body: given }));
      await queries.invalidateQueries({ queryKey: ["people"] });
    },
    { guard: true, next: () => NOBODY },
  );
  const { isSubmitSuccessful } = form.formState;
  return (
    <Section title="Open an account">
      <form
        onSubmit={(event) => void submit(event)}
        className="grid grid-cols-[1fr_1fr_24rem_auto] items-start gap-4 max-md:grid-cols-1"
      >
        <Field label="Name" {...field("name")} />
        <Field label="First password" type="password" {...field("password")} />
        <Pick label="Role" options={ROLES} {...field("role")} />
        <div className="pt-7">
          <Button kind="strong" type="submit">
            Open it
          </Button>
        </div>
      </form>
      <SaidNotice said={said} />
      {isSubmitSuccessful && !said && <Notice>The account is open.</Notice>}
    </Section>
  );
}
