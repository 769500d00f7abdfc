import type { FunctionComponent } from "react";

import type { Schemas } from "../../../api";
import type { Bench, Part } from "../../../shared/job";
import { BlockDrawing } from "./BlockDrawing";
import { CrankDrawing } from "./CrankDrawing";
import { RowDrawing } from "./RowDrawing";

/** What the drawing of a station is given: its parts, the one in hand, and what to do when one is picked. */
export interface StageProps {
  bench: Bench;
  parts: readonly Part[];
  selected: string;
  onSelect: (part: string) => void;
}

/** The drawing of each station, which is its menu. A station without one does not compile. */
export const STAGES: Record<Schemas["StationDrawing"], FunctionComponent<StageProps>> = {
  crank: CrankDrawing,
  block: BlockDrawing,
  row: RowDrawing,
};
