import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, fireEvent, render, screen, within } from "@testing-library/react";
import type { ReactNode } from "react";
import { afterEach, describe, expect, it, vi } from "vitest";

import { PictureStrip } from "./PictureStrip";
import { PictureView } from "./PictureView";
import type { Picture } from "./usePictures";

const box = vi.hoisted(() => ({
  all: [] as unknown[],
  waiting: [] as unknown[],
  add: vi.fn(),
  putAway: vi.fn(),
}));
vi.mock("./usePictures", () => ({ usePictures: () => box }));

const picture = (more: Partial<Picture> = {}): Picture => ({
  id: "p1", on: "half-rod-3-upper", name: "Half bearing of rod 3, upper", small: "/small", full: "/full", width: 640, height: 480,
  words: "copper through", cleaned: false, by: "bench", at: "2031-05-04T12:00:00Z", here: true, ...more,
}); // prettier-ignore
const inClient = (children: ReactNode, like: unknown[] = []) => {
  const queries = new QueryClient({ defaultOptions: { queries: { staleTime: Infinity } } });
  queries.setQueryData(["like", 7, "half-rod-3-upper", ""], like);
  render(<QueryClientProvider client={queries}>{children}</QueryClientProvider>);
};

afterEach(() => {
  cleanup();
  box.all = [];
  box.waiting = [];
  box.add.mockReset();
});

describe("the pictures of one thing", () => {
  it("are its own and those of what belongs to it", () => {
    box.all = [
      picture(),
      picture({ id: "p2", on: "R3", name: "Rod journal No. 3" }),
      picture({ id: "p3", on: "M1", name: "M1" }),
    ];
    inClient(<PictureStrip jobId={7} on="R3" name="R3" also={["half-rod-3-upper"]} />);
    expect(
      screen.getAllByRole("button", { name: /^Open/ }).map((one) => one.getAttribute("aria-label")),
    ).toEqual(["Open the picture of Half bearing of rod 3, upper", "Open the picture of Rod journal No. 3"]);
  });

  it("are added from camera or file, or dropped", () => {
    inClient(<PictureStrip jobId={7} on="R3" name="the journal" />);
    const file = new File(["x"], "IMG.jpg", { type: "image/jpeg" });
    fireEvent.change(screen.getByLabelText("Add a picture of the journal"), { target: { files: [file] } });
    fireEvent.drop(screen.getByRole("group", { name: "Pictures of the journal" }), {
      dataTransfer: { files: [file] },
    });
    expect(box.add.mock.calls.map(([on]) => on as string)).toEqual(["R3", "R3"]);
  });

  it("say that one waits, or why it was refused", () => {
    box.waiting = [
      { id: "a", on: "R3", message: "" },
      { id: "b", on: "R3", message: "That is no picture." },
    ];
    inClient(<PictureStrip jobId={7} on="R3" name="R3" />);
    expect(screen.getByText("Picture kept here, waits for the server")).toBeTruthy();
    expect(screen.getByText(/That is no picture\./)).toBeTruthy();
    fireEvent.click(screen.getByRole("button", { name: "Put away" }));
    expect(box.putAway).toHaveBeenCalledWith("b");
  });

  it("say where a file is not here", () => {
    box.all = [picture({ on: "R3", here: false })];
    inClient(<PictureStrip jobId={7} on="R3" name="R3" disabled />);
    expect(screen.getByText("file not here")).toBeTruthy();
    expect(screen.queryByLabelText(/Add a picture/)).toBeNull();
  });
});

describe("one picture large", () => {
  it("lies beside a sound one of another job", () => {
    const sound = {
      job: "41",
      title: "Locomotive 3",
      picture: picture({ id: "s", name: "Half bearing of rod 1, upper", full: "/sound" }),
    };
    inClient(<PictureView jobId={7} picture={picture()} onClose={vi.fn()} />, [sound]);
    fireEvent.click(screen.getByRole("button", { name: "Beside one of another job" }));
    const other = within(screen.getByRole("region", { name: "Pictures of other jobs" }));
    fireEvent.click(other.getByRole("button", { name: /41: Half bearing of rod 1/ }));
    expect(screen.getByText("Job 41, Locomotive 3")).toBeTruthy();
    expect(screen.getAllByRole("figure")).toHaveLength(2);
  });

  it("says where no other job has one, and when it was taken after cleaning", () => {
    inClient(<PictureView jobId={7} picture={picture({ cleaned: true })} onClose={vi.fn()} />);
    fireEvent.click(screen.getByRole("button", { name: "Beside one of another job" }));
    expect(screen.getByText("No other job holds a picture of such a part.")).toBeTruthy();
    expect(screen.getByText(/taken after cleaning/)).toBeTruthy();
    expect(screen.queryByRole("button", { name: /Take this picture back/ })).toBeNull();
  });
});
