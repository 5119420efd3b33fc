import { describe, expect, it } from 'vitest';
import { newRecord, partRecord, wantRecord } from '../../kit/index.ts';
import { estimateOptics } from '../../paint/index.ts';
import { hexToLab, recoverSpectrum } from '../../colour/index.ts';
import { goneThings } from './gone.ts';

const paint = (id: string, hex: string, discontinued = false) => ({
  id,
  name: id.toUpperCase(),
  ...estimateOptics(recoverSpectrum(hexToLab(hex)), 'opaque'),
  family: 'lacquer' as const,
  sheen: 'gloss' as const,
  hiding: 'opaque' as const,
  container: 'bottle' as const,
  role: 'colour' as const,
  flakeUm: null,
  discontinued,
});
const used = (paintId: string, ml: number) => ({ paintId, laidMl: ml, mixedMl: 0 });
const nothing = { parts: [], wants: [] };

describe('what the next builder will not get', () => {
  const paints = [
    paint('old', '#a02020', true),
    paint('near', '#a12121'),
    paint('far', '#2020a0'),
    paint('gone', '#a02020', true),
  ];

  it('is a paint that was used and is no longer made, with the nearest that is', () => {
    const [first, ...more] = goneThings([used('old', 2), used('near', 3), used('gone', 0)], paints, nothing);
    expect(more).toEqual([]);
    expect(first!.what).toContain('OLD');
    expect(first!.instead).toMatch(/^nearest: NEAR \(near\)/);
    expect(first!.instead).not.toContain('GONE');
  });

  it('is said as well where nothing comes near, and of a paint that is in no catalogue nothing is said', () => {
    expect(goneThings([used('old', 1)], [paints[0]!], nothing)[0]!.instead).toMatch(
      /nothing in the catalogue/,
    );
    expect(goneThings([used('unknown', 1)], paints, nothing)).toEqual([]);
  });

  it('is what stood in for something, and a part that came back', () => {
    const want = {
      ...newRecord(wantRecord),
      id: 'w',
      name: 'Grey flock',
      have: false,
      substitute: 'sieved filings',
      looks: 'coarser',
    };
    const part = {
      ...newRecord(partRecord),
      id: 'p',
      number: '1',
      name: 'Mirror',
      state: 'from-spares' as const,
    };
    expect(
      goneThings([], [], {
        parts: [part, { ...part, id: 'q', state: 'cleaned' }],
        wants: [want, { ...want, id: 'x', have: true }],
      }),
    ).toEqual([
      { what: 'Grey flock is not there', instead: 'stands in: sieved filings; coarser' },
      { what: 'Mirror', instead: 'from spares, or from elsewhere' },
    ]);
  });
});
