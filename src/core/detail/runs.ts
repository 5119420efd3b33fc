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

/** Of what it is made on the model: wire that holds its bend, hose that does not, rod that is bent to its shape. */
export const RUN_MAKES = ['metal-core', 'soft', 'rod'] as const;
export type RunMake = (typeof RUN_MAKES)[number];

/** Least radius of the middle line in diameters, as it is bent without kink or crack; working values. */
export const MAKE_FACTS: Readonly<
  Record<RunMake, { name: string; short: string; bendTimes: number; tight: string }>
> = {
  'metal-core': {
    name: 'wire with a metal core',
    short: 'metal core',
    bendTimes: 1.5,
    tight: 'round a needle; nearer the insulation splits',
  },
  soft: {
    name: 'soft tube',
    short: 'soft tube',
    bendTimes: 4,
    tight: 'put a wire inside it, or it kinks there',
  },
  rod: {
    name: 'rod, bent to shape',
    short: 'bent rod',
    bendTimes: 2.5,
    tight: 'warm it there, or make it of two pieces',
  },
};

export interface RunFacts {
  name: string;
  /** Outside diameter of the real thing, mm: least and most. */
  realMm: readonly [number, number];
  work: 'wire' | 'plumb';
  /** Hands-on minutes for one: cut, fit, glue both ends. Working values. */
  minutes: number;
  how: string;
  make: RunMake;
  /** As it usually looks, where nobody knows better. */
  look: string;
}

/** Usual diameters of real vehicles; a builder who has measured one says so instead. */
export const RUN_FACTS: Readonly<Record<RunKind, RunFacts>> = {
  'ignition-lead': {
    name: 'ignition lead',
    realMm: [7, 8.5],
    work: 'wire',
    minutes: 5,
    how: 'number the towers by the firing order first; cut each lead to its own length',
    make: 'metal-core',
    look: 'black, satin',
  },
  'battery-cable': {
    name: 'battery cable',
    realMm: [10, 13],
    work: 'wire',
    minutes: 5,
    how: 'a clamp of foil on the terminal, a sleeve of shrink tube behind it',
    make: 'metal-core',
    look: 'black, satin; red to the starter',
  },
  'control-cable': {
    name: 'control cable',
    realMm: [5, 6],
    work: 'wire',
    minutes: 6,
    how: 'wire with a metal core holds the bend; leave slack where the fork turns',
    make: 'metal-core',
    look: 'black, satin',
  },
  'brake-pipe': {
    name: 'brake pipe',
    realMm: [4.75, 4.75],
    work: 'plumb',
    minutes: 7,
    how: 'bend it along the frame, clamps of foil every few centimetres',
    make: 'rod',
    look: 'dull steel or copper',
  },
  'fuel-pipe': {
    name: 'fuel pipe',
    realMm: [8, 10],
    work: 'plumb',
    minutes: 6,
    how: 'a drilled stub of tube at each end makes the union',
    make: 'rod',
    look: 'dull steel; rubber matt black',
  },
  'heater-hose': {
    name: 'heater hose',
    realMm: [16, 19],
    work: 'plumb',
    minutes: 6,
    how: 'a clamp of foil at each end',
    make: 'soft',
    look: 'black, matt',
  },
  'radiator-hose': {
    name: 'radiator hose',
    realMm: [32, 45],
    work: 'plumb',
    minutes: 8,
    how: 'wire inside a tube keeps the bend open; a clamp of foil at each end',
    make: 'soft',
    look: 'black, matt',
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
