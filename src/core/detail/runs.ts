import { drillFor } from './drills.ts';
import { STOCK_SIZES } from './scale/stockSizes.ts';

/** What is run from one part to another. */
export const RUN_KINDS = [
  'ignition-lead',
  'battery-cable',
  'control-cable',
  'brake-pipe',
  'fuel-pipe',
  'heater-hose',
  'radiator-hose',
] as const;
export type RunKind = (typeof RUN_KINDS)[number];

export interface RunFacts {
  name: string;
  /** Outside diameter of the real thing, mm: least and most. */
  realMm: readonly [number, number];
  work: 'wire' | 'plumb';
  /** Hands-on minutes for one: cut, fit, glue both ends. Working values. */
  minutes: number;
  how: string;
}

/** Usual diameters of real vehicles; a builder who has measured one says so instead. */
export const RUN_FACTS: Readonly<Record<RunKind, RunFacts>> = {
  'ignition-lead': {
    name: 'ignition lead',
    realMm: [7, 8.5],
    work: 'wire',
    minutes: 5,
    how: 'number the towers by the firing order first; cut each lead to its own length',
  },
  'battery-cable': {
    name: 'battery cable',
    realMm: [10, 13],
    work: 'wire',
    minutes: 5,
    how: 'a clamp of foil on the terminal, a sleeve of shrink tube behind it',
  },
  'control-cable': {
    name: 'control cable',
    realMm: [5, 6],
    work: 'wire',
    minutes: 6,
    how: 'wire with a metal core holds the bend; leave slack where the fork turns',
  },
  'brake-pipe': {
    name: 'brake pipe',
    realMm: [4.75, 4.75],
    work: 'plumb',
    minutes: 7,
    how: 'bend it along the frame, clamps of foil every few centimetres',
  },
  'fuel-pipe': {
    name: 'fuel pipe',
    realMm: [8, 10],
    work: 'plumb',
    minutes: 6,
    how: 'a drilled stub of tube at each end makes the union',
  },
  'heater-hose': {
    name: 'heater hose',
    realMm: [16, 19],
    work: 'plumb',
    minutes: 6,
    how: 'matt black, with a clamp of foil at each end',
  },
  'radiator-hose': {
    name: 'radiator hose',
    realMm: [32, 45],
    work: 'plumb',
    minutes: 8,
    how: 'wire inside a tube keeps the bend open; a clamp of foil at each end',
  },
};

const STOCK_MM = [...new Set([...STOCK_SIZES.wire, ...STOCK_SIZES.tube])].sort((p, q) => p - q);
/** A hole is drilled so much wider than what goes into it, mm. */
const SLIP_MM = 0.05;

export interface ScaledRun {
  /** Diameter at scale, mm: least and most. */
  scaleMm: [number, number];
  /** The wire or tube to take, mm. */
  wireMm: number;
  /** How far that is from the middle, as a share of it; negative where it is too thin. */
  off: number;
  /** Drill for its holes, mm; undefined where no pin vice has one. */
  drillMm: number | undefined;
}

/** A real diameter (mm, least and most) at a scale of 1 to `scale`, with the nearest wire or tube that is sold and the
 *  drill for its holes. Throws RangeError for a scale or a diameter that is not above zero. */
export function scaledRun([least, most]: readonly [number, number], scale: number): ScaledRun {
  if (!(scale > 0)) throw new RangeError(`1:${scale} is no scale.`);
  if (!(least > 0) || !(most >= least)) throw new RangeError(`${least} to ${most} mm is no diameter.`);
  const scaleMm: [number, number] = [least / scale, most / scale];
  const middle = (scaleMm[0] + scaleMm[1]) / 2;
  const wireMm = STOCK_MM.reduce((best, size) =>
    Math.abs(size - middle) < Math.abs(best - middle) - 1e-9 ? size : best,
  );
  return { scaleMm, wireMm, off: wireMm / middle - 1, drillMm: drillFor(wireMm + SLIP_MM) };
}
