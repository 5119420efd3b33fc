import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  choiceRecord,
  chosenAs,
  copyKit,
  decidedAs,
  EMPTY_KIT,
  evidenceRecord,
  newRecord,
  photoRecord,
  type Kit,
  type LogEntry,
  type Mishap,
} from '../../kit/index.ts';
import {
  elapsedOf,
  filterLog,
  hoursBy,
  logOf,
  mishapCosts,
  paintUse,
  trendsOf,
  type LoggedCup,
  type PlannedStep,
  type TickedStep,
} from '../index.ts';

const ticked = (operationId: string, endedAt: number, minutes: number, more = {}): TickedStep => ({
  operationId,
  trayId: 'body',
  title: `Step ${operationId}`,
  endedAt,
  minutes,
  note: '',
  ...more,
});
const planned = (id: string, kind: string, hands: number, more = {}): PlannedStep => ({
  id,
  kind,
  hands,
  trayId: 'body',
  ...more,
});
const mishap = (id: string, operationId: string, at: number): Mishap => ({
  id,
  operationId,
  redoFrom: operationId,
  repair: 'sand',
  what: 'a run',
  why: 'too wet',
  at,
});
const entry = (id: string, value: Partial<LogEntry>): LogEntry => ({
  id,
  entry: 'note',
  text: 'a note',
  amount: null,
  operationId: null,
  at: 0,
  ...value,
});
const cup = (value: Partial<LoggedCup>): LoggedCup => ({
  id: 'cup',
  trayId: 'body',
  name: 'Cream',
  note: '',
  mixedAt: 100,
  drops: { cream: 10 },
  additions: [],
  thrown: false,
  readings: [],
  ...value,
});
const nameOf = (id: string) => id;

describe('a log of decisions and pictures', () => {
  const conflict = decidedAs(
    { ...newRecord(evidenceRecord), id: 'lamps', title: 'How many lamps', decision: 'Two.' },
    'evidence',
    500,
  );
  const choice = chosenAs(
    {
      ...newRecord(choiceRecord),
      id: 'roof',
      name: 'Roof',
      options: [
        { id: 'open', name: 'open', needs: [], rulesOut: [], markings: [], finishIds: [] },
        { id: 'shut', name: 'shut', needs: [], rulesOut: [], markings: [], finishIds: [] },
      ],
    },
    'open',
    400,
  );
  const photo = { ...newRecord(photoRecord), id: 'p', what: 'Left side', pictureId: 'file', at: 450 };
  const told = (kit: Partial<Kit>) =>
    logOf({ steps: [], cups: [], kit: { ...EMPTY_KIT, ...kit }, paintName: nameOf }).map(
      ({ at, kind, title, words, pictureId }) => ({ at, kind, title, words, pictureId }),
    );

  it('says when a conflict and a version were decided, and when a picture was taken', () => {
    expect(told({ evidence: [conflict], choices: [choice], photos: [photo] })).toEqual([
      { at: 400, kind: 'decision', title: 'Roof: open', words: '', pictureId: null },
      { at: 450, kind: 'picture', title: 'Left side', words: '', pictureId: 'file' },
      { at: 500, kind: 'decision', title: 'How many lamps', words: 'Two.', pictureId: null },
    ]);
    expect(told({ photos: [{ ...photo, at: 0 }] })).toEqual([]);
    expect(told({ evidence: [{ ...conflict, decision: '' }] })[0]!.words).toBe('as the evidence says');
  });

  it('forgets the moment of what is open again, of what nobody noted, and in a copy', () => {
    expect(decidedAs(conflict, 'open', 900)).not.toHaveProperty('decidedAt');
    expect(chosenAs(choice, null, 900)).not.toHaveProperty('chosenAt');
    expect(told({ evidence: [decidedAs(conflict, 'open', 900)] })).toEqual([]);
    expect(told({ choices: [{ ...choice, chosenAt: undefined }] })).toEqual([]);
    expect(told({ choices: [{ ...choice, options: [] }] })).toEqual([]);
    const copy = copyKit({ ...EMPTY_KIT, evidence: [conflict], choices: [choice] }, (id) => `copy-${id}`);
    expect(copy.evidence[0]).not.toHaveProperty('decidedAt');
    expect(copy.choices[0]).not.toHaveProperty('chosenAt');
  });
});

