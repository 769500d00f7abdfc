import { useState } from "react";
import { type DefaultValues, type FieldValues, type Path, type PathValue, useForm } from "react-hook-form";

import { Refused } from "../../api";
import { useLeaveGuard } from "./useLeaveGuard";

/** What the server said of a form: the refusal, and those of its faults that no field of the form shows. */
export interface Said {
  error: unknown;
  rest: readonly { where: string; what: string }[];
}

interface Options<T> {
  /** Warn before the page is left with something typed and not kept. Dialogs close by choice and do not warn. */
  guard?: boolean;
  /** Which faults a field of the page shows; the others are listed. Without it: those of the form's own values. */
  shows?: (where: string) => boolean;
  /** The page's own words for the server's field names. */
  words?: Readonly<Record<string, string>>;
  /** The values to start from once it is kept; without it what was sent stays. */
  next?: (sent: T) => T;
  /** Once it is kept and nothing typed stands open: go on to another page. */
  after?: () => void;
}

/**
 * One form: its values, where the server's faults belong, and what was typed and not kept.
 *
 * `send` gives a promise; when it is refused, each fault goes to its field, the first is brought to focus, and what no
 * field can show is told in `said`. Nothing typed is ever lost by it.
 */
export function useServerForm<T extends FieldValues>(
  start: T,
  send: (values: T) => Promise<unknown>,
  {
    guard = false,
    shows = (where) => (where.split(".")[0] ?? "") in start,
    words = {},
    next,
    after,
  }: Options<T> = {},
) {
  const form = useForm<T>({ defaultValues: start as DefaultValues<T> });
  const [said, setSaid] = useState<Said | null>(null);
  const { isDirty, isSubmitting } = form.formState;
  useLeaveGuard(guard && isDirty && !isSubmitting);

  const refuse = (error: unknown) => {
    const faults = error instanceof Refused ? error.faults : [];
    const shown = faults.filter((fault) => shows(fault.where));
    shown.forEach((fault, nth) =>
      form.setError(fault.where as Path<T>, { message: fault.what }, { shouldFocus: nth === 0 }),
    );
    const rest = faults
      .filter((fault) => !shows(fault.where))
      .map((fault) => ({ where: words[fault.where] ?? inWords(fault.where), what: fault.what }));
    setSaid({ error, rest });
  };
  // The server's faults are not rules of the form: they never stand in the way of sending it again.
  const submitWith = (change: (values: T) => T) => async (event?: React.BaseSyntheticEvent) => {
    form.clearErrors();
    await form.handleSubmit(async (values) => {
      setSaid(null);
      try {
        await send(change(values));
        form.reset(next ? next(values) : values);
        if (after) window.setTimeout(after);
      } catch (error) {
        refuse(error);
      }
    })(event);
  };
  const fault = (name: string): string | undefined =>
    form.getFieldState(name as Path<T>, form.formState).error?.message;
  /** What a field of the form needs: its registration and its fault. */
  const field = (name: Path<T>) => ({ ...form.register(name), fault: fault(name) });
  /** Change values that no registered field carries: lists, choices that bring others with them. */
  const set = (changed: Partial<T>) => {
    for (const [name, value] of Object.entries(changed))
      form.setValue(name as Path<T>, value as PathValue<T, Path<T>>, { shouldDirty: true });
  };
  /** What was said of a field is mended by typing there. */
  const mend = (name: string) => form.clearErrors(name as Path<T>);
  return { form, field, fault, set, mend, said, submit: submitWith((values) => values), submitWith };
}

/** A server's field name in words: `rods.shells.1` is "rods, shells 2". */
export function inWords(where: string): string {
  const parts = where.split(".").map((part) => (/^\d+$/.test(part) ? String(Number(part) + 1) : part));
  return parts
    .join(", ")
    .replaceAll("_", " ")
    .replace(/, (\d+)/g, " $1");
}
