import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Link, useSearchParams } from "react-router";

import { ask, client, type Schemas } from "../../api";
import { SaidNotice, useServerForm } from "../../shared/forms";
import { Button, Faults, Field, LinkButton, Notice, Page } from "../../shared/ui";

type Customer = Schemas["CustomerOut"];

/** The customers: how each is reached, and his engines. */
export function CustomersPage() {
  const [address, setAddress] = useSearchParams();
  const search = address.get("search") ?? "";
  const customers = useQuery({
    queryKey: ["customers", search],
    queryFn: () => ask(client.GET("/api/customers", { params: { query: { search } } })),
  });
  return (
    <Page
      title="Customers"
      note="A name on a job's card is known from then on, and offered where a customer is typed."
      actions={<LinkButton to="/">The rack</LinkButton>}
    >
      <Field
        label="Search"
        type="search"
        placeholder="Name, or how the customer is reached"
        value={search}
        onChange={(event) =>
          setAddress(event.target.value ? { search: event.target.value } : {}, { replace: true })
        }
      />
      <Faults error={customers.error} />
      {customers.data?.length === 0 && (
        <Notice>{search ? "Nobody matches." : "Nobody yet: book in an engine and say whose it is."}</Notice>
      )}
      <ul className="mt-4">
        {customers.data?.map((one) => (
          <Line key={one.id} customer={one} />
        ))}
      </ul>
    </Page>
  );
}

function Line({ customer }: { customer: Customer }) {
  const queries = useQueryClient();
  const keep = useMutation({
    mutationFn: (reach: string) =>
      ask(
        client.PUT("/api/customers/{customer_id}", {
          params: { path: { customer_id: customer.id } },
          body: { reach },
        }),
      ),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["customers"] }),
  });
  const { form, field, said, submit } = useServerForm({ reach: customer.reach }, ({ reach }) =>
    keep.mutateAsync(reach),
  );
  const changed = form.watch("reach") !== customer.reach;
  return (
    <li className="grid grid-cols-[minmax(0,1fr)_minmax(0,1.4fr)] items-end gap-x-6 gap-y-1 border-b border-line py-2 max-md:grid-cols-1">
      <div className="self-center">
        <p className="text-lg font-semibold leading-tight">{customer.name}</p>
        <Link
          to={`/?search=${encodeURIComponent(customer.name)}`}
          className="inline-flex min-h-11 items-center font-semibold text-blue"
        >
          {customer.jobs} {customer.jobs === 1 ? "job" : "jobs"}
        </Link>
      </div>
      <form onSubmit={(event) => void submit(event)} className="grid grid-cols-[1fr_auto] items-end gap-2">
        <Field label={`How ${customer.name} is reached`} {...field("reach")} />
        <Button type="submit" disabled={!changed}>
          Keep
        </Button>
        <SaidNotice said={said} />
      </form>
    </li>
  );
}