describe('a log', () => {
  const kit = {
    ...EMPTY_KIT,
    mishaps: [mishap('m', 'red', 130)],
    cureChecks: [
      { id: 'felt', operationId: 'red', minutes: 40, isDry: false },
      // Of a step whose tick was taken back.
      { id: 'lost', operationId: 'blue', minutes: 40, isDry: true },
    ],
    logEntries: [
      entry('a', { at: 90, entry: 'pressure', amount: 1.2, text: 'low and near', operationId: 'red' }),
      entry('b', { at: 95, entry: 'pause', amount: 12, text: 'telephone' }),
    ],
  };
  const events = logOf({
    steps: [ticked('red', 120, 20, { note: 'went well' })],
    cups: [cup({ additions: [{ at: 105, add: { white: 1 } }] })],
    kit,
    paintName: nameOf,
  });

  it('tells everything in the order in which it happened', () => {
    expect(events.map(({ at, title }) => `${at} ${title}`)).toEqual([
      '90 low and near',
      '95 telephone',
      '100 Mixed: Cream',
      '105 Added to Cream',
      '120 Step red',
      '130 a run',
      '160 Felt wet still',
    ]);
  });

  it('says amounts in their unit, drops by their number, and which step it was', () => {
    expect(events[0]!.words).toBe('Pressure; 1.2 bar; Step red');
    expect(events[2]!.words).toBe('10 drops cream');
    expect(events[3]!.words).toBe('1 drop white');
    expect(events[5]!.words).toBe('because too wet; Step red');
  });

  it('knows the sub-assembly of what was said of a step', () => {
    expect(events.find(({ kind }) => kind === 'mishap')!.trayId).toBe('body');
    expect(events.find(({ title }) => title === 'telephone')!.trayId).toBeNull();
  });

  it('is narrowed by kinds, sub-assembly and every word', () => {
    const all = { kinds: null, trayId: null, search: '' };
    expect(filterLog(events, all)).toHaveLength(events.length);
    expect(filterLog(events, { ...all, kinds: new Set(['cup'] as const) })).toHaveLength(2);
    expect(filterLog(events, { ...all, trayId: 'hood' })).toHaveLength(0);
    expect(filterLog(events, { ...all, search: 'RED wet' }).map(({ id }) => id)).toEqual([
      'mishap m',
      'felt felt',
    ]);
  });
});

describe('hours', () => {
  const operations = [
    planned('red', 'colour', 30, { usual: 20 }),
    planned('clear', 'clear', 40),
    planned('polish', 'polish', 60, { trayId: 'hood' }),
  ];

  it('stand against what was planned before anything was learnt, and leave what is no longer planned out of that', () => {
    const found = hoursBy(
      [ticked('red', 100, 25), ticked('gone', 200, 15)],
      operations,
      ({ trayId }) => trayId!,
    );
    expect(found).toEqual([
      { key: 'body', steps: 2, took: 40, planned: 20, tookOfPlanned: 25, toCome: 40 },
      { key: 'hood', steps: 0, took: 0, planned: 0, tookOfPlanned: 0, toCome: 60 },
    ]);
  });

  it('have a trend from the last run of steps that went one way', () => {
    const steps = [20, 20, 20, 20].map((hands, index) => planned(`c${index}`, 'colour', hands));
    const took = (minutes: number[]) =>
      minutes.map((each, index) => ticked(`c${index}`, 100 * (index + 1), each));
    expect(trendsOf(took([10, 20, 30, 40]), steps)).toEqual([
      { kind: 'colour', ratio: 1.75, steps: 2, since: 300 },
    ]);
    expect(trendsOf(took([30, 30, 30, 20]), steps)).toEqual([]);
    expect(trendsOf(took([20, 20, 20, 10]), steps)).toEqual([]);
  });
});

