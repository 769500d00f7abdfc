import { render, screen, waitFor } from "@testing-library/react";
import { afterEach, describe, expect, it } from "vitest";

import { clockText, dayText, longDayText, momentText, writeDates, yearText } from "./dates";
import { spellWith, withComma } from "./decimalSign";

afterEach(() => {
  spellWith(".");
  writeDates({ date_form: "4 May 2031", time_form: "16:30" });
});

// ISO 80000-1, 7.3.2 (from memory): the decimal sign is either the comma or the point on the line.
describe("numbers for whoever reads a comma", () => {
  it("are spelled with it", () => {
    expect(withComma("Least size at most 2.0312: 0.0050 under the limit 2.0362.")).toBe(
      "Least size at most 2,0312: 0,0050 under the limit 2,0362.",
    );
    expect(withComma("2.0270 to 2.0278; ±0.00017, −0.25 mm")).toBe("2,0270 to 2,0278; ±0,00017, −0,25 mm");
  });

  it.each([
    "BP-0.010",
    "10.0.0.7",
    "Rev2.1",
    "v1.2.3",
    "16:30.5",
    "https://shop/4.5",
    "No. 3.",
    "04.05.2031",
  ])("leave %s as it is", (text) => expect(withComma(text)).toBe(text));

  it("are spelled in what is drawn later too, and in what is read out; what is typed stays", async () => {
    const shown = render(
      <p aria-label="least 2.0312">
        <b>2.0312</b> <input aria-label="typed" defaultValue="2.0312" />
      </p>,
    );
    spellWith(",");
    expect(screen.getByText("2,0312")).toBeTruthy();
    expect(screen.getByLabelText("least 2,0312")).toBeTruthy();
    expect(screen.getByLabelText<HTMLInputElement>("typed").value).toBe("2.0312");
    shown.rerender(
      <p aria-label="least 2.0299">
        <b>2.0299</b>
      </p>,
    );
    await waitFor(() => expect(screen.getByText("2,0299")).toBeTruthy());
    await waitFor(() => expect(screen.getByLabelText("least 2,0299")).toBeTruthy());
  });
});

describe("dates and times as they are read", () => {
  const at = "2031-05-04T16:05:00";
  it.each([
    ["4 May 2031", "16:30", "4 May", "4 May 2031", "4 May, 16:05", "Sunday 4 May", "16:05"],
    ["04.05.2031", "16:30", "04.05.2031", "04.05.2031", "04.05.2031, 16:05", "Sunday 04.05.2031", "16:05"],
    [
      "2031-05-04",
      "4:30 pm",
      "2031-05-04",
      "2031-05-04",
      "2031-05-04, 4:05 pm",
      "Sunday 2031-05-04",
      "4:05 pm",
    ],
  ] as const)("%s, %s", (date_form, time_form, day, year, moment, long, clock) => {
    writeDates({ date_form, time_form });
    expect([dayText("2031-05-04"), yearText("2031-05-04")]).toEqual([day, year]);
    expect([momentText(at), longDayText(at), clockText(at)]).toEqual([moment, long, clock]);
  });
});
