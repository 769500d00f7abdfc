import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";

import { ask, client, type Schemas } from "../../api";
import { sentAs } from "../../shared/files";
import { SaidNotice, useServerForm } from "../../shared/forms";
import { Button, Faults, Field, LinkButton, Page, Section, TextArea } from "../../shared/ui";
import { useMay } from "../session";

type Shop = Schemas["ShopOut"];
const KEY = ["shop"];

/** The shop as its paper names it: name, address, a picture of its own, at the head of every print. */
export function ShopPage() {
  const shop = useQuery({ queryKey: KEY, queryFn: () => ask(client.GET("/api/shop")) });
  return (
    <Page
      title="The shop on paper"
      note="At the head of every print. What was signed or sent keeps the head it had then."
      actions={<LinkButton to="/house-rules">House rules</LinkButton>}
    >
      <Faults error={shop.error} />
      {shop.data && <Form shop={shop.data} />}
    </Page>
  );
}

function Form({ shop }: { shop: Shop }) {
  const may = useMay()("keep the house rules");
  const queries = useQueryClient();
  const keep = (kept: Shop) => queries.setQueryData(KEY, kept);
  const { form, field, said, submit } = useServerForm(
    { name: shop.name, address: shop.address },
    async (typed) => keep(await ask(client.PUT("/api/shop", { body: { ...typed, version: shop.version } }))),
    { guard: true },
  );
  const picture = useMutation({
    mutationFn: (file: File) => ask(client.POST("/api/shop/picture", sentAs(file))),
    onSuccess: keep,
  });
  const off = useMutation({
    mutationFn: () => ask(client.DELETE("/api/shop/picture")),
    onSuccess: keep,
  });
  const typed = form.watch();
  return (
    <div className="grid grid-cols-[minmax(0,26rem)_minmax(0,1fr)] gap-x-10 gap-y-6 max-lg:grid-cols-1">
      <fieldset disabled={!may} className="min-w-0">
        <form onSubmit={(event) => void submit(event)} className="flex flex-col gap-4">
          <Field label="Name of the shop" {...field("name")} />
          <TextArea label="Address, telephone, what else stands at the head" rows={5} {...field("address")} />
          <SaidNotice said={said} />
          <Button kind="strong" type="submit" disabled={!may}>
            Keep it
          </Button>
        </form>
        <Section title="Picture">
          <p className="text-quiet">A mark or a photograph, JPEG, PNG or WebP. It is printed 18 mm high.</p>
          <div className="mt-2 flex flex-wrap items-center gap-2">
            <label className="inline-flex min-h-11 cursor-pointer items-center rounded-tool border-2 border-line bg-sheet px-4 font-semibold focus-within:border-blue">
              {shop.picture ? "Another picture" : "Choose a picture"}
              <input
                type="file"
                accept="image/jpeg,image/png,image/webp"
                className="sr-only"
                disabled={!may || picture.isPending}
                onChange={(event) => {
                  const file = event.target.files?.[0];
                  if (file) picture.mutate(file);
                  event.target.value = "";
                }}
              />
            </label>
            {shop.picture && (
              <Button kind="quiet" disabled={!may} onClick={() => off.mutate()}>
                Take it off
              </Button>
            )}
          </div>
          <Faults error={picture.error ?? off.error} />
        </Section>
        {!may && <p className="mt-3 text-quiet">Only the owner changes it.</p>}
      </fieldset>
      <section aria-label="How it stands on paper">
        <h2 className="mb-2 text-xl font-semibold">How it stands on paper</h2>
        <div className="border-2 border-line bg-sheet p-6">
          {typed.name || shop.picture ? (
            <div className="flex items-center gap-4 border-b border-line pb-4">
              {shop.picture && <img src={shop.picture} alt="" className="max-h-20 max-w-56" />}
              <p className="leading-snug">
                <strong className="text-lg">{typed.name}</strong>
                <span className="block whitespace-pre-line">{typed.address}</span>
              </p>
            </div>
          ) : (
            <p className="text-quiet">Nothing stands at the head of a print yet.</p>
          )}
          <p className="mt-4 text-3xl font-semibold text-quiet">Strip report 1</p>
        </div>
      </section>
    </div>
  );
}
