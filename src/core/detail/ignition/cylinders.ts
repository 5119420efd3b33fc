/** mm on the model: x forward, y left, z up; the crank runs along x. */
export type Place = readonly [number, number, number];

/** How cylinders stand. A twin is a V or a line of two; a single a line of one. */
export type EngineLayout =
  | { kind: 'in-line'; cylinders: number; pitchMm: number; reachMm: number }
  /** `bankDeg`: between the banks, 180 for a flat engine. `offsetMm`: how far the right bank lies behind the left one. */
  | {
      kind: 'v';
      cylinders: number;
      bankDeg: number;
      offsetMm: number;
      pitchMm: number;
      reachMm: number;
    }
  /** In one plane round the crank, the first upright, counted clockwise as seen from the front. */
  | { kind: 'radial'; cylinders: number; reachMm: number };

/** How a maker counts the cylinders of an engine with two banks: along one and then the other, or across by turns. */
export const NUMBERINGS = ['left-bank-first', 'right-bank-first', 'left-by-turns', 'right-by-turns'] as const;
export type Numbering = (typeof NUMBERINGS)[number];

export interface Cylinder {
  number: number;
  bank: 'left' | 'right' | 'only';
  /** From the front, from 0, along its bank. */
  row: number;
  /** Where its plug sits. */
  plug: Place;
}

/** Most cylinders of any engine that is built. */
export const MOST_CYLINDERS = 28;

/** The cylinders of a layout with their plugs, in the order of their numbers. In a line they count from the front.
 *  `ownNumbers`, where there are any, count by place instead: along the left bank (or the only one) from the front, then along
 *  the right. Throws RangeError for what is no engine. */
export function cylindersOf(
  layout: EngineLayout,
  numbering: Numbering,
  ownNumbers: readonly number[] = [],
): Cylinder[] {
  requireLayout(layout);
  if (ownNumbers.length > 0) {
    const places = usuallyCounted(layout, 'left-bank-first');
    if (ownNumbers.length !== places.length || places.some(({ number }) => !ownNumbers.includes(number)))
      throw new RangeError(
        `The numbers by place are ${ownNumbers.join(', ')}: give each from 1 to ${places.length} once.`,
      );
    return places
      .map((cylinder, at) => ({ ...cylinder, number: ownNumbers[at]! }))
      .sort((p, q) => p.number - q.number);
  }
  return usuallyCounted(layout, numbering);
}

/** A firing order that is usual for a layout, in the numbers of a way of counting; undefined where none is known. */
export function usualFiringOrder(
  layout: EngineLayout,
  numbering: Numbering,
  ownNumbers: readonly number[] = [],
): number[] | undefined {
  const usual = USUAL_FIRING_ORDERS.find(
    ({ kind, cylinders }) => kind === layout.kind && cylinders === layout.cylinders,
  );
  if (!usual) return undefined;
  const places = cylindersOf(layout, 'left-bank-first');
  const counted = cylindersOf(layout, numbering, ownNumbers);
  const isAt = (one: Cylinder, other: Cylinder) => one.bank === other.bank && one.row === other.row;
  return usual.order.map((number) => {
    // In a ring every cylinder stands in the same row.
    if (layout.kind === 'radial') return ownNumbers[number - 1] ?? number;
    return counted.find((each) => isAt(each, places[number - 1]!))!.number;
  });
}

