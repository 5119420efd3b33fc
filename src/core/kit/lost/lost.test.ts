import { describe, expect, it } from 'vitest';
import { newRecord, partRecord, replacementRecord, spareRecord, type Part, type Spare } from '../kit.ts';
import { jointRecord } from '../records/index.ts';
import { lostFacts, sizeByPicture } from './lostFacts.ts';
import { daysBack, stepBack, waysBack } from './replacementWays.ts';
import { spareFit, sparesFor } from './spareFit.ts';

const part = (name: string, more: Partial<Part> = {}): Part => ({
  ...newRecord(partRecord),
  id: name,
  number: '1',
  name,
  ...more,
});
const spare = (name: string, more: Partial<Spare> = {}): Spare => ({
  ...newRecord(spareRecord),
  id: name,
  name,
  count: 1,
  ...more,
});

describe('whether a spare fits', () => {
  it.each([
    [
      'the same thing in other words',
      part('Headlamp, left', { lengthMm: 8 }),
      spare('head light lh', { lengthMm: 8.1 }),
      'fits',
    ],
    [
      'a mascot that is no hood',
      part('Hood', { lengthMm: 60 }),
      spare('Hood mascot', { lengthMm: 60 }),
      'no',
    ],
    ['the other side', part('Door, left', { lengthMm: 40 }), spare('right door', { lengthMm: 40 }), 'no'],
    ['the other end', part('Front bumper', { lengthMm: 70 }), spare('bumper, rear', { lengthMm: 70 }), 'may'],
    ['no side said', part('Door, left', { lengthMm: 40 }), spare('door', { lengthMm: 40 }), 'fits'],
    ['a size that nobody knows', part('Mirror'), spare('mirror'), 'may'],
    ['one a tenth too long', part('Bumper', { lengthMm: 70 }), spare('bumper', { lengthMm: 77 }), 'may'],
    ['one a third too long', part('Bumper', { lengthMm: 70 }), spare('bumper', { lengthMm: 93 }), 'no'],
    ['none left', part('Mirror', { lengthMm: 5 }), spare('mirror', { lengthMm: 5, count: 0 }), 'no'],
    [
      'solid for clear',
      part('Windscreen', { material: 'clear', lengthMm: 40 }),
      spare('windscreen', { lengthMm: 40 }),
      'no',
    ],
    [
      'metal for plastic',
      part('Mirror', { lengthMm: 5 }),
      spare('mirror', { material: 'white-metal', lengthMm: 5 }),
      'may',
    ],
    [
      'words that nobody knows, the same',
      part('Gubbin', { lengthMm: 5 }),
      spare('gubbin', { lengthMm: 5 }),
      'may',
    ],
    [
      'words that nobody knows, others',
      part('Gubbin', { lengthMm: 5 }),
      spare('whatsit', { lengthMm: 5 }),
      'no',
    ],
  ] as const)('%s', (_, wanted, offered, verdict) => {
    expect(spareFit(wanted, offered).verdict).toBe(verdict);
  });

  it('says why wherever it is not sure, and puts the surest first', () => {
    const wanted = part('Mirror, left', { lengthMm: 5 });
    const found = sparesFor(wanted, [
      spare('mirror'),
      spare('mirror lh', { lengthMm: 5 }),
      spare('horn', { lengthMm: 5 }),
    ]);
    expect(found.map(({ spare: { name } }) => name)).toEqual(['mirror lh', 'mirror']);
    expect(found[0]!.why).toEqual([]);
    expect(found[1]!.why.join()).toMatch(/size of the spare is not known/);
  });

  it('goes by what it is on an engine before its words', () => {
    const wanted = part('Pot', { engineKind: 'carburettor', lengthMm: 6 });
    const offered = (engineKind: string) => spare('thing', { engineKind, lengthMm: 6 });
    expect(spareFit(wanted, offered('carburettor')).verdict).toBe('fits');
    expect(spareFit(wanted, offered('dynamo')).verdict).toBe('no');
  });
});

