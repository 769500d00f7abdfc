/** The choices of a description, each as a few lines in a box of 44 by 30. A choice with no drawing shows its word. */
export const CHOICE_DRAWINGS: Record<string, string> = {
  "arrangement inline": "M16 4h12v16H16zM22 24m-4 0a4 4 0 1 0 8 0a4 4 0 1 0 -8 0",
  "arrangement V": "M8 3l9 3-5 14-9-3zM36 3l-9 3 5 14 9-3zM22 24m-4 0a4 4 0 1 0 8 0a4 4 0 1 0 -8 0",
  "arrangement flat": "M2 10h13v10H2zM42 10H29v10h13zM22 15m-4 0a4 4 0 1 0 8 0a4 4 0 1 0 -8 0",
  "arrangement W": "M2 4l7 2-3 14-7-2M20 3h5v16h-5M42 4l-7 2 3 14 7-2",
  "arrangement radial":
    "M22 15m-4 0a4 4 0 1 0 8 0a4 4 0 1 0 -8 0M20 1h4v7h-4zM20 22h4v7h-4zM6 13h9v4H6zM29 13h9v4h-9z",
  "arrangement opposed pistons": "M17 1h10v28H17M17 10h10M17 20h10M12 15h20",
  "mains_in caps": "M6 4h32v9h-8a8 8 0 0 0-16 0H6zM12 16h4a6 6 0 0 0 12 0h4v8H12z",
  "mains_in caps under a girdle":
    "M6 4h32v9h-8a8 8 0 0 0-16 0H6zM12 16h4a6 6 0 0 0 12 0h4v5H12zM4 24h36v4H4z",
  "mains_in ladder of caps": "M4 4h36v8H4zM4 16h36v10H4zM13 16v10M22 16v10M31 16v10",
  "mains_in bedplate": "M4 4h36v9H28a6 6 0 0 0-12 0H4zM4 15h12a6 6 0 0 0 12 0h12v12H4z",
  "mains_in split case": "M5 4h16v22H5zM23 4h16v22H23zM22 15m-4 0a4 4 0 1 0 8 0a4 4 0 1 0 -8 0",
  "mains_in tunnel":
    "M4 3h36v24H4zM22 15m-9 0a9 9 0 1 0 18 0a9 9 0 1 0 -18 0M22 15m-4 0a4 4 0 1 0 8 0a4 4 0 1 0 -8 0",
  "crank one piece": "M2 13h7V5h6v8M15 9h6v12h-6M21 13h7V5h6v8h8",
  "crank built up on rollers":
    "M2 13h7V5h6v20H9v-8H2M27 13h-6M21 5h6v20h-6zM27 13h15M15 9h6M12 29m-2 0a2 2 0 1 0 4 0M30 2m-2 0a2 2 0 1 0 4 0",
  "rods_on_pin side by side": "M10 2h6v18h-6zM26 2h6v18h-6zM6 22h32v6H6z",
  "rods_on_pin fork and blade": "M18 2h8v10M14 12h4v14h-4zM26 12h4v14h-4zM6 22h32v6H6zM20 14h4v12h-4z",
  "rods_on_pin master and link": "M12 2h6v18h-6zM30 4l-12 16M28 3l4 3M6 22h32v6H6z",
  "cylinders_in the block or case": "M6 4h32v22H6zM14 4v16h16V4",
  "cylinders_in barrels": "M14 4v18h16V4M8 6h28M8 10h28M8 14h28M8 18h28M4 24h36",
  "liners none": "M8 4h28v22H8zM16 4v22M28 4v22",
  "liners dry": "M8 4h28v22H8zM15 4v22M17 4v22M27 4v22M29 4v22",
  "liners wet": "M4 4h36v22H4zM15 4v18M17 4v18M27 4v18M29 4v18M8 8h5v12H8zM31 8h5v12h-5z",
  "cooled_by water": "M22 3c6 8 8 11 8 15a8 8 0 0 1-16 0c0-4 2-7 8-15z",
  "cooled_by oil": "M4 10h6l4-6h16l4 6h6v14H4zM16 14h12",
  "cooled_by air": "M10 4v22M34 4v22M4 8h36M4 13h36M4 18h36M4 23h36",
  "heads one for each bank": "M4 6h36v8H4zM4 18h36v8H4z",
  "heads one for each cylinder": "M3 9h11v12H3zM17 9h11v12H17zM31 9h11v12H31z",
  "heads one for all": "M3 6h38v18H3z",
  "heads cast with the cylinders": "M12 4q10-4 20 0v22H12zM12 12h20",
  "valve_gear side valves": "M6 26V12h12v14M22 8h10M27 8v14M24 26m0 0a3 3 0 1 0 6 0a3 3 0 1 0 -6 0M4 6h36",
  "valve_gear push rods": "M12 28V6M9 6l20-2v4M29 8v10M25 18h8",
  "valve_gear overhead cam on buckets":
    "M22 7m-5 0a5 5 0 1 0 10 0a5 5 0 1 0 -10 0M15 13h14v7H15M22 20v6M17 27h10",
  "valve_gear overhead cam on fingers":
    "M26 7m-5 0a5 5 0 1 0 10 0a5 5 0 1 0 -10 0M6 15l26-2v3L6 18M10 18v9M5 27h10",
  "valve_gear overhead cam on rockers":
    "M12 20m-5 0a5 5 0 1 0 10 0a5 5 0 1 0 -10 0M8 12l26-6 1 3L12 15M33 9v16M28 26h10",
  "valve_gear ports, no valves": "M12 3h20v24H12zM12 16h5v6h-5zM32 12h-5v6h5z",
  "driven_by chain":
    "M8 8m-5 0a5 5 0 1 0 10 0a5 5 0 1 0 -10 0M34 20m-6 0a6 6 0 1 0 12 0a6 6 0 1 0 -12 0M9 3L36 14M7 13l26 13",
  "driven_by belt":
    "M8 8m-5 0a5 5 0 1 0 10 0a5 5 0 1 0 -10 0M34 20m-6 0a6 6 0 1 0 12 0a6 6 0 1 0 -12 0M9 3L37 14M6 13l26 13M14 5l-2 4M22 8l-2 4M16 18l2-4M24 22l2-4",
  "driven_by gears":
    "M13 15m-9 0a9 9 0 1 0 18 0a9 9 0 1 0 -18 0M32 15m-9 0a9 9 0 1 0 18 0a9 9 0 1 0 -18 0M22 11v8",
  "driven_by shaft": "M20 3h4v24h-4zM12 3h20l-4 4H16zM12 27h20l-4-4H16z",
  "driven_at front": "M4 6h8v18H4M12 11h28v8H12",
  "driven_at flywheel end": "M4 11h28v8H4M32 3h8v24h-8",
  "pump_at in the pan": "M4 4h36v12l-6 10H10L4 16zM18 12h8v8h-8z",
  "pump_at in the front cover, on the crank's nose":
    "M4 4h10v22H4zM9 15m-4 0a4 4 0 1 0 8 0a4 4 0 1 0 -8 0M14 11h26v8H14",
  "pump_at in the pan, by chain": "M4 12h36v6l-6 9H10l-6-9zM18 17h8v7h-8zM20 17V4M24 17V4",
  "pump_at outside, dry sump": "M12 6h28v14H12zM2 8h7v10H2M9 11h3M9 15h3",
  "firing plugs": "M18 2h8v8h-8zM16 10h12v6H16zM20 16h4v8h-4zM20 27h6",
  "firing injectors": "M19 2h6v12h-6zM20 14h4l-2 8zM14 26l-4 3M22 25v4M30 26l4 3",
  "firing plugs and injectors":
    "M8 2h8v7H8zM10 9h4v12h-4M28 2h6v10h-6zM29 12h4l-2 9zM24 26l-3 3M31 25v4M38 26l3 3",
};
