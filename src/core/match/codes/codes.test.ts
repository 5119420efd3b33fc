import { describe, expect, it } from 'vitest';
import { ciede2000, DAYLIGHT, recoverSpectrum, spectrumToLab, type Lab } from '../../colour/index.ts';
import {
  disagreements,
  searchCodes,
  seenSource,
  sourceUncertainty,
  targetGloss,
  withSourceInForce,
  type CodeSource,
} from '../index.ts';
import { inYears } from './searchCodes.ts';

const source = (
  provenance: CodeSource['provenance'],
  uncertainty: number,
  lab: Lab,
  more: Partial<CodeSource> = {},
): CodeSource => ({
  provenance,
  note: '',
  lab,
  uncertainty,
  inForce: false,
  ...more,
});
const GREEN = { L: 50, a: -30, b: 20 };
const inForce = (sources: CodeSource[]) => withSourceInForce(sources).findIndex((one) => one.inForce);

describe('withSourceInForce', () => {
  it('lets the surest decide, a spectrum before Lab, the newest of equals', () => {
    expect(
      inForce([source('photograph', 4.5, GREEN), source('chip', 1, GREEN), source('swatch', 2.5, GREEN)]),
    ).toBe(1);
    expect(
      inForce([source('chip', 1, GREEN, { spectrum: recoverSpectrum(GREEN) }), source('chip', 1, GREEN)]),
    ).toBe(0);
    expect(inForce([source('chip', 1, GREEN), source('chip', 1, GREEN)])).toBe(1);
  });
  it('follows the builder where one was chosen', () => {
    expect(
      inForce([source('instrument', 0.4, GREEN), source('photograph', 4.5, GREEN, { chosen: true })]),
    ).toBe(1);
  });
});

describe('disagreements', () => {
  it('measures every other source against the one in force, largest first', () => {
    const far = { L: 40, a: -25, b: 10 };
    const sources = withSourceInForce([
      source('instrument', 0.4, GREEN),
      source('restored', 1.5, { L: 50.5, a: -30, b: 20 }),
      source('photograph', 4.5, far),
    ]);
    const found = disagreements(sources, 85);
    expect(found.map((one) => one.source.provenance)).toEqual(['photograph', 'restored']);
    expect(found[0]!.dE00).toBeCloseTo(ciede2000(GREEN, far), 1);
    expect(found[0]).toMatchObject({ beyondDoubt: true, words: expect.stringMatching(/darker/) as string });
    expect(found[1]!.beyondDoubt).toBe(false);
  });
});

describe('geometry and gloss of a source', () => {
  const black = { L: 24, a: 0, b: 0 };
  const seenL = (one: CodeSource, gloss = 85) => spectrumToLab(seenSource(one, gloss), DAYLIGHT).L;

  it('takes the shine out of a reading that included it', () => {
    expect(seenL(source('instrument', 0.4, black, { geometry: 'd:8 included' }))).toBeLessThan(2);
    expect(seenL(source('instrument', 0.4, black, { geometry: '45:0' }))).toBeCloseTo(24, 1);
    expect(seenL(source('instrument', 0.4, black))).toBeCloseTo(24, 1);
  });

  it('shows a colour read on a gloss as a satin is seen, and the other way round', () => {
    const gloss = source('instrument', 0.4, { L: 10, a: 0, b: 0 }, { geometry: '45:0', gloss: 90 });
    expect(seenL(gloss, 30)).toBeGreaterThan(18);
    const satin = source('instrument', 0.4, { L: 20, a: 0, b: 0 }, { geometry: '45:0', gloss: 30 });
    expect(seenL(satin, 90)).toBeLessThan(10);
    expect(seenL(satin, 30)).toBeCloseTo(20, 1);
  });

  it('is less sure of a reading that does not say how, but not of what an eye saw or what is too dark', () => {
    const grey = { L: 40, a: 0, b: 0 };
    const sure = (one: CodeSource) => sourceUncertainty(one);
    expect(sure(source('instrument', 0.4, grey, { geometry: '45:0' }))).toBe(0.4);
    expect(sure(source('instrument', 0.4, grey))).toBeGreaterThan(1);
    expect(sure(source('photograph', 4.5, grey))).toBe(4.5);
    // Darker than the shine alone: it cannot have been included.
    expect(sure(source('instrument', 0.4, { L: 12, a: 0, b: 0 }))).toBe(0.4);
    expect(
      withSourceInForce([
        source('instrument', 0.4, grey),
        source('restored', 0.9, grey, { geometry: '45:0' }),
      ]).findIndex(({ inForce: held }) => held),
    ).toBe(1);
  });

  it('wants a satin code satin, and what was measured as it was measured', () => {
    const sources = [source('chip', 1, grey(), { inForce: true, gloss: 12 })];
    expect(targetGloss('solid', sources)).toBe(12);
    expect(targetGloss('satin', [source('chip', 1, grey(), { inForce: true })])).toBe(30);
    expect(targetGloss('solid', [])).toBe(85);
  });
  const grey = () => ({ L: 40, a: 0, b: 0 });
});

