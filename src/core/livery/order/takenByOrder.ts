import type { EdgeMask } from './colourCosts.ts';
import type { ColourPlan } from './planColours.ts';

/** What masks and foil of an order of colours use up. */
export interface TakenByOrder {
  /** mm of each kind, every time that a mask is laid anew. */
  edges: { kind: EdgeMask; lengthMm: number }[];
  /** Film or wide tape, cm2. */
  coverCm2: number;
  foilCm2: number;
}

/** What is cut away of a leaf of foil around what stays, as a share of that. */
const FOIL_OFFCUT = 0.5;

/** What to have at hand for an order. `areaOf`: what is seen of a colour, cm2. */
export function takenByOrder(
  { stages, byHand }: Pick<ColourPlan, 'stages' | 'byHand'>,
  areaOf: (colour: string) => number,
): TakenByOrder {
  const edges = new Map<EdgeMask, number>();
  let coverCm2 = 0;
  for (const { mask, coverCm2: cover, renewals } of stages) {
    const times = Math.max(1, renewals);
    for (const { kind, lengthMm } of mask) edges.set(kind, (edges.get(kind) ?? 0) + times * lengthMm);
    coverCm2 += times * cover;
  }
  const foiled = byHand.filter(({ way }) => way === 'foil');
  return {
    edges: [...edges].map(([kind, lengthMm]) => ({ kind, lengthMm })),
    coverCm2,
    foilCm2: foiled.reduce((sum, { colour }) => sum + (1 + FOIL_OFFCUT) * areaOf(colour), 0),
  };
}
