import { describe, expect, it } from 'vitest';
import { EMPTY_KIT, newRecord, verdictRecord, type Inspection, type Kit } from '../../kit/index.ts';
import { evidenceRecord, plainPart } from '../../kit/index.ts';
import { factsOf, proposeLessons, type PlannedStep, type TickedStep } from '../index.ts';

const build = { id: 'coupe', name: 'Coupe' };
const step = (operationId: string, minutes: number, endedAt = 100): TickedStep => ({
  operationId,
  trayId: 'body',
  title: operationId,
  endedAt,
  minutes,
  note: '',
});
const found = (fault: Inspection['fault'], outcome: Inspection['outcome']): Inspection => ({
  id: `${fault}-${outcome}`,
  operationId: 'red',
  fault,
  partId: null,
  where: 'the door',
  outcome,
  mendId: '',
  note: '',
  at: 5,
});
const kitWith = (change: Partial<Kit>): Kit => ({ ...EMPTY_KIT, ...change });
const sources = (kit: Kit, steps: TickedStep[] = [], operations: PlannedStep[] = []) => ({
  kit,
  steps,
  operations,
  cups: [],
  paintCents: undefined,
});

describe('what speaks for a mark', () => {
  it('is nothing where the records say nothing: no mark is guessed', () => {
    expect(Object.values(factsOf(sources(EMPTY_KIT))).flat()).toEqual([]);
  });

  it('is counted from fits, conflicts, faults and the log', () => {
    const fit = { jointId: 'j', stage: 'bare' as const, clearanceMm: null, motionChecked: false, done: '' };
    const conflict = {
      id: 'c',
      ...newRecord(evidenceRecord),
      title: 'Dash colour',
      verdict: 'evidence' as const,
    };
    const kit = kitWith({
      fits: [
        { ...fit, id: 'a', feel: 'tight' },
        { ...fit, id: 'b', feel: 'snug' },
      ],
      evidence: [
        conflict,
        { ...conflict, id: 'd', verdict: 'sheet' },
        { ...conflict, id: 'e', verdict: 'open' },
      ],
      inspections: [found('run', 'live-with'), found('dust', 'fix-now'), found('seam', 'accept')],
      mishaps: [
        { id: 'm', operationId: 'red', redoFrom: 'red', repair: 'sand', what: 'a run', why: '', at: 1 },
      ],
    });
    const operations = [
      { id: 'red', kind: 'colour', hands: 30, usual: 20 },
      { id: 'red~m', kind: 'colour', hands: 20 },
    ];
    const facts = factsOf(sources(kit, [step('red', 25), step('red~m', 35)], operations));
    expect(facts).toMatchObject({
      fit: ['1 of 2 dry fits tight or forced'],
      sheet: ['2 conflicts settled, 1 against the sheet'],
      difficulty: ['60 min of hands against 40 min planned', '1 mishap, 35 min of work done again'],
      preparation: ['1 fault found in primer, 0 left'],
      finish: ['2 faults found in the paint, 1 left'],
      pleasure: [],
    });
  });
});

describe('lessons', () => {
  const operations: PlannedStep[] = [
    { id: 'red', kind: 'colour', hands: 20 },
    ...[1, 2, 3].map((at) => ({ id: `p${at}`, kind: 'polish', hands: 20 })),
  ];
  const propose = (kit: Kit, steps: TickedStep[] = []) =>
    proposeLessons(build, kit, steps, operations, (kind) => `kind ${kind}`);

  it('come from conflicts, mishaps, regrets, slow steps and parts, each tied to where it comes back', () => {
    const conflict = {
      id: 'c',
      ...newRecord(evidenceRecord),
      title: 'Dash colour',
      verdict: 'evidence' as const,
      decision: 'body colour, not black',
    };
    const kit = kitWith({
      evidence: [conflict, { ...conflict, id: 'd', verdict: 'sheet' }],
      mishaps: [
        {
          id: 'm',
          operationId: 'red',
          redoFrom: 'red',
          repair: 'sand',
          what: 'a run',
          why: 'too wet',
          at: 1,
        },
        {
          id: 'n',
          operationId: 'gone',
          redoFrom: 'gone',
          repair: 'sand',
          what: 'dropped it',
          why: '',
          at: 1,
        },
      ],
      inspections: [found('run', 'live-with'), found('dust', 'fix-now')],
      parts: [plainPart('A1', { name: 'Mirror', state: 'lost' }), plainPart('A2')],
    });
    const slow = [1, 2, 3].map((at) => step(`p${at}`, 30, at));
    expect(
      propose(kit, slow).map(({ lesson: { text, kit: tied, stepKind, partWord } }) => [
        text,
        tied,
        stepKind,
        partWord,
      ]),
    ).toEqual([
      ['Dash colour: body colour, not black', 'Coupe', null, null],
      ['A run, because too wet', null, 'colour', null],
      ['Dropped it: find out why before the next one', 'Coupe', null, null],
      ['A run: the door: look for it while it can still be mended.', null, 'colour', null],
      ['Kind polish took 1.5 times what was planned: begin it early in an evening', null, 'polish', null],
      [expect.stringMatching(/^Mirror: it got lost/), 'Coupe', null, 'Mirror'],
    ]);
  });

  it('are the same ones however often they are proposed', () => {
    const kit = kitWith({ inspections: [found('run', 'live-with')] });
    expect(propose(kit)).toEqual(propose(kit));
    expect(new Set(propose(kit).map(({ id }) => id)).size).toBe(1);
  });

  it('are none where nothing happened, or too little to tell', () => {
    expect(propose(EMPTY_KIT)).toEqual([]);
    expect(propose(EMPTY_KIT, [step('p1', 60), step('p2', 60)])).toEqual([]);
  });
});

describe('a verdict', () => {
  const verdict = newRecord(verdictRecord);
  it('keeps to its scale, and marks each thing once', () => {
    expect(verdictRecord.check({ ...verdict, marks: [{ aspect: 'fit', mark: 5 }] })).toBeNull();
    expect(verdictRecord.check({ ...verdict, marks: [{ aspect: 'fit', mark: 6 }] })).toMatch(
      /between 0 and 5/,
    );
    const twice = [
      { aspect: 'fit' as const, mark: 1 },
      { aspect: 'fit' as const, mark: 2 },
    ];
    expect(verdictRecord.check({ ...verdict, marks: twice })).toMatch(/twice/);
  });
});
