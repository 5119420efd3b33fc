import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { plainPart } from '../plainKit.ts';
import { lastNumber, readSheet, readSheetLine, sheetLine } from './readSheetLine.ts';

const parts = [
  plainPart('C1', { name: 'Block, left' }),
  plainPart('C5', { name: 'Carburettor' }),
  plainPart('C6', { name: 'Air cleaner' }),
  plainPart('C7', { name: 'Fan' }),
  plainPart('F2', { name: 'Cowl' }),
  plainPart('F3', { name: 'Shift lever' }),
  plainPart('F4', { name: 'Door' }),
  plainPart('F5', { name: 'Door' }),
];
const byId = new Map(parts.map((part) => [part.id, part]));
const read = (line: string) => readSheetLine(line, parts, 6);

describe('a line of the sheet', () => {
  it('is read as it is read aloud', () => {
    const { step, named, problem } = read('7: C5 C6 > C1, drill F2 hole, paint X11');
    expect(step).toEqual({
      number: '7',
      placements: [{ partIds: ['C5', 'C6'], ontoIds: ['C1'] }],
      absent: [],
      drill: 'F2 hole',
      cut: '',
      colour: 'X11',
      marking: '',
      note: '',
    });
    expect(named.map(({ said, part }) => [said, part?.name])).toEqual([
      ['C5', 'Carburettor'],
      ['C6', 'Air cleaner'],
      ['C1', 'Block, left'],
    ]);
    expect(problem).toBeNull();
  });

  it.each([
    ['step 7. c5 + c6 -> c1'],
    ['7) C5, C6 onto C1'],
    ['7: C5-C6 to C1'],
    ['7: C5–6 → C1'],
    ['7: 2x C5 and C6 x2 on C1'],
    ['7: fit C-5 & C 6'.replace('C 6', 'C6 > C1')],
    ['7: Carburettor, Air cleaner > Block left'],
    ['C5 C6 > C1'],
  ])('means the same in other habits: %s', (line) => {
    const { step, kept } = read(line);
    expect([step.number, step.placements, kept]).toEqual([
      '7',
      [{ partIds: ['C5', 'C6'], ontoIds: ['C1'] }],
      [],
    ]);
  });

  it('takes the clauses in any order and other words', () => {
    const { step } = read(
      '12a: color green; trim the gate; C7 > C1; decal 4; open the hole in F2; note fan last',
    );
    expect(step).toMatchObject({
      number: '12a',
      placements: [{ partIds: ['C7'], ontoIds: ['C1'] }],
      drill: 'the hole in F2',
      cut: 'the gate',
      colour: 'green',
      marking: '4',
      note: 'fan last',
    });
  });

  it('puts on one after the other', () => {
    const twice = [
      { partIds: ['C5', 'C6'], ontoIds: ['C1'] },
      { partIds: ['C7'], ontoIds: ['C5'] },
    ];
    for (const line of [
      '7: C5 C6 > C1; C7 > C5',
      '7: C5, C6 > C1, C7 to C5',
      'C5, C6 onto C1, paint red, C7 > C5',
    ])
      expect(read(line).step.placements, line).toEqual(twice);
    // What follows a comma after the arrow is one more to go onto; after a semicolon something new is put on.
    expect(read('7: C5 > C1, F2').step.placements).toEqual([{ partIds: ['C5'], ontoIds: ['C1', 'F2'] }]);
    expect(read('7: C5 > C1; F2 F3').step.placements[1]).toEqual({ partIds: ['F2', 'F3'], ontoIds: [] });
  });

  it('names what the box does not hold, and keeps what it does not understand', () => {
    const { step, kept, named } = read('7: C5 G9 > C1, mind the draught');
    expect(step.absent).toEqual(['G9']);
    expect(named.map(({ said, part }) => part?.id ?? said)).toEqual(['C5', 'G9', 'C1']);
    expect(kept).toEqual(['mind the draught']);
    expect(step.note).toBe('mind the draught');
  });

  it('takes no name that two parts share for either', () => {
    expect(read('7: Door > F2').step).toMatchObject({
      placements: [{ partIds: [], ontoIds: ['F2'] }],
      note: 'Door',
    });
  });

  it('reads numbers alone where the parts have no frame', () => {
    const plain = ['1', '2', '12'].map((number) => ({ ...plainPart(number), frame: '', number }));
    expect(readSheetLine('3: 12 1 > 2', plain).step).toMatchObject({
      number: '3',
      placements: [{ partIds: ['12', '1'], ontoIds: ['2'] }],
    });
  });

  it('is no step where nothing is said', () => {
    expect(read('7:').problem).toMatch(/Nothing is said/);
    expect(read('7: C5').problem).toBeNull();
  });

  it('comes back the same from what is written of it', () => {
    const word = fc
      .stringMatching(/^[a-z]{2,8} [a-z]{2,8}$/)
      .filter((text) => !/^(no|to|on|in|and|x) /.test(text));
    const clause = fc.oneof(fc.constant(''), word);
    const ids = fc.shuffledSubarray(['C1', 'C5', 'C6', 'C7', 'F2']);
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 99 }),
        ids,
        fc.nat(5),
        clause,
        clause,
        clause,
        clause,
        (n, all, cut, a, b, c, d) => {
          const partIds = all.slice(0, cut);
          const step = {
            number: String(n),
            placements: partIds.length > 0 ? [{ partIds, ontoIds: all.slice(cut) }] : [],
            absent: partIds.length > 0 ? ['G9'] : [],
            drill: a,
            cut: b,
            colour: c,
            marking: d,
            note: '',
          };
          const again = readSheetLine(sheetLine(step, byId), parts);
          if (again.problem === null) expect(again.step).toEqual(step);
          else expect([partIds, a, b, c, d].flat().join('')).toBe('');
        },
      ),
    );
  });
});

describe('a sheet of several lines', () => {
  it('counts on where a line has no number, and passes over empty ones', () => {
    const read = readSheet('1: C5 > C1\n\n  C6 > C5\n9: C7 > C1\nF3 > F2', parts);
    expect(read.map(({ reading }) => reading.step.number)).toEqual(['1', '2', '9', '10']);
    expect(lastNumber([{ number: '12a' }, { number: '3' }])).toBe(12);
    expect(lastNumber([])).toBe(0);
  });
});
