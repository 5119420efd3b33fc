import { describe, expect, it } from 'vitest';
import { mixable } from '../../data/mixable.ts';
import type { CodeRecord, PaintRecord } from '../../../api/index.ts';
import { DAYLIGHT, spectrumFrom, spectrumToLab } from '../../../core/colour/index.ts';
import { productIndex } from '../../../core/kit/index.ts';
import { searchRecipes } from '../../../core/match/index.ts';
import { flakeAngles, mixOptics, opaqueSpectrum, seenSurface } from '../../../core/paint/index.ts';
import { differenceIn, nearestCandidates, recipeCandidates, targetUncertainty } from './candidates.ts';

const paint = (id: string, absorb: [number, number], change: Partial<PaintRecord> = {}): PaintRecord => ({
  id,
  range: 'Mine',
  name: id,
  family: 'lacquer',
  container: 'bottle',
  role: 'colour',
  sheen: 'gloss',
  hiding: 'opaque',
  priceCents: 300,
  volumeMl: 17,
  flakeUm: null,
  provenance: 'chip',
  uncertainty: 1,
  geometry: '45:0',
  gloss: null,
  version: 1,
  dropMl: null,
  strength: null,
  perDrop: 1,
  strengthDoubt: 0.08,
  dropDoubt: 0.1,
  notice: '',
  refit: null,
  levelMl: 10,
  toldAt: null,
  openedOn: null,
  place: '',
  note: '',
  discontinued: false,
  k: spectrumFrom((nm) => 0.004 + (nm > absorb[0] && nm < absorb[1] ? 0.4 : 0)),
  s: spectrumFrom(() => 0.15),
  ...change,
});
const paints = [
  paint('yellow', [400, 490]),
  paint('red', [400, 590]),
  paint('blue', [540, 700]),
  paint('white', [0, 0]),
  paint('far', [450, 640], { levelMl: null }),
  paint('silver', [0, 0], { flakeUm: 12, role: 'metal' }),
  paint('can', [400, 590], { container: 'can' }),
  paint('primer', [0, 0], { role: 'primer' }),
];
const spectrum = opaqueSpectrum(
  mixOptics([
    { optics: paints[1]!, share: 2 },
    { optics: paints[3]!, share: 5 },
  ]),
);
const lab = spectrumToLab(spectrum, DAYLIGHT);
const code: CodeRecord = {
  id: 'x',
  maker: 'Own',
  code: 'X',
  name: 'Pink',
  years: '',
  suppliers: '',
  kind: 'solid',
  spectrum,
  gloss: 85,
  notice: '',
  version: 1,
  angles: null,
  sources: [
    { provenance: 'photograph', note: '', lab, uncertainty: 4.5, inForce: false },
    { provenance: 'instrument', note: '', lab, uncertainty: 0.4, geometry: '45:0', inForce: true },
  ],
};
const products = productIndex(paints);
const LAMP = { illuminant: 'A', observer: '2deg' } as const;

describe('mixable', () => {
  it('takes bottles of colour, flake only where the target has it, and the shelf where asked', () => {
    const ids = (kind: CodeRecord['kind'], from: 'shelf' | 'all') =>
      mixable(paints, kind, from).map(({ id }) => id);
    expect(ids('solid', 'shelf')).toEqual(['yellow', 'red', 'blue', 'white']);
    expect(ids('solid', 'all')).toContain('far');
    expect(ids('metallic', 'shelf')).toContain('silver');
  });
});

describe('candidates', () => {
  const pool = mixable(paints, 'solid', 'all');

  it('orders single paints by difference', () => {
    const found = nearestCandidates(code, pool, products, 3, [DAYLIGHT]);
    expect(found).toHaveLength(3);
    expect(found.map(({ dE00 }) => dE00)).toEqual(found.map(({ dE00 }) => dE00).sort((a, b) => a - b));
    expect(targetUncertainty(code)).toBe(0.4);
  });

  it('finds the recipe that the colour was made of and shows no set of paints twice', () => {
    const answer = searchRecipes({
      format: 'recipe-request',
      version: 1,
      paints: pool.map(({ id, k, s }) => ({ id, k, s })),
      target: { lab: [lab.L, lab.a, lab.b] },
      condition: DAYLIGHT,
      surface: seenSurface(),
      maxPaints: 3,
      maxDrops: 10,
    });
    const found = recipeCandidates(answer.best, code, products, 4, [DAYLIGHT]);
    expect(found[0]!.mix).toEqual({ red: 2, white: 5 });
    expect(found[0]!.dE00).toBeLessThan(1e-6);
    const sets = found.map(({ mix }) => Object.keys(mix).sort().join());
    expect(new Set(sets).size).toBe(sets.length);
    for (const { dE00 } of found) expect(dE00).toBeLessThan(found[0]!.dE00 + 2.6);
  });

  it('sees that a match in one light is none in another', () => {
    const flat = spectrumFrom(() => 0.3);
    const bumpy = flat.map((value, band) => value + 0.06 * Math.sin(band * 1.3));
    const shift = Math.abs(differenceIn(LAMP, bumpy, flat) - differenceIn(DAYLIGHT, bumpy, flat));
    expect(shift).toBeGreaterThan(0.01);
    expect(differenceIn(LAMP, flat, flat)).toBe(0);
  });
  it('takes only the family and sheen asked for, and the worst of several lights', () => {
    const wide = [...pool, { ...paint('matt red', [400, 590]), sheen: 'matt' as const }];
    const index = productIndex(wide);
    const found = nearestCandidates(code, wide, index, 9, [DAYLIGHT], { family: null, sheen: 'matt' });
    expect(found.map(({ mix }) => Object.keys(mix)[0])).toEqual(['matt red']);
    const [one] = nearestCandidates(code, pool, products, 1, [DAYLIGHT, LAMP]);
    expect(one!.dE00).toBe(
      Math.max(
        differenceIn(DAYLIGHT, one!.spectrum, code.spectrum),
        differenceIn(LAMP, one!.spectrum, code.spectrum),
      ),
    );
  });

  it('puts the paint with the right flake before one of the same face colour without', () => {
    const silver = paint('flaked', [400, 590], { flakeUm: 14, role: 'metal' });
    const plain = paint('plain', [400, 590]);
    const face = opaqueSpectrum(silver);
    const metallic: CodeRecord = {
      ...code,
      kind: 'metallic',
      spectrum: face,
      angles: flakeAngles(face, 12),
    };
    const both = [plain, silver];
    const found = nearestCandidates(metallic, both, productIndex(both), 2, [DAYLIGHT]);
    expect(found.map(({ mix }) => Object.keys(mix)[0])).toEqual(['flaked', 'plain']);
    expect(found[0]!.dE00).toBe(found[1]!.dE00);
    expect(found[0]!.angles!.mean).toBeLessThan(found[1]!.angles!.mean);
  });
});