describe('mishaps', () => {
  it('cost their repair and what is done again, each its own', () => {
    const operations = [
      planned('red', 'colour', 20),
      planned('red/repair~m', 'flat', 25),
      planned('red~m', 'colour', 20),
      planned('red~m/repair~n', 'flat', 25),
      planned('red~m~n', 'colour', 20),
    ];
    const steps = [ticked('red', 100, 20), ticked('red/repair~m', 200, 30), ticked('red~m', 300, 15)];
    expect(mishapCosts([{ id: 'm' }, { id: 'n' }, { id: 'o' }], steps, operations)).toEqual([
      { mishapId: 'm', took: 45, toCome: 0, steps: 2 },
      { mishapId: 'n', took: 0, toCome: 45, steps: 2 },
      { mishapId: 'o', took: 0, toCome: 0, steps: 0 },
    ]);
  });
});

describe('the time of a build', () => {
  it('is work, waiting and being away', () => {
    const steps = [ticked('red', 60, 60), ticked('clear', 1060, 60)];
    // Red ends at 60 and must dry 400 min: at 460 clear could have begun, and began at 1000.
    expect(elapsedOf(steps, [{ from: 'red', to: 'clear', minLag: 400 }])).toEqual({
      work: 120,
      waiting: 400,
      away: 540,
    });
  });

  it('counts what overlaps once', () => {
    expect(elapsedOf([ticked('a', 60, 60), ticked('b', 70, 40)], [])).toEqual({
      work: 70,
      waiting: 0,
      away: 0,
    });
    expect(elapsedOf([], [])).toEqual({ work: 0, waiting: 0, away: 0 });
  });
});

describe('paint', () => {
  it('is laid once every step of its layer is done', () => {
    const uses = [
      { trayId: 'body', layerId: 'red', paintId: 'R', ml: 6, thinnerMl: 9 },
      { trayId: 'body', layerId: 'clear', paintId: 'C', ml: 8, thinnerMl: 4 },
    ];
    const operations = [
      { id: 'red-1', trayId: 'body', layerId: 'red' },
      { id: 'red-2', trayId: 'body', layerId: 'red' },
      { id: 'clear-1', trayId: 'body', layerId: 'clear' },
    ];
    const cups = [cup({ drops: { R: 100 }, additions: [{ at: 1, add: { R: 20, W: 2 } }] })];
    const use = (done: string[]) =>
      paintUse(
        uses,
        operations,
        done.map((operationId) => ({ operationId })),
        cups,
        () => 0.05,
      );
    expect(use(['red-1', 'red-2'])).toEqual([
      { paintId: 'R', laidMl: 6, toComeMl: 0, mixedMl: 6, thinnerMl: 9 },
      { paintId: 'W', laidMl: 0, toComeMl: 0, mixedMl: 0.1, thinnerMl: 0 },
      { paintId: 'C', laidMl: 0, toComeMl: 8, mixedMl: 0, thinnerMl: 0 },
    ]);
    expect(use(['red-1'])[0]).toMatchObject({ laidMl: 0, toComeMl: 6 });
  });
});

/** What may happen at the bench. */
type Happening =
  | { do: 'tick'; step: number; minutes: number }
  | { do: 'untick'; step: number }
  | { do: 'spoil'; step: number }
  | { do: 'take back' }
  | { do: 'write'; minutes: number };

