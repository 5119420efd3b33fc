import { ciede2000, DAYLIGHT, spectrumToLab, type Spectrum } from '../colour/index.ts';
import { evaluateStack } from './evaluateStack.ts';
import { GENERIC_PRODUCTS } from './genericProducts.ts';
import type { Conditions, Product, Stack, StackLayer } from './stack.ts';

export interface StackCandidate {
  /** What stands under the colour and how often the colour is laid. */
  primerId: string | null;
  undercoatId: string | null;
  coats: number;
  layers: StackLayer[];
}

export interface ComparedStack extends Omit<StackCandidate, 'layers'> {
  /** dE00 between what it would look like and what is wanted; undefined where nothing is. */
  dE00: number | undefined;
  filmUm: number;
  /** Coats in all, hands-on minutes, and minutes until it can be handled with no evening lost. */
  allCoats: number;
  handsOn: number;
  elapsed: number;
  /** Paint of all layers, ml. */
  paintMl: number;
  warnings: number;
  worst: string | undefined;
}

const MOST_COATS = 8;

/** A stack with other things under its last colour: every primer and undercoat, or none, and 1 to 8 coats. */
export function stackCandidates({ layers }: Stack): StackCandidate[] {
  const colour = layers.findLast(({ kind }) => kind === 'colour');
  if (!colour) return [];
  const rest = layers.filter(({ kind }) => kind !== 'primer' && kind !== 'undercoat');
  const ofRole = (role: string): (Product | null)[] => [
    null,
    ...GENERIC_PRODUCTS.filter((product) => product.role === role),
  ];
  return ofRole('primer').flatMap((primer) =>
    ofRole('undercoat').flatMap((undercoat) =>
      Array.from({ length: MOST_COATS }, (_, at): StackCandidate => {
        const under = [primer && ground('primer', primer), undercoat && ground('undercoat', undercoat)];
        return {
          primerId: primer?.id ?? null,
          undercoatId: undercoat?.id ?? null,
          coats: at + 1,
          layers: [
            ...under.filter((layer) => layer !== null),
            ...rest.map((layer) => (layer === colour ? withCoats(colour, at + 1) : layer)),
          ],
        };
      }),
    ),
  );
}

function ground(kind: 'primer' | 'undercoat', product: Product): StackLayer {
  return { id: kind, kind, product, coats: 2, tool: 'airbrush' };
}

function withCoats(layer: StackLayer, coats: number): StackLayer {
  const { mistCoats, ...rest } = layer;
  return { ...rest, coats, ...(mistCoats ? { mistCoats: Math.min(mistCoats, coats) } : {}) };
}

/** Colour error, coats, film, time and paint of every candidate. */
export function compareStacks(
  stack: Stack,
  candidates: readonly StackCandidate[],
  wanted: Spectrum | undefined,
  conditions: Conditions,
): ComparedStack[] {
  const target = wanted && spectrumToLab(wanted, DAYLIGHT);
  return candidates.map(({ layers, ...candidate }) => {
    const result = evaluateStack({ ...stack, layers }, conditions);
    const grave = result.findings.filter(({ severity }) => severity === 'stop' || severity === 'warn');
    return {
      ...candidate,
      dE00: target && ciede2000(target, result.lab),
      filmUm: result.filmFlat.usual,
      allCoats: layers.reduce((sum, layer) => sum + (layer.product ? layer.coats : 0), 0),
      handsOn: result.handsOn,
      elapsed: result.elapsed,
      paintMl: result.layers.reduce((sum, { volume }) => sum + volume.paintMl, 0),
      warnings: grave.length,
      worst: grave[0]?.title,
    };
  });
}

/** dE00 below which two ways look the same. */
const SAME = 0.3;

export interface BestOfGround extends ComparedStack {
  /** No other ground is as near in colour with fewer coats and less time. */
  unbeaten: boolean;
}

/** For every ground, the fewest coats that come as near to the colour as it can; nearest and quickest first. */
export function bestOfGrounds(compared: readonly ComparedStack[]): BestOfGround[] {
  const grounds = new Map<string, ComparedStack[]>();
  for (const one of compared) {
    const key = `${one.primerId} ${one.undercoatId}`;
    grounds.set(key, [...(grounds.get(key) ?? []), one]);
  }
  const error = ({ dE00 = 0 }: ComparedStack) => Math.round(dE00 / SAME);
  const best = [...grounds.values()].map((ways) => {
    const nearest = Math.min(...ways.map(({ dE00 = 0 }) => dE00));
    return ways
      .filter(({ dE00 = 0 }) => dE00 <= nearest + SAME)
      .reduce((fewest, way) => (way.coats < fewest.coats ? way : fewest));
  });
  const worth = (one: ComparedStack) => [error(one), one.allCoats, one.elapsed] as const;
  const beats = (one: ComparedStack, other: ComparedStack) => {
    const [a, b] = [worth(one), worth(other)];
    return a.every((value, i) => value <= b[i]!) && a.some((value, i) => value < b[i]!);
  };
  return best
    .map((one) => ({ ...one, unbeaten: !best.some((other) => beats(other, one)) }))
    .sort((p, q) => error(p) - error(q) || p.allCoats - q.allCoats || p.elapsed - q.elapsed);
}
