import type { Bench, Part } from "../../../shared/job";
import type { Desk } from "../useDesk";

/** What the drawing of a station is given: its parts, the one in hand, and what to do when one is picked. */
export interface StageProps {
  bench: Bench;
  parts: readonly Part[];
  selected: string;
  onSelect: (part: string) => void;
}

/** What the drawing of a feature is given: the desk, and what to do when a spot is picked. */
export interface SectionProps {
  desk: Desk;
  onSpot: (spot: string) => void;
}

/** The frame of a section. */
export const FRAME = { viewBox: "0 0 340 228", className: "h-[228px] w-[340px] max-w-full" };

/** The frame of a bore's, lower on a low screen: over it lie two banks, under it more looks than under any other. */
export const LOW_FRAME = {
  ...FRAME,
  className: `${FRAME.className} min-[1280px]:[@media(max-height:820px)]:h-[184px]`,
};
