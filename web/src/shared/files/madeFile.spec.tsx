import { fireEvent, render, screen, waitFor } from "@testing-library/react";
import { afterEach, describe, expect, it, vi } from "vitest";

import { MadeFile } from "./MadeFile";

afterEach(() => vi.unstubAllGlobals());

/** A body that comes piece by piece, as each is let go. */
function slowly(length: number) {
  let let_go: (piece: number | null) => void = () => undefined;
  const body = new ReadableStream({
    start(controller) {
      let_go = (piece) => (piece === null ? controller.close() : controller.enqueue(new Uint8Array(piece)));
    },
  });
  const headers = { "content-length": String(length), "content-type": "application/pdf" };
  return { answer: new Response(body, { headers }), send: (piece: number | null) => let_go(piece) };
}

describe("a file that is made when it is asked for", () => {
  it("says that it is being made, how much has come, and is kept under its own name", async () => {
    const { answer, send } = slowly(400);
    let arrive: (given: Response) => void = () => undefined;
    vi.stubGlobal("fetch", () => new Promise<Response>((resolve) => (arrive = resolve)));
    const kept: string[] = [];
    vi.spyOn(HTMLAnchorElement.prototype, "click").mockImplementation(function (this: HTMLAnchorElement) {
      kept.push(this.download);
    });
    vi.stubGlobal("URL", Object.assign(URL, { createObjectURL: () => "blob:x", revokeObjectURL: vi.fn() }));
    render(<MadeFile to="/api/jobs/7/sheet.pdf">PDF</MadeFile>);
    fireEvent.click(screen.getByRole("link", { name: "PDF" }));
    expect(screen.getByRole("link").textContent).toBe("Being made, 0 s");
    arrive(answer);
    send(100);
    await screen.findByRole("link", { name: "Coming, 25 %" });
    send(300);
    send(null);
    await waitFor(() => expect(kept).toEqual(["sheet.pdf"]));
    await screen.findByRole("link", { name: "PDF" });
  });
});