const code = (id: string, lab: Lab, name: string, years = '1957', maker = 'Tolliver') => ({
  id,
  maker,
  code: id,
  name,
  years,
  kind: 'solid',
  spectrum: recoverSpectrum(lab),
});
const CODES = [
  code('A1', { L: 30, a: -12, b: -22 }, 'Harbour'),
  code('A2', { L: 30, a: 10, b: -45 }, 'Evening'),
  code('A3', { L: 72, a: -14, b: -24 }, 'Morning'),
  code('A4', { L: 45, a: 55, b: 35 }, 'Fire', '1954-56'),
  code('A5', { L: 92, a: 0, b: 12 }, 'Blue Ribbon Cream', '1960-63', 'Pellam'),
  code('A6', { L: 50, a: -40, b: 25 }, 'Lawn', 'from 1961'),
];
const ids = (text: string, more = {}) => searchCodes(CODES, { text, ...more }).map((found) => found.code.id);

describe('searchCodes', () => {
  it.each([
    ['', ['A1', 'A2', 'A3', 'A4', 'A5', 'A6']],
    ['harb', ['A1']],
    ['blue', ['A1', 'A2', 'A3', 'A5']],
    ['dark blues', ['A1', 'A2']],
    ['greenish dark blues', ['A1']],
    ['red', ['A4']],
    ['cream', ['A5']],
    ['1955', ['A4']],
    ['1962', ['A5', 'A6']],
    ['pellam cream', ['A5']],
    ['no such thing', []],
  ])('answers "%s"', (text, expected) => {
    expect(ids(text)).toEqual(expected);
  });

  it('tells engine colours from those of the body, which a code is for where nobody said', () => {
    const of = (use: string) =>
      searchCodes([CODES[0]!, { ...CODES[1]!, use: 'engine' }], { text: '', use }).map(
        ({ code: { id } }) => id,
      );
    expect([of('body'), of('engine'), of('cabin')]).toEqual([['A1'], ['A2'], []]);
  });
  it('keeps to a maker and orders by nearness', () => {
    expect(ids('', { maker: 'Pellam' })).toEqual(['A5']);
    const near = searchCodes(CODES, { text: 'dark', near: { L: 31, a: 8, b: -40 } });
    expect(near.map((found) => found.code.id)).toEqual(['A2', 'A1']);
    expect(near[0]!.dE00).toBeLessThan(near[1]!.dE00!);
  });
});

describe('inYears', () => {
  it.each([
    ['1957', 1957, true],
    ['1957', 1958, false],
    ['1954-56', 1956, true],
    ['1954-56', 1957, false],
    ['1958–1961', 1960, true],
    ['1950, 1958-61', 1959, true],
    ['from 1960', 1975, true],
    ['', 1960, false],
  ])('of "%s" %i: %s', (years, year, expected) => {
    expect(inYears(years, year)).toBe(expected);
  });
});
