import { describe, expect, it } from 'vitest';
import { newRecord, replacementRecord, spareRecord, type Part, type Replacement } from '../../kit/index.ts';
import { plainFinish, plainPart, plainZones } from '../../kit/plainKit.ts';
import { colour, primer } from '../../finish/ruleCases.ts';
import { kitNeeds } from '../kitNeeds.ts';
import { cutList } from './cutList.ts';
import { assembleKit } from '../../kit/index.ts';
import { planOfTrap, type TrapBench } from '../advice/trapBench.ts';

const tip: Replacement = {
  ...newRecord(replacementRecord),
  id: 'r',
  name: 'Exhaust tip',
  partId: 'A1',
  shape: 'tube',
  widthMm: 2,
  wallMm: 0.25,
  lengthMm: 8,
  count: 2,
};
const bench = (part: Partial<Part>, replacements: Replacement[]): TrapBench => ({
  kit: {
    finishes: [plainFinish('red', 'gloss')],
    parts: [plainPart('A1', { areaCm2: 20, zones: plainZones('red'), ...part })],
    replacements,
  },
  trays: [{ id: 't', name: 'Pipes', partIds: ['A1'], layers: [primer, colour] }],
  joins: [],
});
const making = (given: TrapBench) => planOfTrap(given).operations.filter(({ kind }) => kind === 'make');
const said = (given: TrapBench) => planOfTrap(given).advice.filter(({ rule }) => rule === 'part-lost');

describe('a part that comes back', () => {
  it('is an evening’s step and a warning while nothing is decided', () => {
    const lost = bench({ state: 'lost' }, []);
    expect(making(lost)).toHaveLength(1);
    expect(said(lost)[0]).toMatchObject({ severity: 'warn' });
  });

  it('is a step of its own minutes once it is decided, with how it is made, and no warning more', () => {
    const made = bench({ state: 'lost' }, [{ ...tip, way: 'scratch' }]);
    const [step] = making(made);
    expect(step!.title).toMatch(/^Make exhaust tip/);
    expect(step!.details.join()).toMatch(/roll 2 mm tube/);
    expect(said(made).every(({ severity }) => severity === 'note')).toBe(true);
    const bought = bench({ state: 'lost' }, [{ ...tip, way: 'maker' }]);
    expect(making(bought)[0]!.hands).toBeLessThan(making(bench({ state: 'lost' }, []))[0]!.hands);
  });

  it('is waited for as well where it is broken, and no more once it lies there', () => {
    expect(making(bench({ state: 'cleaned' }, [{ ...tip, way: 'scratch' }]))).toHaveLength(1);
    expect(making(bench({ state: 'scratch-built' }, [{ ...tip, way: 'scratch' }]))).toEqual([]);
    expect(making(bench({ state: 'from-spares' }, [{ ...tip, way: 'spare' }]))).toEqual([]);
    expect(making(bench({ state: 'cleaned' }, []))).toEqual([]);
  });

  it('is not waited for where the version leaves it off, or it belongs to no part', () => {
    expect(making(bench({ state: 'lost', use: 'left-off' }, [{ ...tip, way: 'scratch' }]))).toEqual([]);
    expect(making(bench({ state: 'cleaned' }, [{ ...tip, partId: null, way: 'scratch' }]))).toEqual([]);
  });

  const kitOf = ({ kit }: TrapBench) => ({ ...assembleKit([]), ...kit });
  const need = (given: TrapBench, spares: string[] = []) =>
    kitNeeds({
      kit: kitOf(given),
      paints: [],
      adhesives: [],
      spares: spares.map((name) => ({ ...newRecord(spareRecord), id: name, name, count: 1 })),
      materials: [],
      scale: 24,
    }).find(({ group }) => group === 'parts');

  it('is bought, taken from the spares, or made, with its days', () => {
    const part = { state: 'lost' as const, name: 'Exhaust tip' };
    expect(need(bench(part, []))).toMatchObject({ state: 'buy' });
    expect(need(bench(part, []), ['exhaust tip'])).toMatchObject({ state: 'from spares', leadDays: 0 });
    expect(need(bench(part, [{ ...tip, way: 'maker' }]), ['exhaust tip'])).toMatchObject({
      state: 'buy',
      leadDays: 21,
    });
    expect(need(bench(part, [{ ...tip, way: 'scratch' }]))).toMatchObject({ state: 'have' });
    expect(need(bench({ ...part, state: 'scratch-built' }, [{ ...tip, way: 'scratch' }]))).toBeUndefined();
  });

  it('is not said to be made where nobody knows how, and a broken one is not called lost', () => {
    const part = { state: 'cleaned' as const, name: 'Exhaust tip' };
    const unknown = need(bench(part, [{ ...tip, widthMm: 0, way: 'scratch' }]));
    expect(unknown).toMatchObject({ state: 'buy', why: 'to be replaced; make it from stock' });
    expect(making(bench(part, [{ ...tip, way: 'maker' }]))[0]!.because).toMatch(/^It is to be replaced/);
  });

  it('asks for the sheet that it is cut from', () => {
    const plate: Replacement = {
      ...tip,
      shape: 'plate',
      lengthMm: 20,
      widthMm: 8,
      heightMm: 0.5,
      way: 'scratch',
    };
    const asked = (given: TrapBench) =>
      kitNeeds({ kit: kitOf(given), paints: [], adhesives: [], spares: [], materials: [], scale: 24 }).map(
        ({ what }) => what,
      );
    expect(asked(bench({ state: 'lost' }, [plate]))).toContain('plastic sheet, 0.5 mm');
    expect(asked(bench({ state: 'lost' }, [{ ...plate, way: 'maker' }]))).not.toContain(
      'plastic sheet, 0.5 mm',
    );
  });

  it('is cut from stock with everything else', () => {
    const groups = cutList(kitOf(bench({ state: 'lost' }, [{ ...tip, way: 'scratch' }])), 24);
    expect(groups).toMatchObject([{ wireMm: 2, pieces: [{ length: 8, count: 2 }] }]);
    expect(cutList(kitOf(bench({ state: 'lost' }, [{ ...tip, way: 'spare' }])), 24)).toEqual([]);
  });
});