describe('random histories of steps, mishaps and undos', () => {
  const KINDS = ['colour', 'clear', 'polish'];
  const happening: fc.Arbitrary<Happening> = fc.oneof(
    fc.record({
      do: fc.constant('tick' as const),
      step: fc.nat(11),
      minutes: fc.integer({ min: 1, max: 90 }),
    }),
    fc.record({ do: fc.constant('untick' as const), step: fc.nat(11) }),
    fc.record({ do: fc.constant('spoil' as const), step: fc.nat(11) }),
    fc.record({ do: fc.constant('take back' as const) }),
    fc.record({ do: fc.constant('write' as const), minutes: fc.integer({ min: 1, max: 60 }) }),
  );

  /** Lives a history through, and keeps its own books of it. */
  function live(history: readonly Happening[]) {
    const base = Array.from({ length: 12 }, (_, at) =>
      planned(`s${at}`, KINDS[at % 3]!, 10 + at, { trayId: `t${at % 2}` }),
    );
    let clock = 0;
    let made = 0;
    const mishaps: Mishap[] = [];
    const grown: PlannedStep[] = [];
    const steps = new Map<string, TickedStep>();
    const entries: LogEntry[] = [];
    for (const one of history) {
      clock += 100;
      if (one.do === 'tick') {
        // What was done again comes before what is still untouched.
        const open = grown.find(({ id }) => !steps.has(id) && one.step % 2 === 0) ?? base[one.step]!;
        steps.set(open.id, ticked(open.id, clock, one.minutes, { trayId: open.trayId }));
      } else if (one.do === 'untick') steps.delete(base[one.step]!.id);
      else if (one.do === 'spoil' && steps.has(base[one.step]!.id)) {
        const id = `m${made++}`;
        mishaps.push(mishap(id, base[one.step]!.id, clock));
        grown.push({ ...base[one.step]!, id: `${base[one.step]!.id}/repair~${id}`, kind: 'flat' });
        grown.push({ ...base[one.step]!, id: `${base[one.step]!.id}~${id}` });
      } else if (one.do === 'take back') {
        const gone = mishaps.pop();
        const own = grown.filter(({ id }) => gone && id.endsWith(`~${gone.id}`));
        for (const { id } of own) {
          grown.splice(
            grown.findIndex((each) => each.id === id),
            1,
          );
          steps.delete(id);
        }
      } else if (one.do === 'write')
        entries.push(entry(`e${clock}`, { at: clock, entry: 'pause', amount: one.minutes }));
    }
    return { base, grown, mishaps, steps: [...steps.values()], entries };
  }

  it('agree with an independent recount', () => {
    fc.assert(
      fc.property(fc.array(happening, { maxLength: 60 }), (history) => {
        const { base, grown, mishaps, steps, entries } = live(history);
        const operations = [...base, ...grown];
        const events = logOf({
          steps,
          cups: [],
          kit: { ...EMPTY_KIT, mishaps, logEntries: entries },
          paintName: nameOf,
        });
        expect(events).toHaveLength(steps.length + mishaps.length + entries.length);
        expect(events.every(({ at }, index) => index === 0 || events[index - 1]!.at <= at)).toBe(true);

        const took = steps.reduce((sum, { minutes }) => sum + minutes, 0);
        for (const keyOf of [
          ({ trayId }: { trayId: string | null }) => trayId!,
          ({ kind }: { kind: string | null }) => kind ?? '?',
        ]) {
          const hours = hoursBy(steps, operations, keyOf);
          expect(hours.reduce((sum, each) => sum + each.took, 0)).toBe(took);
          expect(hours.reduce((sum, each) => sum + each.steps, 0)).toBe(steps.length);
          const left = operations.filter(({ id }) => !steps.some(({ operationId }) => operationId === id));
          expect(hours.reduce((sum, each) => sum + each.toCome, 0)).toBe(
            left.reduce((sum, { hands }) => sum + hands, 0),
          );
        }
        // What mishaps took and what the plan itself took is all that was taken.
        const again = mishapCosts(mishaps, steps, operations).reduce((sum, cost) => sum + cost.took, 0);
        const plain = steps
          .filter(({ operationId }) => !operationId.includes('~'))
          .reduce((sum, { minutes }) => sum + minutes, 0);
        expect(again + plain).toBe(took);

        const { work, waiting, away } = elapsedOf(steps, []);
        const starts = steps.map(({ endedAt, minutes }) => endedAt - minutes);
        const ends = steps.map(({ endedAt }) => endedAt);
        const all = steps.length === 0 ? 0 : Math.max(...ends) - Math.min(...starts);
        expect(work + waiting + away).toBe(all);
      }),
      { numRuns: 500 },
    );
  });
});
