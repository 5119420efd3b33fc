import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { shelfMerge, type PaintRecord } from '../../../api/index.ts';
import { spectrumFrom } from '../../../core/colour/index.ts';
import { guessMapping, planMerge, readTable, shelfRows } from './shelfTable.ts';

const paint = (id: string, change: Partial<PaintRecord> = {}): PaintRecord => ({
  id,
  range: 'Mine',
  name: `Paint ${id}`,
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
  dropMl: null,
  strength: null,
  perDrop: 1,
  strengthDoubt: 0.08,
  dropDoubt: 0.1,
  notice: '',
  refit: null,
  levelMl: 10,
  toldAt: null,
  openedOn: '2026-01-05',
  place: 'rack',
  note: 'stir "well", long',
  discontinued: false,
  version: 4,
  k: spectrumFrom(() => 0.05),
  s: spectrumFrom(() => 0.15),
  ...change,
});
const paints = [paint('MI-1'), paint('MI-2', { levelMl: null, openedOn: null, place: '', note: '' })];
const plan = (text: string, known = paints) => {
  const table = readTable(text);
  return planMerge(table, guessMapping(table.heading), known);
};

describe('a shelf as a table', () => {
  it('comes back from its own table without a change', () => {
    expect(plan(Papa.unparse(shelfRows(paints))).map(({ kind }) => kind)).toEqual(['same', 'same']);
  });

  it('tells what would change, from what to what, and leaves alone what a row does not say', () => {
    const [one, two] = plan('Code;Left;Price;Where\nmi-1;4,5;;drawer\nMI-2;17;3.50;');
    expect(one).toMatchObject({ kind: 'changed', says: 'left 10 ml → 4.5 ml; place rack → drawer' });
    expect(one!.row).toEqual({
      paintId: 'MI-1',
      paint: undefined,
      shelf: { levelMl: 4.5, place: 'drawer' },
      change: {},
      version: 4,
    });
    expect(two!.says).toBe('left none → 17 ml; price 3.00 → 3.50');
    expect([one, two].every((line) => shelfMerge.item.isValidSync(line!.row))).toBe(true);
  });

  it('adds what is new with its colour, and says what keeps a row out', () => {
    const lines = plan(
      [
        'code,range,name,chemistry,hex,left',
        '7,Harbour,Deep Tide,lacquer,#104050,12',
        '8,Harbour,No Colour,lacquer,,',
        '9,Harbour,Odd,cheese,#102030,',
        '7,Harbour,Twin,lacquer,#104050,',
        ',Harbour,Nameless,lacquer,#104050,',
        'MI-1,,,,,a lot',
      ].join('\n'),
    );
    expect(lines[0]).toMatchObject({
      kind: 'new',
      row: { paint: { name: 'Deep Tide', hex: '#104050' }, shelf: { levelMl: 12 } },
    });
    expect(lines.slice(1).map(({ says }) => says)).toEqual([
      expect.stringMatching(/needs a colour/),
      expect.stringMatching(/"cheese" is no chemistry/),
      'the same paint stands in line 2',
      'it has no code',
      '"a lot" is no level between 0 and 5000 ml',
    ]);
    expect(lines.slice(1).every(({ kind, row }) => kind === 'problem' && row === undefined)).toBe(true);
  });

  it('does not take one range for another whose name comes to the same in plain letters', () => {
    const there = paint('12', { range: 'Море', name: 'Волна' });
    const [other, same] = plan('code,range,name,chemistry,hex\n12,Лес,Мох,lacquer,#204020\n12,Море,,,', [
      there,
    ]);
    // The id alone is the code here, as both ranges have no plain letter.
    expect(other).toMatchObject({ kind: 'new', row: { paint: { range: 'Лес', name: 'Мох' } } });
    expect(same!.name).toBe('Волна');
  });

  it('refuses a list without rows and one that is too long', () => {
    expect(() => readTable('code,name')).toThrow(/at least one paint/);
    expect(() => readTable(`code\n${'1\n'.repeat(5001)}`)).toThrow(/at most 5000/);
  });
});
