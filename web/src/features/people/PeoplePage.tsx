import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type SyntheticEvent, useState } from "react";

import { ask, client, Refused, type Schemas } from "../../api";
import { Button, Choice, Faults, Field, Page, Section } from "../../shared/ui";

type Role = Schemas["Role"];
const ROLES: readonly { value: Role; label: string }[] = [
  { value: "bench", label: "bench: books in, reads, looks" },
  { value: "machinist", label: "machinist: also drafts limits, decides, signs" },
  { value: "owner", label: "owner: also accounts, house rules, confirms limits" },
];

export function PeoplePage() {
  const people = useQuery({ queryKey: ["people"], queryFn: () => ask(client.GET("/api/people")) });
  const queries = useQueryClient();
  const change = useMutation({
    mutationFn: ({ id, ...body }: Schemas["PersonChange"] & { id: number }) =>
      ask(client.PATCH("/api/people/{person_id}", { params: { path: { person_id: id } }, body })),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["people"] }),
  });
  return (
    <Page title="Accounts" note="Name accounts by role or by person. A closed account keeps its history.">
      <Faults error={people.error ?? change.error} />
      <ul>
        {people.data?.map((person) => (
          <li
            key={person.id}
            className="grid grid-cols-[1fr_26rem_10rem] items-end gap-4 border-b border-line py-3"
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
            <Button onClick={() => change.mutate({ id: person.id, active: !person.active, password: "" })}>
              {person.active ? "Close" : "Open again"}
            </Button>
          </li>
        ))}
      </ul>
      <NewPerson />
    </Page>
  );
}

function NewPerson() {
  const [given, setGiven] = useState<Schemas["PersonIn"]>({ name: "", role: "bench", password: "" });
  const queries = useQueryClient();
  const add = useMutation({
    mutationFn: () => ask(client.POST("/api/people", { body: given })),
    onSuccess: () => {
      setGiven({ name: "", role: "bench", password: "" });
      return queries.invalidateQueries({ queryKey: ["people"] });
    },
  });
  const refused = add.error instanceof Refused ? add.error : null;
  const submit = (event: SyntheticEvent) => {
    event.preventDefault();
    add.mutate();
  };
  return (
    <Section title="Open an account">
      <form onSubmit={submit} className="grid grid-cols-[1fr_1fr_26rem_auto] items-start gap-4">
        <Field
          label="Name"
          value={given.name}
          fault={refused?.at("name")}
          onChange={(e) => setGiven({ ...given, name: e.target.value })}
        />
        <Field
          label="First password"
          type="password"
          value={given.password}
          fault={refused?.at("password")}
          onChange={(e) => setGiven({ ...given, password: e.target.value })}
        />
        <Choice
          label="Role"
          value={given.role}
          options={ROLES}
          onChange={(role) => setGiven({ ...given, role })}
        />
        <div className="pt-7">
          <Button kind="strong" type="submit">
            Open it
          </Button>
        </div>
      </form>
      {!refused?.faults.length && <Faults error={add.error} />}
    </Section>
  );
}
