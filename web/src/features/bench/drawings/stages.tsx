import type { FunctionComponent } from "react";

import type { Schemas } from "../../../api";
import { BlockDrawing } from "./BlockDrawing";
import { CrankDrawing } from "./CrankDrawing";
import { PistonsDrawing } from "./PistonsDrawing";
import type { StageProps } from "./props";
import { PumpDrawing } from "./PumpDrawing";
import { RowDrawing } from "./RowDrawing";
import { ShaftLineDrawing } from "./ShaftLineDrawing";

/** The drawing of each station, which is its menu. A station without one does not compile. */
export const STAGES: Record<Schemas["StationDrawing"], FunctionComponent<StageProps>> = {
  crank: CrankDrawing,
  block: BlockDrawing,
  pistons: PistonsDrawing,
  pump: PumpDrawing,
  row: RowDrawing,
  "shaft line": ShaftLineDrawing,
};
