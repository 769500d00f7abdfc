const day = new Intl.DateTimeFormat("en-GB", { day: "numeric", month: "short" });
const dayAndYear = new Intl.DateTimeFormat("en-GB", { day: "numeric", month: "short", year: "numeric" });
const moment = new Intl.DateTimeFormat("en-GB", {
  day: "numeric",
  month: "short",
  hour: "2-digit",
  minute: "2-digit",
});

/** A date as the shop writes it: 4 May. */
export const dayText = (iso: string): string => day.format(new Date(`${iso}T00:00:00`));

/** A date that may lie in another year: 4 May 2031. */
export const yearText = (iso: string): string => dayAndYear.format(new Date(`${iso}T00:00:00`));

/** A moment: 4 May, 09:30. */
export const momentText = (iso: string): string => moment.format(new Date(iso));

/** Today in this place, as 2031-05-04. */
export function today(): string {
  const now = new Date();
  return [now.getFullYear(), now.getMonth() + 1, now.getDate()]
    .map((n) => String(n).padStart(2, "0"))
    .join("-");
}

const longDay = new Intl.DateTimeFormat("en-GB", { weekday: "long", day: "numeric", month: "long" });
const clock = new Intl.DateTimeFormat("en-GB", { hour: "2-digit", minute: "2-digit" });

/** The day of a moment: Monday 4 May. */
export const longDayText = (iso: string): string => longDay.format(new Date(iso));

/** The time of a moment: 09:30. */
export const clockText = (iso: string): string => clock.format(new Date(iso));
