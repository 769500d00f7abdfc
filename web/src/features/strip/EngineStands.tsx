import type { Schemas } from "../../api";
import { EngineAlong, EngineFront } from "../../shared/engine";

/** The engine as it still stands: a section from the front and one along it. Each group opens its card. */
export function EngineStands({
  drawn,
  large = false,
}: {
  drawn: Pick<Schemas["StripTold"], "shape" | "groups">;
  large?: boolean;
}) {
  const high = large ? "h-72 max-sm:h-56" : "h-40 max-sm:h-36";
  return (
    <figure
      aria-label="The engine as it stands"
      className={`flex items-center gap-2 border border-line bg-sheet p-2 ${large ? "max-md:flex-col" : ""}`}
    >
      <EngineFront
        shape={drawn.shape}
        groups={drawn.groups}
        className={`${high} w-2/5 ${large ? "max-md:w-full" : ""}`}
      />
      <EngineAlong
        shape={drawn.shape}
        groups={drawn.groups}
        className={`${high} w-3/5 ${large ? "max-md:w-full" : ""}`}
      />
    </figure>
  );
}
