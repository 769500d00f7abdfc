/** Said wherever cautions are shown: what this program can never stand above. */
export const MAKER_FIRST = "The maker's manual, local codes and licensed practice come first.";
