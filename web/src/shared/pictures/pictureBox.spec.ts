import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";

import { PictureBox } from "./pictureBox";

const kept = vi.hoisted(() => new Map<string, unknown>());
vi.mock("idb-keyval", () => ({
  createStore: () => "store",
  set: (key: string, value: unknown) => Promise.resolve(void kept.set(key, value)),
  del: (key: string) => Promise.resolve(void kept.delete(key)),
  entries: () => Promise.resolve([...kept.entries()]),
}));

const picture = (id: string) => ({
  id, jobId: 7, on: "engine", words: "", cleaned: false, at: "2031-05-04T12:00:00Z", file: new Blob(["x"]),
}); // prettier-ignore
const server = vi.fn<(address: string, request: { body: FormData }) => Promise<Response>>();
const ok = () => Promise.resolve(new Response("{}", { status: 200 }));

beforeEach(() => {
  kept.clear();
  vi.stubGlobal("fetch", server);
});
afterEach(() => {
  vi.unstubAllGlobals();
  server.mockReset();
});

function boxOf(person = "bench"): PictureBox {
  const box = new PictureBox();
  box.person = person;
  return box;
}

describe("pictures on their way", () => {
  it("goes at once where the server answers, and is kept no longer", async () => {
    server.mockImplementation(ok);
    const box = boxOf();
    const heard = vi.fn();
    box.onLanded = heard;
    await box.add(picture("p1"));
    expect(server.mock.calls[0]?.[0]).toBe("/api/jobs/7/pictures");
    expect(server.mock.calls[0]?.[1].body.get("id")).toBe("p1");
    expect(box.snapshot()).toEqual([]);
    expect(kept.size).toBe(0);
    expect(heard).toHaveBeenCalledWith(7);
  });

  it("waits in the browser while the server is away, over a reload, and lands once", async () => {
    server.mockRejectedValue(new TypeError("away"));
    await boxOf().add(picture("p1"));
    expect(kept.size).toBe(1);
    server.mockReset();
    server.mockImplementation(ok);
    const again = boxOf();
    await Promise.all([again.open(), again.open()]);
    expect(server).toHaveBeenCalledTimes(1);
    expect(again.snapshot()).toEqual([]);
    expect(kept.size).toBe(0);
  });

  it("says why one was refused and lets it be put away", async () => {
    server.mockResolvedValue(
      new Response(JSON.stringify({ message: "That is no picture." }), { status: 422 }),
    );
    const box = boxOf();
    await box.add(picture("p1"));
    expect(box.snapshot()[0]?.message).toBe("That is no picture.");
    await box.drop("p1");
    expect(box.snapshot()).toEqual([]);
  });

  it("leaves another person's pictures until that person is here again", async () => {
    server.mockRejectedValue(new TypeError("away"));
    await boxOf("bench").add(picture("p1"));
    server.mockReset();
    const other = boxOf("machinist");
    await other.open();
    expect(server).not.toHaveBeenCalled();
    expect(kept.size).toBe(1);
  });
});