function usuallyCounted(layout: EngineLayout, numbering: Numbering): Cylinder[] {
  const { cylinders, reachMm } = layout;
  if (layout.kind === 'radial')
    return Array.from({ length: cylinders }, (_, at): Cylinder => {
      const turn = (2 * Math.PI * at) / cylinders;
      // Clockwise from the front: the left of the engine is to the right of who looks at it.
      return {
        number: at + 1,
        bank: 'only',
        row: 0,
        plug: [0, reachMm * Math.sin(turn), reachMm * Math.cos(turn)],
      };
    });
  if (layout.kind === 'in-line')
    return Array.from({ length: cylinders }, (_, at): Cylinder => ({
      number: at + 1,
      bank: 'only',
      row: at,
      plug: [-at * layout.pitchMm, 0, reachMm],
    }));
  const half = ((layout.bankDeg / 2) * Math.PI) / 180;
  const rows = cylinders / 2;
  const first = numbering.startsWith('left') ? 'left' : 'right';
  const banks = first === 'left' ? (['left', 'right'] as const) : (['right', 'left'] as const);
  return banks
    .flatMap((bank, side) =>
      Array.from({ length: rows }, (_, row): Cylinder => {
        const behind = bank === 'right' ? layout.offsetMm : 0;
        const aside = (bank === 'left' ? 1 : -1) * reachMm * Math.sin(half);
        return {
          number: numbering.endsWith('turns') ? 2 * row + side + 1 : side * rows + row + 1,
          bank,
          row,
          plug: [-row * layout.pitchMm - behind, aside, reachMm * Math.cos(half)],
        };
      }),
    )
    .sort((p, q) => p.number - q.number);
}

function requireLayout(layout: EngineLayout): void {
  const { cylinders, reachMm } = layout;
  if (!Number.isInteger(cylinders) || cylinders < 1 || cylinders > MOST_CYLINDERS)
    throw new RangeError(`An engine has 1 to ${MOST_CYLINDERS} cylinders, not ${cylinders}.`);
  if (!(reachMm > 0)) throw new RangeError(`From the crank to a plug it is more than ${reachMm} mm.`);
  if (layout.kind === 'radial') return;
  if (cylinders > 1 && !(layout.pitchMm > 0))
    throw new RangeError(`Cylinders stand behind each other by more than ${layout.pitchMm} mm.`);
  if (layout.kind !== 'v') return;
  if (cylinders % 2 !== 0) throw new RangeError(`${cylinders} cylinders make no two banks.`);
  if (!(layout.bankDeg > 0 && layout.bankDeg <= 180))
    throw new RangeError(`Between two banks there are up to 180 degrees, not ${layout.bankDeg}.`);
}

/** Firing orders that are usual for a layout, as generic facts of engineering: the builder's own source wins. Numbers of
 *  engines in two banks are by bank, the left one first. */
export const USUAL_FIRING_ORDERS: readonly {
  kind: EngineLayout['kind'];
  cylinders: number;
  order: readonly number[];
}[] = [
  { kind: 'in-line', cylinders: 1, order: [1] },
  { kind: 'in-line', cylinders: 2, order: [1, 2] },
  { kind: 'in-line', cylinders: 3, order: [1, 3, 2] },
  { kind: 'in-line', cylinders: 4, order: [1, 3, 4, 2] },
  { kind: 'in-line', cylinders: 5, order: [1, 2, 4, 5, 3] },
  { kind: 'in-line', cylinders: 6, order: [1, 5, 3, 6, 2, 4] },
  { kind: 'in-line', cylinders: 8, order: [1, 6, 2, 5, 8, 3, 7, 4] },
  { kind: 'v', cylinders: 2, order: [1, 2] },
  { kind: 'v', cylinders: 4, order: [1, 3, 2, 4] },
  { kind: 'v', cylinders: 6, order: [1, 4, 2, 5, 3, 6] },
  { kind: 'v', cylinders: 8, order: [1, 5, 4, 2, 6, 3, 7, 8] },
  { kind: 'v', cylinders: 12, order: [1, 7, 5, 11, 3, 9, 6, 12, 2, 8, 4, 10] },
  // Every second one round the crank, twice round.
  ...[3, 5, 7, 9].map((cylinders) => ({
    kind: 'radial' as const,
    cylinders,
    order: Array.from({ length: cylinders }, (_, at) => ((2 * at) % cylinders) + 1),
  })),
];
