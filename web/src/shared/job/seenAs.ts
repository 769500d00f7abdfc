import type { Schemas } from "../../api";

export type Seen = Omit<Schemas["Seeing"], "id" | "at">;

/** Something seen, as every page writes it down. */
export function seenAs(
  on: string,
  look: string,
  answer: string,
  more: Partial<Omit<Seen, "fact" | "on" | "look" | "answer">> = {},
): Seen {
  return {
    fact: "seen",
    on,
    look,
    answer,
    amount: "",
    spot: "",
    arc: null,
    cleaned: false,
    minutes: null,
    debris: null,
    ends: false,
    note: "",
    by_one_key: false,
    ...more,
  };
}
