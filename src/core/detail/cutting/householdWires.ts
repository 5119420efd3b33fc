/** What lies in cables that every household throws away, mm: sizes of standards for conductors (IEC 60228, class 5; gauges of
 *  communication cable). A caliper knows better. */
const WIRES: readonly { name: string; leastMm: number; mostMm: number }[] = [
  { name: 'a strand of a thin charging cable', leastMm: 0.08, mostMm: 0.12 },
  { name: 'a strand of lamp cord up to 1 mm²', leastMm: 0.15, mostMm: 0.21 },
  { name: 'a strand of flexible mains cable of 1.5 to 2.5 mm²', leastMm: 0.21, mostMm: 0.26 },
  { name: 'a core of telephone cable', leastMm: 0.4, mostMm: 0.6 },
  { name: 'a core of network cable', leastMm: 0.48, mostMm: 0.55 },
  { name: 'a core of telephone or network cable in its sleeve', leastMm: 0.8, mostMm: 1 },
  { name: 'a core of doorbell wire in its sleeve', leastMm: 1.3, mostMm: 1.6 },
];
/** A caliper reads no finer. */
const WITHIN_MM = 0.02;

/** Household wires of a diameter, mm. */
export const householdWires = (mm: number): string[] =>
  WIRES.filter(({ leastMm, mostMm }) => mm >= leastMm - WITHIN_MM && mm <= mostMm + WITHIN_MM).map(
    ({ name }) => name,
  );
