import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ciede2000 } from '../colour/index.ts';
import { alikeMetals, BARE_METALS, flakeReading, GROUND_WORDS, metalLab } from './index.ts';

const byId = (id: string) => BARE_METALS.find((metal) => metal.id === id)!;
const seen = (id: string, metal = byId(id)) => ({
  id,
  name: metal.name,
  lab: metalLab(metal),
  gloss: metal.gloss,
});

describe('bare metals', () => {
  it('are some twenty-five, all physical, with a ground and a way', () => {
    expect(BARE_METALS.length).toBeGreaterThanOrEqual(25);
    expect(new Set(BARE_METALS.map(({ id }) => id)).size).toBe(BARE_METALS.length);
    for (const { spectrum, ground, how, gloss } of BARE_METALS) {
      expect(Math.min(...spectrum)).toBeGreaterThan(0.02);
      expect(Math.max(...spectrum)).toBeLessThan(1);
      expect(GROUND_WORDS[ground]).toBeTruthy();
      expect(how.length).toBeGreaterThan(10);
      expect(gloss).toBeGreaterThan(0);
    }
  });

  it('look as their names say', () => {
    const lab = (id: string) => metalLab(byId(id));
    expect(lab('copper').a).toBeGreaterThan(8);
    expect(lab('brass').b).toBeGreaterThan(20);
    expect(lab('brass').a).toBeLessThan(lab('copper').a);
    expect(lab('nickel').b).toBeGreaterThan(lab('chrome').b + 2);
    expect(lab('steel-blued').b).toBeLessThan(0);
    expect(lab('iron-cast').L).toBeLessThan(lab('aluminium-cast').L);
    expect(lab('aluminium-polished').L).toBeGreaterThan(90);
  });

  it('are told apart from each other by colour or by sheen', () => {
    BARE_METALS.forEach((first, i) =>
      BARE_METALS.slice(i + 1).forEach((second) => {
        const different =
          ciede2000(metalLab(first), metalLab(second)) > 1 || Math.abs(first.gloss - second.gloss) > 10;
        expect(different, `${first.id} and ${second.id}`).toBe(true);
      }),
    );
  });
});

describe('flakeReading', () => {
  it('scales, and never gets smoother as the flake grows or the part shrinks', () => {
    const rank = { smooth: 0, sparkle: 1, glitter: 2 };
    expect(flakeReading(20, 24, 150).fullSizeMm).toBeCloseTo(0.48, 9);
    expect(flakeReading(5, 24, 150).reads).toBe('smooth');
    expect(flakeReading(40, 24, 3).reads).toBe('glitter');
    fc.assert(
      fc.property(
        fc.double({ min: 2, max: 60, noNaN: true }),
        fc.double({ min: 1, max: 200, noNaN: true }),
        fc.double({ min: 1, max: 3, noNaN: true }),
        (flake, part, more) => {
          const now = rank[flakeReading(flake, 24, part).reads];
          expect(rank[flakeReading(flake * more, 24, part).reads]).toBeGreaterThanOrEqual(now);
          expect(rank[flakeReading(flake, 24, part / more).reads]).toBeGreaterThanOrEqual(now);
        },
      ),
    );
  });
});

describe('alikeMetals', () => {
  it('flags neighbours that read as one and offers a shade that does not', () => {
    const steel = seen('steel-new');
    const twin = { ...steel, id: 'other', name: 'bracket' };
    const found = alikeMetals(
      [steel, twin, seen('copper')],
      [
        ['steel-new', 'other'],
        ['steel-new', 'copper'],
      ],
    );
    expect(found).toHaveLength(1);
    expect(found[0]!.dE00).toBeCloseTo(0, 9);
    const { instead } = found[0]!;
    expect(ciede2000(metalLab(instead), steel.lab) >= 4 || Math.abs(instead.gloss - steel.gloss) >= 20).toBe(
      true,
    );
  });

  it('says nothing of metals that do not touch', () => {
    const steel = seen('steel-new');
    expect(alikeMetals([steel, { ...steel, id: 'other' }], [])).toEqual([]);
  });
});
