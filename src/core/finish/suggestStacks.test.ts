import { describe, expect, it } from 'vitest';
import {
  evaluateStack,
  FINISH_LOOKS,
  GENERIC_PRODUCTS,
  polishBudget,
  POLISH_GRADES,
  SUBSTRATES,
  suggestStacks,
  type Product,
  type Stack,
  type StackLayer,
  type StackWish,
  type SuggestedStack,
} from './index.ts';
import { recoverSpectrum } from '../colour/index.ts';
import { estimateOptics } from '../paint/index.ts';

const wish: StackWish = {
  look: 'solid',
  sheen: 'gloss',
  substrate: { kind: 'styrene', lightness: 90 },
  wanted: { L: 45, a: -20, b: -10 },
  decals: true,
  decalsOver: false,
  polish: true,
  tightFit: false,
  tool: 'airbrush',
};
const suggest = (change: Partial<StackWish> = {}) => suggestStacks({ ...wish, ...change });
const kinds = ({ layers }: SuggestedStack) => layers.map(({ kind }) => kind).join(' ');
const paint: Product = {
  id: 'mine',
  name: 'Mine',
  family: 'lacquer',
  sheen: 'gloss',
  optics: estimateOptics(recoverSpectrum({ L: 45, a: -20, b: -10 }), 'opaque'),
};
const resolved = ({ layers }: SuggestedStack, substrateId = 'styrene-white'): Stack => ({
  substrate: SUBSTRATES.find(({ id }) => id === substrateId)!,
  areaCm2: 150,
  scale: 24,
  layers: layers.map(({ kind, productId, coats, mistCoats, tool }, index): StackLayer => {
    const generic = GENERIC_PRODUCTS.find(({ id }) => id === productId);
    if (productId !== null) expect(generic, productId).toBeDefined();
    const product = generic ?? (kind === 'colour' ? paint : undefined);
    return {
      id: `${kind}-${index}`,
      kind,
      coats,
      tool,
      ...(mistCoats === undefined ? {} : { mistCoats }),
      ...(product ? { product } : {}),
    };
  }),
});

describe('suggestStacks', () => {
  it('offers every school of clear for a gloss body, each layer with its reason', () => {
    const found = suggest();
    expect(found.map(({ id }) => id)).toEqual(['lacquer', 'two-part', 'enamel', 'water', 'none']);
    expect(kinds(found[0]!)).toBe('primer colour decal clear flat polish');
    for (const stack of found)
      for (const { because } of stack.layers) expect(because.length).toBeGreaterThan(10);
    expect(kinds(suggest({ decalsOver: true })[0]!)).toBe('primer colour clear flat polish decal');
  });

  it('breaks no rule of stop or warning on its own ground, whatever is asked', () => {
    for (const look of FINISH_LOOKS) {
      for (const sheen of ['gloss', 'satin', 'matt'] as const) {
        for (const polish of [true, false]) {
          const clear = look === 'tinted glass';
          for (const stack of suggest({
            look,
            sheen,
            polish,
            substrate: { kind: clear ? 'clear' : 'styrene', lightness: 90 },
          })) {
            const { findings } = evaluateStack(resolved(stack, clear ? 'styrene-clear' : 'styrene-white'));
            const grave = findings.filter(
              ({ severity, ruleId }) =>
                severity === 'stop' || (severity === 'warn' && !ACCEPTED.has(`${look} ${ruleId}`)),
            );
            expect(grave.map(({ ruleId }) => `${look} ${stack.id} ${ruleId}`)).toEqual([]);
          }
        }
      }
    }
  });
  /** The stand-in colour hides; a transparent one is meant to let through. */
  const ACCEPTED = new Set(['tinted glass not-closed']);

  it('chooses primer by colour and plastic, and none where the fit is tight', () => {
    const primer = (change: Partial<StackWish>) =>
      suggest(change)[0]!.layers.find(({ kind }) => kind === 'primer')?.productId;
    expect(primer({ wanted: { L: 45, a: 60, b: 40 } })).toBe('generic-primer-pink');
    expect(primer({ wanted: { L: 85, a: 0, b: 15 } })).toBe('generic-primer-white');
    expect(primer({ wanted: { L: 15, a: 0, b: 0 } })).toBe('generic-primer-black');
    expect(primer({})).toBe('generic-primer-grey');
    expect(primer({ tightFit: true })).toBeUndefined();
    const dark = suggest({
      tightFit: true,
      wanted: { L: 85, a: 0, b: 15 },
      substrate: { kind: 'styrene', lightness: 25 },
    });
    expect(dark[0]!.layers[0]!.productId).toBe('generic-silver');
  });

  it('lays candy over silver or gold, and never leaves flake without clear', () => {
    const candy = suggest({ look: 'candy' });
    expect(candy.map(({ id }) => id)).toContain('lacquer, over gold');
    expect(candy.some(({ id }) => id.startsWith('none'))).toBe(false);
    for (const stack of candy) expect(kinds(stack)).toMatch(/undercoat metal colour/);
  });

  it('refuses a body colour on clear plastic', () => {
    expect(() => suggest({ substrate: { kind: 'clear', lightness: 90 } })).toThrow(
      /clear: choose tinted glass/,
    );
  });
});

describe('polishBudget', () => {
  const clear = { low: 30, usual: 40, high: 50 };
  it('leaves less after every grade, less on edges than on flats, and more from more clear', () => {
    const left = polishBudget(clear);
    const thicker = polishBudget({ low: 40, usual: 50, high: 60 });
    expect(left).toHaveLength(POLISH_GRADES.length);
    left.forEach(({ flat, edge }, at) => {
      expect(edge.usual).toBeLessThan(flat.usual);
      expect(flat.low).toBeLessThan(flat.usual);
      expect(flat.high).toBeGreaterThan(flat.usual);
      expect(thicker[at]!.edge.usual).toBeGreaterThan(edge.usual);
      if (at > 0) expect(flat.usual).toBeLessThan(left[at - 1]!.flat.usual);
    });
    expect(left.at(-1)!.flat.usual).toBeCloseTo(
      40 - POLISH_GRADES.reduce((sum, { removes }) => sum + removes.usual, 0),
      9,
    );
  });

  it('says when an edge burns through', () => {
    expect(polishBudget({ low: 80, usual: 100, high: 120 }).every(({ burn }) => burn === 'none')).toBe(true);
    const thin = polishBudget({ low: 8, usual: 12, high: 16 });
    expect(thin.at(-1)!.burn).toBe('likely');
    const worst = ['none', 'possible', 'likely'];
    thin.forEach(({ burn }, at) => {
      if (at > 0) expect(worst.indexOf(burn)).toBeGreaterThanOrEqual(worst.indexOf(thin[at - 1]!.burn));
    });
    expect(() => polishBudget({ low: -1, usual: 2, high: 3 })).toThrow(/at least zero/);
  });
});