describe('what a lost part was', () => {
  const twin = part('Wiper, right', { lengthMm: 14 });
  const wiper = part('Wiper, left', { state: 'lost' });
  const screen = part('Windscreen', { material: 'clear', frame: 'D', number: '4' });
  const joint = { ...newRecord(jointRecord), id: 'j', a: 'Windscreen', b: 'Wiper, left' };

  it('is told by its joints and by its twin', () => {
    const facts = lostFacts(wiper, { parts: [twin, wiper, screen], joints: [joint] });
    expect(facts.joins.map(({ name }) => name)).toEqual(['D4 Windscreen']);
    expect(facts).toMatchObject({ lengthMm: 14, from: expect.stringContaining('Wiper, right') as string });
  });

  it('is not told by a twin that is lost as well, nor by one of the other end', () => {
    const lost = { ...twin, state: 'lost' as const };
    expect(lostFacts(wiper, { parts: [lost, wiper], joints: [] })).toMatchObject({
      lengthMm: null,
      from: 'not known',
    });
    const rear = part('Rear spring', { lengthMm: 30 });
    const front = part('Front spring', { state: 'lost' });
    expect(lostFacts(front, { parts: [rear, front], joints: [] }).lengthMm).toBeNull();
  });

  it('is measured in a picture by something beside it', () => {
    expect(sizeByPicture({ mm: 20, inPicture: 400 }, 60)).toBeCloseTo(3, 10);
    for (const wrong of [0, -1, Number.NaN])
      expect(sizeByPicture({ mm: 20, inPicture: wrong }, 60)).toBeNull();
  });
});

describe('the ways back', () => {
  const lost = { ...newRecord(replacementRecord), id: 'r', name: 'Exhaust tip', shape: 'tip' as const };
  const sized = { ...lost, widthMm: 2, lengthMm: 8, wallMm: 0.25, degrees: 30 };
  const fitting = sparesFor(part('Mirror', { lengthMm: 5 }), [spare('mirror', { lengthMm: 5 })]);

  it('put first what is surest, and say what is not possible', () => {
    expect(waysBack(sized, fitting, false)).toMatchObject({ advised: 'spare' });
    const made = waysBack(sized, [], false);
    expect(made.advised).toBe('scratch');
    expect(made.ways[0]).toMatchObject({ way: 'scratch', possible: true });
    const unknown = waysBack(lost, [], true);
    expect(unknown.advised).toBe('maker');
    expect(unknown.ways.find(({ way }) => way === 'scratch')).toMatchObject({ possible: false });
    expect(unknown.ways.find(({ way }) => way === 'scratch')!.why).toMatch(/not known/);
    expect(unknown.ways.find(({ way }) => way === 'spare')!.possible).toBe(false);
  });

  it('make what is hardly seen rather than take a spare that only may do', () => {
    const doubtful = sparesFor(part('Mirror'), [spare('mirror')]);
    expect(waysBack(sized, doubtful, true).advised).toBe('scratch');
    expect(waysBack(sized, doubtful, false).advised).toBe('spare');
  });

  it('are a step with minutes for each, and days for what is waited for', () => {
    for (const way of ['spare', 'maker', 'other-kit', 'scratch', 'print'] as const) {
      const step = stepBack({ ...sized, way })!;
      expect(step.minutes).toBeGreaterThan(0);
      expect(step.title).toMatch(/exhaust tip/);
      // What is offered is what is planned.
      expect(waysBack(sized, fitting, false).ways.find((each) => each.way === way)!.minutes).toBe(
        step.minutes,
      );
      expect(daysBack({ ...sized, way }) > 0).toBe(['maker', 'other-kit', 'print'].includes(way));
      const several = stepBack({ ...sized, way, count: 4 })!;
      expect(several.minutes).toBeGreaterThan(step.minutes);
      expect(several.minutes).toBeLessThan(4 * step.minutes);
    }
    expect(stepBack({ ...sized, way: null })).toBeNull();
    expect(stepBack({ ...sized, way: 'print' })!.lines.join()).toMatch(/gloves/);
    expect(stepBack({ ...lost, way: 'scratch' })!.lines.join()).toMatch(/cannot be worked out yet/);
  });
});
