import { drillFor } from '../drills.ts';

export interface RingQuestion {
  /** Diameters of the ring that is drilled, on the model, mm. */
  outerMm: number;
  innerMm: number;
  holes: number;
  /** Circles on which they lie; holes are shared out over them as evenly as can be. */
  rows: number;
  /** Diameter of a hole on the model, mm. */
  holeMm: number;
}

export interface DrilledRing {
  /** Middles, from that of the ring, mm. */
  at: [x: number, y: number][];
  /** The thinnest that stays between two holes, or between one and an edge, mm. */
  webMm: number;
  /** To be drilled, or only marked with a needle and washed dark. */
  way: 'drill' | 'mark';
  /** Undefined where they are marked. */
  drillMm: number | undefined;
}

/** Thinner webs break out, mm. */
const LEAST_WEB_MM = 0.15;
/** Where a drill is wider than the hole by more, it is the wrong one. */
const WIDER = 1.3;

/** The holes of a brake disc or a perforated plate at scale: on circles, each turned against the next, and whether they can be
 *  drilled. Throws RangeError for a ring without width, and for holes that run into each other or over its edge. */
export function drillRing({ outerMm, innerMm, holes, rows, holeMm }: RingQuestion): DrilledRing {
  if (!(innerMm >= 0) || !(outerMm > innerMm))
    throw new RangeError(
      `A ring from ${innerMm} to ${outerMm} mm has no width: its outside is to be the larger.`,
    );
  if (!Number.isInteger(holes) || holes < 1) throw new RangeError(`${holes} holes are none: give 1 or more.`);
  if (!Number.isInteger(rows) || rows < 1 || rows > holes)
    throw new RangeError(`${holes} holes cannot lie on ${rows} circles.`);
  if (!(holeMm > 0)) throw new RangeError(`Holes of ${holeMm} mm are none: give more than 0.`);
  const [outer, inner] = [outerMm / 2, innerMm / 2];
  const step = (outer - inner) / (rows + 1);
  const at = Array.from({ length: rows }, (_, row): [number, number][] => {
    const count = Math.floor(holes / rows) + (row < holes % rows ? 1 : 0);
    const radius = inner + (row + 1) * step;
    // Each circle is turned by its share of a gap, so that holes of neighbours do not stand in line.
    const shift = row / rows;
    return Array.from({ length: count }, (__, hole): [number, number] => {
      const turn = (2 * Math.PI * (hole + shift)) / count;
      return [radius * Math.sin(turn), -radius * Math.cos(turn)];
    });
  }).flat();
  const webMm = Math.min(
    step - holeMm / 2,
    ...at.flatMap(([x, y], one) => at.slice(one + 1).map(([u, v]) => Math.hypot(x - u, y - v) - holeMm)),
  );
  if (webMm <= 0)
    throw new RangeError(
      `Holes of ${holeMm.toFixed(2)} mm run into each other or over the edge: fewer, smaller, or on other circles.`,
    );
  const drillMm = drillFor(holeMm);
  const fits =
    drillMm !== undefined && drillMm <= WIDER * holeMm && webMm - (drillMm - holeMm) >= LEAST_WEB_MM;
  return { at, webMm, way: fits ? 'drill' : 'mark', drillMm: fits ? drillMm : undefined };
}
