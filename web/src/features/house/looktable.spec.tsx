import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { MemoryRouter } from "react-router";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";

import type { Schemas } from "../../api";
import { LookTablePage } from "./LookTablePage";

const may = vi.hoisted(() => ({ keep: true }));
vi.mock("../session", () => ({ useMay: () => () => may.keep }));

const row = (key: string, more: Partial<Schemas["LookRow"]> = {}): Schemas["LookRow"] => ({
  key, name: key, how: "", after: null, minutes: 20, minutes_vee: 30, spoils: "", harm_minutes: 2, usual: 3,
  chance: { knock: 15 }, tells: null, not_when: {}, ...more,
}); // prettier-ignore
const table: Schemas["LookTable"] = {
  confirmed: false,
  currency: "EUR",
  coins: 100,
  hour: 8_500,
  looks: [row("filter"), row("crank", { after: "filter" })],
};
const server = vi.fn<(request: Request) => Promise<Response>>();

function show() {
  const queries = new QueryClient({ defaultOptions: { queries: { staleTime: Infinity, retry: false } } });
  queries.setQueryData(["house", "looks"], { version: 3, table });
  render(
    <QueryClientProvider client={queries}>
      <MemoryRouter>
        <LookTablePage />
      </MemoryRouter>
    </QueryClientProvider>,
  );
}
const sent = async () => {
  await vi.waitFor(() => expect(server).toHaveBeenCalled());
  return (await server.mock.calls[0]?.[0].clone().json()) as { version: number; table: Schemas["LookTable"] };
};

beforeEach(() => {
  may.keep = true;
  vi.stubGlobal("fetch", server);
  server.mockImplementation(() =>
    Promise.resolve(
      new Response(JSON.stringify({ version: 4, table }), {
        headers: { "Content-Type": "application/json" },
      }),
    ),
  );
});
afterEach(() => {
  cleanup();
  server.mockReset();
  vi.unstubAllGlobals();
});

describe("the table of looks", () => {
  it("is kept with what was changed, from the version it was changed from", async () => {
    show();
    fireEvent.change(screen.getByLabelText("An hour costs"), { target: { value: "92,50" } });
    fireEvent.change(screen.getByLabelText("filter, minutes in line"), { target: { value: "25" } });
    fireEvent.change(screen.getByLabelText("crank, seized, per cent"), { target: { value: "99" } });
    fireEvent.change(screen.getByLabelText("filter, knock, per cent"), { target: { value: "" } });
    fireEvent.change(screen.getByLabelText("crank, usual per cent"), { target: { value: "lots" } });
    fireEvent.click(screen.getByRole("button", { name: "Keep the table" }));
    const body = await sent();
    expect(body.table.looks[1]?.usual).toBe(3);
    expect(body.version).toBe(3);
    expect(body.table.hour).toBe(9_250);
    expect(body.table.looks[0]?.minutes).toBe(25);
    expect(body.table.looks[0]?.chance).toEqual({});
    expect(body.table.looks[1]?.chance).toEqual({ knock: 15, seized: 99 });
    expect(await screen.findByText(/^Kept\./)).toBeTruthy();
  });

  it("is only read by who does not keep it", () => {
    may.keep = false;
    show();
    expect(screen.queryByRole("button", { name: "Keep the table" })).toBeNull();
    expect(screen.getByText("The owner keeps the table.")).toBeTruthy();
    expect(screen.getByLabelText("An hour costs").closest("fieldset")?.disabled).toBe(true);
  });

  it("says that its figures are judgement until an owner has looked", () => {
    show();
    expect(screen.getByText(/judgement, to be tuned/)).toBeTruthy();
    expect(screen.getByText("after: filter")).toBeTruthy();
  });
});
