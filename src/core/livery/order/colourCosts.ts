import { maskingRatesRecord, newRecord, type Kit, type MaskingRates } from '../../kit/index.ts';

/** How a colour can come onto its area. */
export const WAYS = ['spray', 'brush', 'marker', 'decal', 'foil'] as const;
export type Way = (typeof WAYS)[number];

/** Where two colours meet. */
export interface ColourBorder {
  a: string;
  b: string;
  lengthMm: number;
  /** Tightest curve along it, mm; null where nobody measured: taken for a gentle one. */
  leastRadiusMm: number | null;
  /** It follows a moulded line, which holds the knife and hides a slip. */
  moulded: boolean;
  /** On a surface that curves both ways tape puckers. */
  doubleCurve: boolean;
}

export interface LiveryColour {
  id: string;
  /** What is seen of it, cm2. */
  areaCm2: number;
  /** Hours before tape may touch it. */
  tapeAfterHours: number;
  ways: readonly Way[];
  /** Coats that it takes over each other colour, and over the shared primer; `undercoat`: with one under it. Null where
   *  that is not known: then the usual number is counted. */
  over: Readonly<Record<string, { coats: number; undercoat: boolean } | null>>;
}

/** The name under which `over` keeps the shared primer. */
export const PRIMER = 'primer';

/** Minutes of hands by which an order is weighed. */
export type LiveryRates = Omit<MaskingRates, 'id'>;

/** Those of an ordinary bench. */
export const LIVERY_RATES: LiveryRates = newRecord(maskingRatesRecord);

/** Those of a build: what the builder said, or the usual. */
export const ratesOf = ({ maskingRates }: Pick<Kit, 'maskingRates'>): LiveryRates =>
  maskingRates[0] ?? LIVERY_RATES;

/** What an edge is masked with. */
export type EdgeMask = 'edge tape' | 'narrow tape' | 'liquid mask';

export function edgeMask(border: ColourBorder, { narrowBelowMm }: LiveryRates): EdgeMask {
  if (border.doubleCurve) return 'liquid mask';
  const radius = border.leastRadiusMm ?? Infinity;
  return radius < narrowBelowMm ? 'narrow tape' : 'edge tape';
}

/** Minutes to mask one border, to keep paint from creeping under it, and to clean it afterwards. */
export function edgeMinutes(border: ColourBorder, rates: LiveryRates): number {
  const mask = edgeMask(border, rates);
  const perCm =
    mask === 'liquid mask'
      ? rates.liquidMask
      : mask === 'narrow tape'
        ? rates.curve
        : border.moulded
          ? rates.alongMoulding
          : rates.edgeTape;
  return (border.lengthMm / 10) * (perCm + rates.sealEdge + rates.cleanEdge);
}

/** Minutes to spray a colour over what lies there. */
export function sprayMinutes(colour: LiveryColour, under: string, rates: LiveryRates): number {
  const known = colour.over[under];
  const coats = (known?.coats ?? rates.usualCoats) + (known?.undercoat ? 1 : 0);
  const setUps = known?.undercoat ? 2 : 1;
  return setUps * rates.setUp + coats * (rates.coat + rates.coatArea * colour.areaCm2);
}

/** Minutes to bring a colour onto its area by hand, once the others are on; Infinity where no such way is open. */
export function byHandMinutes(
  colour: LiveryColour,
  edgeMm: number,
  rates: LiveryRates,
): { way: Way; minutes: number } {
  return colour.ways.reduce<{ way: Way; minutes: number }>(
    (best, way) => {
      if (way === 'spray') return best;
      const { begin, area, edge } = rates.byHand[way];
      const minutes = begin + area * colour.areaCm2 + (edge * edgeMm) / 10;
      return minutes < best.minutes ? { way, minutes } : best;
    },
    { way: 'brush', minutes: Infinity },
  );
}
