/** How whoever is signed in reads dates and times. */
export interface DateForms {
  date_form: "4 May 2031" | "04.05.2031" | "2031-05-04";
  time_form: "16:30" | "4:30 pm";
}

let forms: DateForms = { date_form: "4 May 2031", time_form: "16:30" };

/** Dates and times are written so from now on. */
export const writeDates = (as: DateForms): void => {
  forms = as;
};

const two = (n: number): string => String(n).padStart(2, "0");
const IN_WORDS: Intl.DateTimeFormatOptions = { day: "numeric", month: "short" };

/** A date in words, or in figures as it is read: figures name the year always. */
function dateOf(date: Date, words: Intl.DateTimeFormatOptions): string {
  const [day, month, year] = [two(date.getDate()), two(date.getMonth() + 1), date.getFullYear()];
  if (forms.date_form === "04.05.2031") return `${day}.${month}.${year}`;
  if (forms.date_form === "2031-05-04") return `${year}-${month}-${day}`;
  return new Intl.DateTimeFormat("en-GB", words).format(date);
}

function timeOf(date: Date): string {
  const hour12 = forms.time_form === "4:30 pm";
  const hour = hour12 ? "numeric" : "2-digit";
  return new Intl.DateTimeFormat("en-GB", { hour, minute: "2-digit", hour12 }).format(date);
}

/** A date as the shop writes it: 4 May. */
export const dayText = (iso: string): string => dateOf(new Date(`${iso}T00:00:00`), IN_WORDS);

/** A date that may lie in another year: 4 May 2031. */
export const yearText = (iso: string): string =>
  dateOf(new Date(`${iso}T00:00:00`), { ...IN_WORDS, year: "numeric" });

/** A moment: 4 May, 09:30. */
export const momentText = (iso: string): string => {
  const at = new Date(iso);
  return `${dateOf(at, IN_WORDS)}, ${timeOf(at)}`;
};

/** Today in this place, as 2031-05-04. */
export function today(): string {
  const now = new Date();
  return [now.getFullYear(), two(now.getMonth() + 1), two(now.getDate())].join("-");
}

/** The day of a moment: Monday 4 May. */
export const longDayText = (iso: string): string => {
  const at = new Date(iso);
  if (forms.date_form === "4 May 2031") return dateOf(at, { weekday: "long", day: "numeric", month: "long" });
  return `${new Intl.DateTimeFormat("en-GB", { weekday: "long" }).format(at)} ${dateOf(at, {})}`;
};

/** The time of a moment: 09:30. */
export const clockText = (iso: string): string => timeOf(new Date(iso));
