import { GENERIC_PRODUCTS } from '../src/core/finish/index.ts';
import { describe, expect, it } from 'vitest';
import { ciede2000, DAYLIGHT, spectrumToLab, type Lab } from '../src/core/colour/index.ts';
import { searchRecipes } from '../src/core/match/index.ts';
import { GLOSSY, mixOptics, opaqueSpectrum } from '../src/core/paint/index.ts';
import codes from './data/codes.json';
import paints from './data/paints.json';
import pigments from './data/pigments.json';
import scenario from './data/scenario.json';
import { colourName, hueRegion } from './names.ts';
import { PIGMENTS } from './pigments.ts';

const labs = new Map(paints.map((paint) => [paint.id, spectrumToLab(opaqueSpectrum(paint), DAYLIGHT)]));
const nearest = (lab: Lab, pool: { id: string }[] = paints) =>
  Math.min(...pool.map(({ id }) => ciede2000(lab, labs.get(id)!)));

describe('the sample catalogue', () => {
  it('has about 25 pigments with plausible optics, as the generator makes them', () => {
    expect(pigments.length).toBeGreaterThanOrEqual(25);
    expect(pigments.map(({ id }) => id)).toEqual(PIGMENTS.map(({ id }) => id));
    for (const { k, s } of pigments) {
      expect(k).toHaveLength(31);
      expect(Math.min(...k)).toBeGreaterThanOrEqual(0);
      expect(Math.min(...s)).toBeGreaterThan(0);
    }
  });

  it('has about 600 paints in five ranges, each with its own id', () => {
    expect(new Set(paints.map(({ id }) => id)).size).toBe(paints.length);
    expect(paints.length).toBeGreaterThan(595);
    expect([...new Set(paints.map(({ range }) => range))].sort()).toEqual([
      'Argent Bench',
      'Brindle',
      'Carrow',
      'Kestle',
      'Oriel',
    ]);
    for (const { k, s, priceCents, volumeMl } of paints) {
      expect(k.length + s.length).toBe(62);
      expect(Math.min(...s)).toBeGreaterThan(0);
      expect(priceCents).toBeGreaterThan(0);
      expect(volumeMl).toBeGreaterThan(0);
    }
  });

  it('keeps the colours of a range apart', () => {
    const oriel = paints.filter(({ range, role }) => range === 'Oriel' && role === 'colour');
    const gaps = oriel.map(({ id }) =>
      nearest(
        labs.get(id)!,
        oriel.filter((other) => other.id !== id),
      ),
    );
    expect(Math.min(...gaps)).toBeGreaterThan(0.8);
  });

  it('has 120 codes of all kinds, near ones and hard ones', () => {
    expect(codes).toHaveLength(120);
    const kinds = new Set(codes.map(({ kind }) => kind));
    expect(kinds).toEqual(new Set(['solid', 'metallic', 'pearl', 'candy']));
    const distances = codes.map(({ spectrum }) => nearest(spectrumToLab(spectrum, DAYLIGHT)));
    expect(distances.filter((dE) => dE < 1.5).length).toBeGreaterThan(10);
    expect(distances.filter((dE) => dE > 3).length).toBeGreaterThan(10);
  });

  it('gives metallics five angles, brightest near the mirror direction', () => {
    for (const { angles, kind } of codes) {
      if (!angles) {
        expect(kind).toBe('solid');
        continue;
      }
      expect(angles.map(({ degrees }) => degrees)).toEqual([15, 25, 45, 75, 110]);
      const lightness = angles.map(({ lab }) => lab.L);
      expect(lightness).toEqual([...lightness].sort((a, b) => b - a));
    }
  });

  it('has one source in force for every code, agreeing with its spectrum', () => {
    for (const { sources, spectrum, id } of codes) {
      const force = sources.filter(({ inForce }) => inForce);
      expect(force, id).toHaveLength(1);
      expect(ciede2000(force[0]!.lab, spectrumToLab(spectrum, DAYLIGHT))).toBeLessThan(0.1);
    }
  });
});

