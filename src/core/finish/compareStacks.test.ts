import { describe, expect, it } from 'vitest';
import { spectrumFrom } from '../colour/index.ts';
import {
  bestOfGrounds,
  compareStacks,
  evaluateStack,
  GENERIC_PRODUCTS,
  stackCandidates,
  SUBSTRATES,
  type Stack,
} from './index.ts';

const product = (id: string) => GENERIC_PRODUCTS.find((generic) => generic.id === id)!;
const yellow = spectrumFrom((nm) => 0.08 + 0.6 / (1 + Math.exp((510 - nm) / 12)));
const stack: Stack = {
  substrate: SUBSTRATES.find(({ id }) => id === 'styrene-black')!,
  areaCm2: 150,
  scale: 24,
  layers: [
    { id: 'primer', kind: 'primer', product: product('generic-primer-grey'), coats: 2, tool: 'airbrush' },
    {
      id: 'colour',
      kind: 'colour',
      product: {
        ...product('generic-primer-grey'),
        id: 'yellow',
        name: 'Yellow',
        sheen: 'gloss',
        optics: {
          k: spectrumFrom((nm) => 0.002 + (nm < 510 ? 0.12 : 0)),
          s: spectrumFrom(() => 0.025),
        },
      },
      coats: 3,
      mistCoats: 2,
      tool: 'airbrush',
    },
    { id: 'clear', kind: 'clear', product: product('generic-clear-lacquer'), coats: 3, tool: 'airbrush' },
  ],
};
const AIR = { temperatureC: 20, humidity: 50 };

describe('comparing stacks', () => {
  const candidates = stackCandidates(stack);
  const compared = compareStacks(stack, candidates, yellow, AIR);

  it('tries every primer, undercoat and number of coats once, mist coats within them', () => {
    const keys = candidates.map(({ primerId, undercoatId, coats }) => `${primerId} ${undercoatId} ${coats}`);
    expect(new Set(keys).size).toBe(candidates.length);
    expect(candidates.length).toBeGreaterThan(150);
    for (const { layers, coats } of candidates) {
      const colour = layers.find(({ id }) => id === 'colour')!;
      expect(colour.coats).toBe(coats);
      expect(colour.mistCoats ?? 0).toBeLessThanOrEqual(coats);
      expect(layers.at(-1)!.kind).toBe('clear');
    }
  });

  it('agrees with the evaluation of the stack itself', () => {
    const at = candidates.findIndex(
      ({ primerId, undercoatId, coats }) =>
        primerId === 'generic-primer-grey' && undercoatId === null && coats === 3,
    );
    const own = evaluateStack(stack, AIR);
    expect(compared[at]).toMatchObject({
      filmUm: own.filmFlat.usual,
      elapsed: own.elapsed,
      handsOn: own.handsOn,
    });
  });

  it('finds that white brings a yellow home in fewer coats than black', () => {
    const error = (primerId: string, coats: number) =>
      compared.find((each) => each.primerId === primerId && !each.undercoatId && each.coats === coats)!.dE00!;
    expect(error('generic-primer-white', 3)).toBeLessThan(error('generic-primer-black', 3) - 3);
    // More coats bring any ground nearer to the colour's own shade.
    expect(error('generic-primer-black', 8)).toBeLessThan(error('generic-primer-black', 2));
  });

  it('names for every ground the fewest coats that come as near as it can, and which nothing beats', () => {
    const best = bestOfGrounds(compared);
    const key = ({ primerId, undercoatId }: (typeof compared)[number]) => `${primerId} ${undercoatId}`;
    expect(best.map(key).sort()).toEqual([...new Set(compared.map(key))].sort());
    for (const one of best) {
      const same = compared.filter((other) => key(other) === key(one));
      const nearest = Math.min(...same.map(({ dE00 }) => dE00!));
      expect(one.dE00!).toBeLessThanOrEqual(nearest + 0.3);
      for (const other of same)
        if (other.coats < one.coats) expect(other.dE00!).toBeGreaterThan(nearest + 0.3);
    }
    expect(best[0]!.unbeaten).toBe(true);
    expect(best.some(({ unbeaten }) => !unbeaten)).toBe(true);
    const first = Math.min(...best.map(({ dE00 }) => dE00!));
    expect(best[0]!.dE00!).toBeLessThan(first + 0.3);
  });

  it('has nothing to compare without a colour', () => {
    expect(stackCandidates({ ...stack, layers: [] })).toEqual([]);
  });
});
