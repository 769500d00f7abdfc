import { lazy, Suspense, useState } from "react";

import type { MenuItem } from "./menuItem";
import { usePerson, useSessionChanges } from "./useSession";

const items = () => import("./PersonItems");
const PersonItems = lazy(items);
const TRIGGER = "min-h-11 border-2 border-line px-3 font-semibold hover:bg-tint";

/** Who is at the bench, what they can take back, and everything that belongs to the shop rather than to a job. */
export function PersonMenu({ own = [] }: { own?: readonly MenuItem[] }) {
  const person = usePerson();
  const { preferUnit } = useSessionChanges();
  const [asked, setAsked] = useState(false);
  const other = person.shown_unit === "in" ? "mm" : "in";
  const closed = (
    <button
      type="button"
      aria-haspopup="menu"
      aria-expanded={false}
      className={TRIGGER}
      onPointerEnter={() => void items()}
      onFocus={() => void items()}
      onClick={() => setAsked(true)}
    >
      {person.name} <span aria-hidden="true">▾</span>
    </button>
  );
  return (
    <>
      <button
        type="button"
        aria-label={`Sizes shown in ${person.shown_unit}. Show ${other}`}
        title={`Show sizes in ${other} (Alt+U)`}
        className="figure min-h-11 border-2 border-line px-3 font-bold hover:bg-tint"
        onClick={() => preferUnit.mutate(other)}
      >
        {person.shown_unit}
      </button>
      {asked ? (
        <Suspense fallback={closed}>
          <PersonItems className={TRIGGER} own={own} />
        </Suspense>
      ) : (
        closed
      )}
    </>
  );
}
