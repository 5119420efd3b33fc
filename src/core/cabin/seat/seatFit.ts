/** A seat where it stands, and what is around it; null where nobody measured. mm on the model, degrees. */
export interface SeatQuestion {
  /** Floor to the top of the cushion, at its back. */
  heightMm: number;
  /** Of the back, from upright. */
  rakeDeg: number | null;
  /** Foot of the back to the near rim of the wheel or bar, level. */
  reachMm: number | null;
  /** Its base, front to back: what a wedge lies under. */
  baseMm: number;
  /** Floor to the lining of the roof, to the lower rim of the wheel, to the top of the sill. */
  roofMm: number | null;
  wheelMm: number | null;
  sillMm: number | null;
  /** As the reference has it; null: as it stands, if that fits. */
  wantedHeightMm: number | null;
  wantedRakeDeg: number | null;
  scale: number;
}

/** A person who sits, in real mm: cushion to crown, upright; over the crown; thigh to the rim; least and most from the back to
 *  the rim; how far a cushion lies below the sill before one seems to sit in a tub. Rounded working values about a person of
 *  middling height; a driver of another size has others. */
export const SITTER = {
  crownMm: 900,
  overCrownMm: 25,
  thighMm: 150,
  reachMm: [380, 600],
  belowSillMm: 120,
  usualRakeDeg: 20,
} as const;

export const SEAT_BOUNDS = ['roof', 'wheel', 'sill'] as const;
export type SeatBoundBy = (typeof SEAT_BOUNDS)[number];

/** How high or how low the cushion may be, and what says so. */
export interface SeatBound {
  by: SeatBoundBy;
  side: 'most' | 'least';
  mm: number;
}

export interface SeatAnswer {
  bounds: SeatBound[];
  /** Heights that all bounds allow; undefined where two of them contradict. */
  range?: { least: number; most: number };
  /** The two that contradict. */
  clash?: [SeatBound, SeatBound];
  /** Bounds that the seat breaks as it stands. */
  broken: SeatBound[];
  /** To go under it, mm; below 0 to come off it. 0 where it stands right; undefined while bounds contradict. */
  packMm?: number;
  /** What is wanted lies outside the range: the height is the nearest that fits. */
  isBounded: boolean;
  /** A wedge under its front edge (above 0) or its rear edge (below 0), mm. */
  wedgeMm?: number;
  /** Forward (above 0) or back (below 0) until the wheel is in reach, mm; 0 where it is. */
  moveMm?: number;
  /** Over a head, as packed, real mm; below 0 where it does not fit. */
  headMm?: number;
}

/** Below this nobody packs a seat, mm. */
const LEAST_PACK = 0.1;

/** Height, rake and reach of a seat against roof, wheel, sill and reference. Throws RangeError for measures that are none. */
export function seatFit(question: SeatQuestion): SeatAnswer {
  const {
    heightMm,
    rakeDeg,
    reachMm,
    baseMm,
    roofMm,
    wheelMm,
    sillMm,
    wantedHeightMm,
    wantedRakeDeg,
    scale,
  } = question;
  if (!(heightMm > 0) || !(baseMm > 0) || !(scale > 0))
    throw new RangeError('A seat has a height and a base: measure both, in mm above 0.');
  const rake = ((wantedRakeDeg ?? rakeDeg ?? SITTER.usualRakeDeg) * Math.PI) / 180;
  const crownMm = (SITTER.crownMm * Math.cos(rake)) / scale;
  const bounds: SeatBound[] = [
    ...(roofMm === null
      ? []
      : [{ by: 'roof' as const, side: 'most' as const, mm: roofMm - crownMm - SITTER.overCrownMm / scale }]),
    ...(wheelMm === null
      ? []
      : [{ by: 'wheel' as const, side: 'most' as const, mm: wheelMm - SITTER.thighMm / scale }]),
    ...(sillMm === null
      ? []
      : [{ by: 'sill' as const, side: 'least' as const, mm: sillMm - SITTER.belowSillMm / scale }]),
  ];
  const most = tightest(bounds, 'most');
  const least = tightest(bounds, 'least');
  const clash: [SeatBound, SeatBound] | undefined =
    most && most.mm <= 0 ? [most, most] : most && least && least.mm > most.mm ? [least, most] : undefined;
  const broken = bounds.filter(({ side, mm }) =>
    side === 'most' ? heightMm > mm + LEAST_PACK : heightMm < mm - LEAST_PACK,
  );
  const turned = wantedRakeDeg === null || rakeDeg === null ? undefined : wantedRakeDeg - rakeDeg;
  const at = {
    bounds,
    broken,
    ...(turned === undefined ? {} : { wedgeMm: wedgeOf(turned, baseMm) }),
    ...(reachMm === null ? {} : { moveMm: moveOf(reachMm, scale) }),
  };
  if (clash) return { ...at, clash, isBounded: false };
  const [low, high] = [Math.max(0, least?.mm ?? 0), most?.mm ?? Infinity];
  const wanted = wantedHeightMm ?? heightMm;
  const height = Math.min(high, Math.max(low, wanted));
  const pack = height - heightMm;
  return {
    ...at,
    range: { least: low, most: high },
    packMm: Math.abs(pack) < LEAST_PACK ? 0 : pack,
    isBounded: wantedHeightMm !== null && Math.abs(height - wanted) >= LEAST_PACK,
    ...(roofMm === null ? {} : { headMm: (roofMm - height - crownMm) * scale }),
  };
}

function tightest(bounds: readonly SeatBound[], side: SeatBound['side']): SeatBound | undefined {
  const sign = side === 'most' ? 1 : -1;
  return bounds
    .filter((bound) => bound.side === side)
    .reduce<SeatBound | undefined>(
      (best, each) => (!best || sign * each.mm < sign * best.mm ? each : best),
      undefined,
    );
}

const wedgeOf = (turnedDeg: number, baseMm: number): number =>
  Math.abs(turnedDeg) < 1 ? 0 : baseMm * Math.tan((turnedDeg * Math.PI) / 180);

function moveOf(reachMm: number, scale: number): number {
  const [least, most] = SITTER.reachMm.map((real) => real / scale) as [number, number];
  return reachMm > most ? reachMm - most : reachMm < least ? reachMm - least : 0;
}

/** What two seats of a pair differ in, where that is seen. */
export interface SeatDifference {
  what: 'height' | 'rake' | 'reach';
  by: number;
}

/** Differences of height and reach, mm, and of rake, degrees, from which a pair looks odd; working values. */
const ODD = { height: 0.3, rake: 2, reach: 0.5 } as const;

/** What two measured seats of a pair differ in; what is measured of one only is passed over. */
export function seatsDiffer(
  one: Pick<SeatQuestion, 'heightMm' | 'rakeDeg' | 'reachMm'>,
  other: Pick<SeatQuestion, 'heightMm' | 'rakeDeg' | 'reachMm'>,
): SeatDifference[] {
  const pairs = [
    ['height', one.heightMm, other.heightMm],
    ['rake', one.rakeDeg, other.rakeDeg],
    ['reach', one.reachMm, other.reachMm],
  ] as const;
  return pairs.flatMap(([what, a, b]) => {
    if (a === null || b === null) return [];
    const by = Math.abs(a - b);
    return by >= ODD[what] - 1e-9 ? [{ what, by }] : [];
  });
}
