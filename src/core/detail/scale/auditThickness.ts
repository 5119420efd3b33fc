import { nearestStock, type NearestStock } from './stockSizes.ts';

export const THIN_MATERIALS = [
  'styrene',
  'clear',
  'resin',
  'white-metal',
  'etch',
  'vinyl',
  'poly',
  'metal',
  'rubber',
  'card',
] as const;
export type ThinMaterial = (typeof THIN_MATERIALS)[number];

/** Below this an edge breaks in the hand, mm; working values, and metal bends before it breaks. */
const BRITTLE_MM: Readonly<Record<ThinMaterial, number>> = {
  styrene: 0.25,
  clear: 0.35,
  resin: 0.4,
  'white-metal': 0.4,
  etch: 0.05,
  vinyl: 0.3,
  poly: 0.3,
  metal: 0.1,
  rubber: 0.5,
  card: 0.15,
};
/** Up to so many times its thickness nobody sees it. */
const UNSEEN_TIMES = 1.5;

export const THICKNESS_WAYS = ['leave', 'thin', 'edges', 'replace'] as const;
export type ThicknessWay = (typeof THICKNESS_WAYS)[number];

export interface ThicknessAudit {
  /** The real thing at scale, mm. */
  trueMm: number;
  /** How often that goes into what was measured. */
  times: number;
  /** What would have to come off for it, mm; 0 where it is thin enough. */
  takeOffMm: number;
  /** The thinnest that holds in its material, mm. */
  leastMm: number;
  way: ThicknessWay;
  /** What it would be made from instead; absent where it is kept. */
  instead?: NearestStock & { clear: boolean };
}

interface Measured {
  measuredMm: number;
  realMm: number;
  material: ThinMaterial;
  /** Only its edge is seen. */
  edgeOnly: boolean;
}

/** What to do about a part that is thicker than the real thing, at a scale of 1 to `scale`: nothing, thin it, thin its edge by
 *  a bevel, or make it anew from what is thin enough. Throws RangeError for sizes that are not above zero. */
export function auditThickness(
  { measuredMm, realMm, material, edgeOnly }: Measured,
  scale: number,
): ThicknessAudit {
  for (const [what, mm] of [
    ['measured', measuredMm],
    ['real', realMm],
    ['scale', scale],
  ] as const)
    if (!(mm > 0 && Number.isFinite(mm)))
      throw new RangeError(`A ${what} thickness or scale of ${mm} cannot be: give more than 0.`);
  const trueMm = realMm / scale;
  const times = measuredMm / trueMm;
  const leastMm = BRITTLE_MM[material];
  const takeOffMm = Math.max(0, measuredMm - Math.max(trueMm, leastMm));
  const at = { trueMm, times, takeOffMm, leastMm };
  if (times <= UNSEEN_TIMES) return { ...at, way: 'leave' };
  if (edgeOnly && takeOffMm > 0) return { ...at, way: 'edges' };
  // Thinned as far as it holds it would still be too thick.
  if (Math.max(trueMm, leastMm) / trueMm > UNSEEN_TIMES)
    return { ...at, way: 'replace', instead: insteadOf(trueMm, material) };
  return { ...at, way: takeOffMm > 0 ? 'thin' : 'leave' };
}

/** Clear parts are made from clear sheet; others from foil where sheet is too thick. */
function insteadOf(mm: number, material: ThinMaterial): NearestStock & { clear: boolean } {
  const clear = material === 'clear';
  const sheet = nearestStock(mm, 'sheet');
  const foil = nearestStock(mm, 'foil');
  const isSheet = clear || Math.abs(Math.log(1 + sheet.off)) <= Math.abs(Math.log(1 + foil.off));
  return { ...(isSheet ? sheet : foil), clear };
}
