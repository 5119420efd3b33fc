import loadHighs from 'highs';
import { beforeAll, describe, expect, it } from 'vitest';
import { ciede2000, DAYLIGHT, spectrumFrom, spectrumToLab, type Lab } from '../../core/colour/index.ts';
import { programmeSolver, type ProgrammeSolver } from '../../core/match/index.ts';
import { mixOptics, opaqueSpectrum } from '../../core/paint/index.ts';
import {
  planPaletteOf,
  type PalettePaint,
  type PaletteRequest,
  type PaletteTarget,
} from './planPaletteOf.ts';

const paint = (id: string, absorb: [number, number], change: Partial<PalettePaint> = {}): PalettePaint => ({
  id,
  k: spectrumFrom((nm) => 0.004 + (nm > absorb[0] && nm < absorb[1] ? 0.4 : 0)),
  s: spectrumFrom(() => 0.15),
  uncertainty: 1,
  family: 'lacquer',
  flake: false,
  owned: true,
  priceCents: 300,
  ...change,
});
const white = paint('white', [0, 0]);
const red = paint('red', [400, 590]);
const blue = paint('blue', [540, 700]);
const pink = paint('pink', [400, 590], {
  k: red.k.map((value, band) => 0.21 * value + 0.79 * white.k[band]!),
  owned: false,
  priceCents: 410,
});
const silver = paint('silver', [0, 0], { flake: true });
const colourOf = (parts: [PalettePaint, number][]): Lab =>
  spectrumToLab(opaqueSpectrum(mixOptics(parts.map(([optics, share]) => ({ optics, share })))), DAYLIGHT);
const target = (id: string, lab: Lab, change: Partial<PaletteTarget> = {}): PaletteTarget => ({
  id,
  lab,
  uncertainty: 0.4,
  tolerance: 1,
  flake: false,
  gloss: 85,
  ...change,
});
const rose = target(
  'rose',
  colourOf([
    [white, 4],
    [red, 1],
  ]),
);
const sky = target(
  'sky',
  colourOf([
    [white, 5],
    [blue, 2],
  ]),
);

describe('planPaletteOf', () => {
  let solve: ProgrammeSolver;
  beforeAll(async () => {
    solve = programmeSolver(await loadHighs());
  });
  const ask = (change: Partial<PaletteRequest>, shares: number[] = []) =>
    planPaletteOf(
      {
        targets: [rose, sky],
        paints: [white, red, blue],
        maxPaints: 3,
        maxDrops: 8,
        aim: 'fewest-bottles',
        condition: DAYLIGHT,
        ...change,
      },
      solve,
      (share) => shares.push(share),
    );

  it('finds the drops that the colours were made of, with bands, and tells how far it is', () => {
    const shares: number[] = [];
    const answer = ask({ aim: 'nearest' }, shares);
    if (answer.kind !== 'planned') throw new Error(answer.kind);
    expect(answer.plan.recipes.map(({ drops }) => drops)).toEqual([
      { white: 4, red: 1 },
      { white: 5, blue: 2 },
    ]);
    expect(answer.plan.bottles).toEqual(['blue', 'red', 'white']);
    for (const [at, { low, high, doubts }] of answer.bands.entries()) {
      expect(low).toBeLessThan(high);
      expect(answer.plan.recipes[at]!.dE00).toBeLessThan(1e-6);
      expect(doubts.length).toBeGreaterThan(2);
    }
    expect(shares.at(-1)).toBe(1);
    expect(shares).toEqual([...shares].sort((p, q) => p - q));
  });

  it('weighs a bottle bought against two owned by what is asked', () => {
    const paints = [white, red, blue, pink];
    const near = { ...target('pink', colourOf([[pink, 1]])), tolerance: 2.5 };
    const cheap = ask({ targets: [near], paints, aim: 'cheapest' });
    if (cheap.kind !== 'planned') throw new Error(cheap.kind);
    expect(cheap.plan.bought).toEqual([]);
    const few = ask({ targets: [near], paints, aim: 'fewest-bottles' });
    if (few.kind !== 'planned') throw new Error(few.kind);
    expect(few.plan.bottles).toEqual(['pink']);
    expect(few.plan.costCents).toBe(410);
  });

  it('says how near an unreachable colour comes and what is missing', () => {
    const answer = ask({ targets: [rose, target('leaf', { L: 50, a: -50, b: 40 })] });
    if (answer.kind !== 'out-of-reach') throw new Error(answer.kind);
    expect(answer.colours).toHaveLength(1);
    const [leaf] = answer.colours;
    expect(leaf!.id).toBe('leaf');
    expect(leaf!.missing).toMatch(/green/);
    const parts = Object.entries(leaf!.drops).map(([id, share]): [PalettePaint, number] => [
      [white, red, blue].find((one) => one.id === id)!,
      share,
    ]);
    expect(ciede2000({ L: 50, a: -50, b: 40 }, colourOf(parts))).toBeCloseTo(leaf!.dE00, 9);
  });

  it('says how many bottles are needed where fewer are allowed', () => {
    expect(ask({ mostBottles: 2 })).toEqual({ kind: 'too-few-bottles', fewest: 3 });
    expect(
      ask({
        targets: [target('pink', colourOf([[pink, 1]]), { tolerance: 0.01 })],
        paints: [pink],
        mostBought: 0,
      }),
    ).toEqual({
      kind: 'too-few-bottles',
      fewest: undefined,
    });
  });

  it('keeps flake out of solid colours', () => {
    const bright = { ...target('bright', colourOf([[silver, 1]])), tolerance: 1 };
    const paints = [red, blue, silver];
    expect(ask({ targets: [bright], paints }).kind).toBe('out-of-reach');
    expect(ask({ targets: [{ ...bright, flake: true }], paints }).kind).toBe('planned');
  });
});
