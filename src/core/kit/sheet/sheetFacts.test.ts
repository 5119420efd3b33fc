import { describe, expect, it } from 'vitest';
import { newRecord, sheetStepRecord, type SheetStep } from '../kit.ts';
import { kitWith, plainFinish, plainJoint, plainPart, plainZones } from '../plainKit.ts';
import { inSheetOrder, sheetFacts } from './sheetFacts.ts';

const step = (
  number: string,
  partIds: string[],
  ontoIds: string[],
  change: Partial<SheetStep> = {},
): SheetStep => ({
  ...newRecord(sheetStepRecord),
  id: number,
  number,
  placements: [{ partIds, ontoIds }],
  ...change,
});
const parts = [
  plainPart('A1', { name: 'Gearbox, left half', zones: plainZones('cast') }),
  plainPart('A2', { name: 'Gearbox, right half', zones: plainZones('cast') }),
  plainPart('A3', { name: 'Gear shaft' }),
  plainPart('A4', { name: 'Tyre', material: 'vinyl' }),
  plainPart('A5', { name: 'Wheel', zones: plainZones('black') }),
  plainPart('A6', { name: 'Horn' }),
];
const finishes = [plainFinish('cast', 'metal'), plainFinish('black', 'satin')];

describe('what follows from the sheet', () => {
  it('is joints, each once and of the kind that its parts ask for', () => {
    const sheetSteps = [step('2', ['A2'], ['A1']), step('1', ['A3'], ['A1']), step('3', ['A4'], ['A5'])];
    const kit = kitWith({ parts, finishes, sheetSteps, joints: [plainJoint('known', 'A3', 'A1')] });
    const { joints } = sheetFacts(kit, new Set());
    expect(
      joints.map(({ joint: { a, b, kind, seam, captured }, because }) => [
        a,
        b,
        kind,
        seam,
        captured,
        because,
      ]),
    ).toEqual([
      ['A2', 'A1', 'cement', 'vanish', ['A3'], expect.stringMatching(/^step 2.*shuts in/)],
      ['A4', 'A5', 'tyre', 'hidden', [], 'step 3 of the sheet'],
    ]);
  });

  it('is what joins parts to each other where they go onto none', () => {
    const { joints } = sheetFacts(
      kitWith({ parts, sheetSteps: [step('1', ['A1', 'A5', 'A6'], [])] }),
      new Set(),
    );
    expect(joints.map(({ joint: { a, b } }) => [a, b])).toEqual([
      ['A5', 'A1'],
      ['A6', 'A1'],
    ]);
  });

  it('is what no step uses and what the box does not hold; of a sheet not entered nothing is said', () => {
    const sheetSteps = [
      step('1', ['A2', 'A3'], ['A1'], { absent: ['G9'] }),
      step('4', ['A4'], ['A5'], { absent: ['G9', 'G10'] }),
    ];
    const { unused, absent } = sheetFacts(kitWith({ parts, sheetSteps }), new Set());
    expect(unused.map(({ id }) => id)).toEqual(['A6']);
    expect(absent).toEqual([
      { said: 'G9', steps: ['1', '4'] },
      { said: 'G10', steps: ['4'] },
    ]);
    expect(sheetFacts(kitWith({ parts }), new Set()).unused).toEqual([]);
  });

  it('is where our order leaves the sheet’s, and why', () => {
    const joints = [
      plainJoint('apart', 'A5', 'A1'),
      plainJoint('pinned', 'A2', 'A1', { pin: 'after' }),
      plainJoint('early', 'A3', 'A1'),
    ];
    const sheetSteps = [step('1', ['A5', 'A2', 'A3'], ['A1'])];
    const { later } = sheetFacts(
      kitWith({ parts, finishes, joints, sheetSteps }),
      new Set(['apart', 'pinned']),
    );
    expect(later).toEqual([
      { step: '1', joint: 'A5 Wheel to A1 Gearbox, left half', why: 'black meets cast: painted apart' },
      {
        step: '1',
        joint: 'A2 Gearbox, right half to A1 Gearbox, left half',
        why: 'you pinned it to after paint',
      },
    ]);
  });

  it('is its call-outs beside your finishes', () => {
    const sheetSteps = [step('1', ['A5', 'A6'], ['A1'], { colour: 'X11' })];
    expect(sheetFacts(kitWith({ parts, finishes, sheetSteps }), new Set()).colours).toEqual([
      {
        step: '1',
        called: 'X11',
        parts: [
          { name: 'A5 Wheel', finish: 'black' },
          { name: 'A6 Horn', finish: null },
        ],
        conflict: null,
      },
    ]);
  });

  it('goes by number and letter', () => {
    expect(
      inSheetOrder(['12', '7a', '2', '7'].map((n) => step(n, [], []))).map(({ number }) => number),
    ).toEqual(['2', '7', '7a', '12']);
  });
});
