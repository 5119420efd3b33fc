/** Drills of a pin vice, mm: twentieths up to one, tenths beyond. */
export const DRILLS: readonly number[] = [
  ...Array.from({ length: 15 }, (_, at) => (30 + 5 * at) / 100),
  ...Array.from({ length: 61 }, (_, at) => (10 + at) / 10),
].filter((size, at, all) => all.indexOf(size) === at);

/** The next drill of a pin vice at or above a diameter, mm; undefined above the largest. */
export const drillFor = (mm: number): number | undefined => DRILLS.find((size) => size >= mm - 1e-9);