describe('the scenario', () => {
  const paintIds = new Set(paints.map(({ id }) => id));
  const codeIds = new Set(codes.map(({ id }) => id));

  it('names only paints and codes that exist', () => {
    for (const id of scenario.shelf) expect(paintIds.has(id), id).toBe(true);
    expect(new Set(scenario.shelf).size).toBe(scenario.shelf.length);
    for (const { trays } of scenario.builds) {
      for (const { codeId, layers } of trays) {
        if (codeId !== null) expect(codeIds.has(codeId), codeId).toBe(true);
        for (const layer of layers) {
          for (const id of Object.keys(('mix' in layer ? layer.mix : undefined) ?? {}))
            expect(paintIds.has(id) || GENERIC_PRODUCTS.some((plain) => plain.id === id), id).toBe(true);
        }
      }
    }
  });

  it('has three builds in different states, each with history, and one that is finished', () => {
    expect(scenario.builds).toHaveLength(4);
    const { buildId } = scenario.earlier;
    expect(scenario.builds.some(({ id }) => id === buildId)).toBe(true);
    for (const { id } of scenario.builds.filter((build) => build.id !== buildId)) {
      expect(scenario.steps.filter(({ buildId }) => buildId === id).length).toBeGreaterThan(5);
    }
  });
});

describe('the sample colours under the optics', () => {
  const labOfCode = (id: string) => spectrumToLab(codes.find((code) => code.id === id)!.spectrum, DAYLIGHT);
  const byId = new Map(paints.map((paint) => [paint.id, paint]));
  const shelf = scenario.shelf
    .map((id) => byId.get(id)!)
    .filter(({ role, container, flakeUm }) => role === 'colour' && container === 'bottle' && !flakeUm);

  it.each([
    ['a black', 'PM-700', 12],
    ['a navy', 'TL-8800', 26],
    ['an oxblood', 'TL-9014', 28],
  ])('holds %s that the shelf matches within 1 dE', (_, id, lightest) => {
    const lab = labOfCode(id);
    expect(lab.L).toBeLessThan(lightest);
    const { best } = searchRecipes(
      {
        format: 'recipe-request',
        version: 1,
        paints: shelf.map(({ id: paint, k, s, family }) => ({ id: paint, k, s, group: family })),
        target: { lab: [lab.L, lab.a, lab.b] },
        condition: DAYLIGHT,
        surface: GLOSSY,
        maxPaints: 3,
        maxDrops: 20,
      },
      { keep: 1 },
    );
    expect(Math.min(...best.flat().map(({ dE00 }) => dE00))).toBeLessThan(1);
  });

  it('keeps the recipes that the sample builds use near their codes', () => {
    let counted = 0;
    for (const { trays } of scenario.builds) {
      for (const { codeId, layers, id } of trays) {
        const mix = layers.findLast(({ kind }) => kind === 'colour') as
          { mix?: Record<string, number> } | undefined;
        const parts = Object.entries(mix?.mix ?? {});
        if (codeId === null || parts.length === 0 || parts.some(([paint]) => !byId.has(paint))) continue;
        const seen = opaqueSpectrum(
          mixOptics(parts.map(([paint, share]) => ({ optics: byId.get(paint)!, share }))),
        );
        expect(ciede2000(spectrumToLab(seen, DAYLIGHT), labOfCode(codeId)), id).toBeLessThan(2);
        counted++;
      }
    }
    expect(counted).toBeGreaterThan(4);
  });
});

describe('made-up names', () => {
  it('suit the colour and never repeat', () => {
    expect(hueRegion({ L: 50, a: 60, b: 30 })).toBe('red');
    expect(hueRegion({ L: 60, a: -30, b: -12 })).toBe('teal');
    expect(hueRegion({ L: 95, a: 0, b: 4 })).toBe('white');
    expect(hueRegion({ L: 8, a: 1, b: 1 })).toBe('black');
    const used = new Set<string>();
    let state = 1;
    const random = () => (state = (state * 16807) % 2147483647) / 2147483647;
    for (let i = 0; i < 300; i++) colourName({ L: 50, a: 0, b: -40 }, used, random);
    expect(used.size).toBe(300);
  });
});
