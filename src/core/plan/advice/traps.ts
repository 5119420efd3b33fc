import {
  CASES,
  clear,
  colour,
  layer,
  mask,
  primer,
  product,
  stack,
  white,
  whitePrimer,
} from '../../finish/ruleCases.ts';
import {
  evidenceRecord,
  newRecord,
  sheetStepRecord,
  wantRecord,
  workRecord,
  type Joint,
  type Part,
} from '../../kit/index.ts';
import { plainFinish, plainJoint, plainPart, plainZones } from '../../kit/plainKit.ts';
import { benchOfStack, TRAP_NOW, type TrapBench } from './trapBench.ts';

/** A mistake that waits on a bench: what is to be said of it, the bench close by on which nothing is, and other words for
 *  what names alone can tell. */
export interface Trap {
  says: string;
  /** Where that is the rule's own; of a stack it is told by the rules of the finish. */
  severity?: 'stop' | 'warn' | 'note';
  bench: TrapBench;
  twin: TrapBench;
  /** Names in two other usages where a name must be understood; else any name will do. */
  words?: [Record<string, string>, Record<string, string>];
}

const RED = plainFinish('red', 'gloss');
const BLACK = plainFinish('black', 'satin');
const PAINTED = [primer, colour];
/** A part with paint of its own. */
export const painted = (id: string, name: string, more: Partial<Part> = {}): Part =>
  plainPart(id, { name, areaCm2: 20, zones: plainZones('red'), ...more });

/** Two sub-assemblies, joined after paint. */
export function two(
  parts: [Part, Part],
  joint: Partial<Joint> = {},
  {
    kit,
    join,
    layers = [PAINTED, PAINTED],
    ...more
  }: {
    kit?: TrapBench['kit'];
    join?: { adhesive?: string };
    layers?: [typeof PAINTED, typeof PAINTED];
  } & Partial<Omit<TrapBench, 'kit'>> = {},
): TrapBench {
  return {
    kit: { finishes: [RED, BLACK], parts, joints: [plainJoint('j', 'A1', 'B1', joint)], ...kit },
    trays: [
      { id: 'one', name: parts[0].name, partIds: ['A1'], layers: layers[0] },
      { id: 'two', name: parts[1].name, partIds: ['B1'], layers: layers[1] },
    ],
    joins: [{ id: 'on', name: `${parts[0].name} to ${parts[1].name}`, trayIds: ['one', 'two'], ...join }],
    ...more,
  };
}

/** One sub-assembly of some parts. */
export const one = (
  parts: Part[],
  kit: TrapBench['kit'] = {},
  tray: Partial<TrapBench['trays'][number]> = {},
  more: Partial<TrapBench> = {},
): TrapBench => ({
  kit: { finishes: [RED, BLACK], parts, ...kit },
  trays: [{ id: 'one', name: 'Body', partIds: parts.map(({ id }) => id), layers: PAINTED, ...tray }],
  ...more,
});

export const body = painted('A1', 'Body');
export const lamp = painted('B1', 'Lamp');
const fit = (change: object) => ({
  id: 'f',
  jointId: 'j',
  stage: 'bare' as const,
  feel: 'free' as const,
  clearanceMm: null,
  motionChecked: false,
  done: '',
  ...change,
});
const evidence = (change: object) => ({
  ...newRecord(evidenceRecord),
  id: 'e',
  title: 'Colour of the panel',
  partIds: ['A1'],
  ...change,
});
export const holes = (change: object = {}) => ({
  ...newRecord(workRecord),
  id: 'w',
  kind: 'hole' as const,
  partId: 'A1',
  name: 'rack holes',
  neededBy: ['touring'],
  ...change,
});
const choice = (chosen: string | null) => ({
  id: 'c',
  name: 'Kind',
  chosen,
  options: ['touring', 'racing'].map((id) => ({
    id,
    name: id,
    needs: [],
    rulesOut: [],
    markings: [],
    finishIds: [],
  })),
});
const joined = (change: Partial<Part>, other: Partial<Part> = {}, joint: Partial<Joint> = {}) =>
  one([painted('A1', 'Body', other), painted('A2', 'Panel', change)], {
    joints: [plainJoint('j', 'A1', 'A2', joint)],
  });
const apart = (change: Partial<Part>, isMixed = true) =>
  isMixed
    ? one([painted('A1', 'Body'), plainPart('A2', { name: 'Small part', areaCm2: 2, ...change })])
    : one([plainPart('A2', { name: 'Small part', areaCm2: 2, ...change })]);
const place = (sizeMm: number) => ({
  places: [
    {
      id: 'p',
      partId: 'A1',
      matingPartId: null,
      name: 'mirror hole',
      kind: 'hole' as const,
      sizeMm,
      widthMm: null,
      throughMm: null,
    },
  ],
});
const want = (have: boolean) => ({
  wants: [{ ...newRecord(wantRecord), id: 'w', name: 'Etched grille', leadDays: 14, have }],
});
const thick = [primer, { ...colour, coats: 6 }, { ...clear, coats: 6 }];
const leaveOut = (leave: boolean) =>
  one([body], {
    stepEdits: leave
      ? [1, 2].map((coat) => ({
          id: `e${coat}`,
          operationId: `b/one/${primer.id}-${coat}`,
          title: '',
          minutes: null,
          note: '',
          parts: 1,
          withNext: false,
          leaveOut: true,
        }))
      : [],
  });
/** A mirror, the screen it hangs behind, and the shell: which is joined first is said by the joins. */
const screen = (mirrorFirst: boolean): TrapBench => ({
  kit: {
    finishes: [RED],
    parts: [
      painted('A1', 'Body'),
      plainPart('B1', { name: 'Windscreen', material: 'clear', areaCm2: 8 }),
      plainPart('C1', { name: 'Rear view mirror', plated: true, areaCm2: 1 }),
    ],
    joints: [plainJoint('s', 'B1', 'A1', { kind: 'glass' }), plainJoint('m', 'C1', 'A1')],
  },
  trays: [
    { id: 'shell', name: 'Body', partIds: ['A1'], layers: PAINTED },
    { id: 'glass', name: 'Windscreen', partIds: ['B1'] },
    { id: 'mirror', name: 'Rear view mirror', partIds: ['C1'] },
  ],
  joins: [
    {
      id: 'in',
      name: 'Windscreen to Body',
      trayIds: ['glass', 'shell'],
      afterJoinIds: mirrorFirst ? ['hung'] : [],
    },
    {
      id: 'hung',
      name: 'Rear view mirror to Body',
      trayIds: ['mirror', 'shell'],
      afterJoinIds: mirrorFirst ? [] : ['in'],
    },
  ],
});
/** A shaft shut in between two halves; its own joint comes when the joins say. */
const captured = (shaftFirst: boolean): TrapBench => ({
  kit: {
    finishes: [RED],
    parts: [
      painted('A1', 'Half'),
      painted('B1', 'Other half'),
      plainPart('C1', { name: 'Shaft', areaCm2: 2 }),
    ],
    joints: [
      plainJoint('halves', 'A1', 'B1', { captured: ['C1'] }),
      plainJoint('shaft', 'C1', 'A1', { kind: 'press' }),
    ],
  },
  trays: [
    { id: 'one', name: 'Half', partIds: ['A1'], layers: PAINTED },
    { id: 'two', name: 'Other half', partIds: ['B1'], layers: PAINTED },
    { id: 'three', name: 'Shaft', partIds: ['C1'] },
  ],
  joins: [
    { id: 'close', name: 'Halves', trayIds: ['one', 'two'], afterJoinIds: shaftFirst ? ['shaft'] : [] },
    { id: 'shaft', name: 'Shaft in', trayIds: ['three', 'one'], afterJoinIds: shaftFirst ? [] : ['close'] },
  ],
});
const shutMask = (finishId: string): TrapBench =>
  one(
    [
      painted('A1', 'Shell half', { areaCm2: 90 }),
      painted('A2', 'Other shell half', { areaCm2: 90 }),
      painted('A3', 'Bearing', { areaCm2: 3, zones: plainZones(finishId) }),
    ],
    { joints: [plainJoint('j', 'A1', 'A2', { captured: ['A3'] })] },
  );
const flock = layer('flock', { product: product('generic-flock-grey'), coats: 1, tool: 'hand' });
const flocked = (kind: 'hole' | 'line') =>
  one(
    [body],
    { places: [{ ...place(2).places[0]!, kind, name: 'lever hole' }] },
    { layers: [primer, flock] },
  );
const done = (operationId: string) => ({
  steps: [{ operationId, buildId: 'b', title: 'Rack holes', endedAt: TRAP_NOW - 3000, minutes: 10 }],
});
const pinned = (day: number, hour: number) =>
  one([body], {
    pins: [{ id: 'p', operationId: 'b/one/clean', start: new Date(2026, 4, day, hour).getTime() / 60000 }],
  });
const MILD_DAYS = (humidity: number) =>
  Array.from({ length: 40 }, (_, at) => ({
    day: new Date(Date.UTC(2026, 4, 12 + at)).toISOString().slice(0, 10),
    temperatureC: 20,
    humidity,
  }));

const sheetStep = (change: object, partIds = ['A1']) => ({
  ...newRecord(sheetStepRecord),
  id: 's',
  number: '1',
  placements: [{ partIds, ontoIds: [] }],
  ...change,
});
const joinedBySheet = (note: string): TrapBench => {
  const bench = joined({});
  return { ...bench, kit: { ...bench.kit, sheetSteps: [sheetStep({ note }, ['A1', 'A2'])] } };
};

const ABOUT_RESIN = {
  id: 'l',
  text: 'Wash it twice.',
  origin: '',
  kit: null,
  partWord: null,
  material: 'resin' as const,
  stepKind: null,
};

/** A bench on which all is well. */
export const CLEAN: TrapBench = two(
  [body, painted('B1', 'Badge', { areaCm2: 0.5 })],
  { clearanceMm: 0.4 },
  {
    join: { adhesive: 'PVA' },
    layers: [
      [whitePrimer, { ...colour, product: white }, clear],
      [whitePrimer, { ...colour, product: white }],
    ],
  },
);

/** Mistakes of kit, joints, glue, fits, order, stock and air. */
export const KIT_TRAPS: readonly Trap[] = [
  {
    says: 'undecided',
    severity: 'stop',
    bench: one([body], { evidence: [evidence({ verdict: 'open' })] }),
    twin: one([body], { evidence: [evidence({ verdict: 'sheet' })] }),
  },
  // Half-filled: no joint is known yet, and the join is held all the same.
  {
    says: 'undecided',
    severity: 'stop',
    bench: two(
      [body, lamp],
      {},
      { kit: { joints: [], evidence: [evidence({ verdict: 'open', stepKind: 'assemble' })] } },
    ),
    twin: two(
      [body, lamp],
      {},
      { kit: { joints: [], evidence: [evidence({ verdict: 'open', stepKind: 'polish' })] } },
    ),
  },
  {
    says: 'version-open',
    severity: 'stop',
    bench: one([body, painted('A2', 'Panel')], {
      works: [holes()],
      choices: [choice(null)],
      joints: [plainJoint('j', 'A1', 'A2')],
    }),
    twin: one([body, painted('A2', 'Panel')], {
      works: [holes()],
      choices: [choice('touring')],
      joints: [plainJoint('j', 'A1', 'A2')],
    }),
  },
  {
    says: 'not-on-this-version',
    severity: 'warn',
    bench: one([body], { works: [holes()], choices: [choice('racing')] }),
    twin: one([body], { works: [holes()], choices: [choice('touring')] }),
  },
  {
    says: 'film-binds',
    severity: 'warn',
    bench: two([body, lamp], { clearanceMm: 0.06 }, { layers: [thick, thick] }),
    twin: two([body, lamp], { clearanceMm: 0.6 }, { layers: [thick, thick] }),
  },
  // Brushed coats thicken a face as sprayed ones do.
  {
    says: 'film-binds',
    severity: 'warn',
    bench: two(
      [body, lamp],
      { clearanceMm: 0.03 },
      { layers: [[{ ...colour, tool: 'brush' }], [{ ...colour, tool: 'brush' }]] },
    ),
    twin: two([body, lamp], { clearanceMm: 0.03 }, { layers: [[], []] }),
  },
  {
    says: 'film-closes',
    severity: 'warn',
    bench: one([body], place(0.12), { layers: thick }),
    twin: one([body], place(2), { layers: thick }),
  },
  {
    says: 'tight-after-paint',
    severity: 'warn',
    bench: two([body, lamp], {}, { kit: { fits: [fit({ clearanceMm: 0.1 })] } }),
    twin: two([body, lamp], {}, { kit: { fits: [fit({ clearanceMm: 0.4 })] } }),
  },
  // Felt, and not measured; with one coat of paint on one face alone.
  {
    says: 'tight-after-paint',
    severity: 'warn',
    bench: two(
      [body, lamp],
      {},
      { kit: { fits: [fit({ feel: 'tight' })] }, layers: [[{ ...colour, coats: 1 }], []] },
    ),
    twin: two(
      [body, lamp],
      {},
      { kit: { fits: [fit({ feel: 'free' })] }, layers: [[{ ...colour, coats: 1 }], []] },
    ),
  },
  {
    says: 'motion-untried',
    severity: 'warn',
    bench: two([body, lamp], { kind: 'hinge', motion: 'swings' }, { kit: { fits: [fit({})] } }),
    twin: two(
      [body, lamp],
      { kind: 'hinge', motion: 'swings' },
      { kit: { fits: [fit({ motionChecked: true })] } },
    ),
  },
  ...['solvent cement', 'liquid poly glue', 'thin plastic weld'].map((adhesive): Trap => ({
    says: 'cement-on-paint',
    severity: 'warn',
    bench: two([body, lamp], {}, { join: { adhesive } }),
    twin: two([body, lamp], {}, { join: { adhesive: 'solvent-free white glue' } }),
  })),
  {
    says: 'cement-on-paint',
    severity: 'warn',
    bench: two([body, lamp], {}, { join: { adhesive: 'cement' } }),
    twin: two([body, lamp], {}, { join: { adhesive: 'cement' }, layers: [[], []] }),
  },
  {
    says: 'cement-on-clear',
    severity: 'stop',
    bench: two(
      [body, plainPart('B1', { name: 'Lens', material: 'clear' })],
      {},
      { join: { adhesive: 'cement' }, layers: [[], []] },
    ),
    twin: two(
      [body, plainPart('B1', { name: 'Lens' })],
      {},
      { join: { adhesive: 'cement' }, layers: [[], []] },
    ),
  },
  ...['super glue', 'CA', 'thin cyano'].map((adhesive): Trap => ({
    says: 'glue-fogs',
    severity: 'warn',
    bench: two([body, plainPart('B1', { name: 'Lens', material: 'clear' })], {}, { join: { adhesive } }),
    twin: two(
      [body, plainPart('B1', { name: 'Lens', material: 'clear' })],
      {},
      { join: { adhesive: `odourless ${adhesive}` } },
    ),
  })),
  {
    says: 'glue-fogs',
    severity: 'warn',
    bench: two(
      [body, plainPart('B1', { name: 'Bumper', plated: true })],
      {},
      { join: { adhesive: 'CA gel' } },
    ),
    twin: two([body, plainPart('B1', { name: 'Bumper' })], {}, { join: { adhesive: 'CA gel' } }),
  },
  {
    says: 'glued-solid',
    severity: 'stop',
    bench: joined({}, {}, { motion: 'turns' }),
    twin: joined({}, {}, { motion: 'turns', kind: 'press' }),
  },
  {
    says: 'glued-solid',
    severity: 'stop',
    bench: two([body, lamp], { motion: 'swings' }),
    twin: two([body, lamp], { motion: 'swings', kind: 'hinge' }),
  },
  {
    says: 'glued-shut',
    severity: 'warn',
    bench: two([body, lamp], { motion: 'comes-off' }),
    twin: two([body, lamp], { motion: 'comes-off', kind: 'clip' }),
  },
  {
    says: 'glue-plasticiser',
    severity: 'warn',
    bench: two(
      [plainPart('A1', { name: 'Rim' }), plainPart('B1', { name: 'Tyre', material: 'vinyl' })],
      { kind: 'tyre' },
      { layers: [[], []] },
    ),
    twin: two(
      [painted('A1', 'Rim'), plainPart('B1', { name: 'Tyre', material: 'vinyl' })],
      { kind: 'tyre' },
      { layers: [PAINTED, []] },
    ),
  },
  {
    says: 'glue-old-glue',
    severity: 'warn',
    bench: joined({ state: 'joined-before' }),
    twin: joined({ state: 'cleaned' }),
  },
  {
    says: 'glue-squeeze-out',
    severity: 'note',
    bench: two([body, painted('B1', 'Panel', { areaCm2: 30 })]),
    twin: two([body, painted('B1', 'Panel', { areaCm2: 0.5 })]),
  },
  {
    says: 'leave-bare',
    severity: 'note',
    bench: two([body, painted('B1', 'Panel', { areaCm2: 30 })]),
    twin: two([body, painted('B1', 'Panel', { areaCm2: 30 })], { kind: 'clip' }),
  },
  {
    says: 'sprayed-with-the-rest',
    severity: 'warn',
    bench: apart({ material: 'clear' }),
    twin: apart({ material: 'styrene', zones: plainZones('red') }),
  },
  {
    says: 'sprayed-with-the-rest',
    severity: 'warn',
    bench: apart({ plated: true }),
    twin: apart({ plated: true, zones: plainZones('red') }),
  },
  {
    says: 'sprayed-with-the-rest',
    severity: 'warn',
    bench: apart({ material: 'vinyl' }),
    twin: apart({ material: 'vinyl' }, false),
  },
  {
    says: 'sprayed-with-the-rest',
    severity: 'warn',
    bench: apart({ material: 'poly' }),
    twin: {
      ...apart({ material: 'poly' }),
      trays: [{ id: 'one', name: 'Body', partIds: ['A1', 'A2'], layers: [] }],
    },
  },
  {
    says: 'part-lost',
    severity: 'warn',
    bench: one([painted('A1', 'Wheel', { state: 'lost' })]),
    twin: one([painted('A1', 'Wheel', { state: 'from-spares' })]),
  },
  {
    says: 'old-paint',
    severity: 'warn',
    bench: one([painted('A1', 'Door', { state: 'painted-before' })]),
    twin: one([painted('A1', 'Door', { state: 'painted-before' })], {}, { layers: [] }),
  },
  {
    says: 'no-finish',
    severity: 'warn',
    bench: one([plainPart('A1', { name: 'Door' })]),
    twin: one([plainPart('A1', { name: 'Door', zones: plainZones('red') })]),
  },
  {
    says: 'no-finish',
    severity: 'warn',
    bench: one([body, plainPart('A2', { name: 'Door', material: 'resin' })]),
    twin: one([body, plainPart('A2', { name: 'Door', material: 'metal' })]),
  },
  { says: 'flock-clogs', severity: 'warn', bench: flocked('hole'), twin: flocked('line') },
  {
    says: 'not-in-the-box',
    severity: 'warn',
    bench: one([body], { sheetSteps: [sheetStep({ absent: ['G9'] })] }),
    twin: one([body], { sheetSteps: [sheetStep({})] }),
  },
  {
    says: 'sheet-drills',
    severity: 'note',
    bench: one([body], { sheetSteps: [sheetStep({ drill: 'the mast hole' })] }),
    twin: one([body, painted('A2', 'Panel')], {
      sheetSteps: [sheetStep({ drill: 'the mast hole' }, ['Z9'])],
    }),
  },
  {
    says: 'sheet-note',
    severity: 'note',
    bench: joinedBySheet('do not cement'),
    twin: joinedBySheet(''),
  },
  {
    says: 'resin-release',
    severity: 'note',
    bench: one([painted('A1', 'Door', { material: 'resin' })]),
    twin: one([painted('A1', 'Door')]),
  },
  {
    says: 'mind-the-fragile',
    severity: 'note',
    bench: {
      ...joined({ fragile: true }),
      trays: [{ id: 'one', name: 'Body', partIds: ['A1', 'A2'], layers: [primer, colour, mask, colour] }],
    },
    twin: {
      ...joined({}),
      trays: [{ id: 'one', name: 'Body', partIds: ['A1', 'A2'], layers: [primer, colour, mask, colour] }],
    },
  },
  {
    says: 'part-note',
    severity: 'note',
    bench: one([painted('A1', 'Door', { note: 'the pin is short' })]),
    twin: one([painted('A1', 'Door', { note: ' ' })]),
  },
  {
    says: 'joint-note',
    severity: 'note',
    bench: joined({}, {}, { note: 'a hair forward' }),
    twin: joined({}),
  },
  {
    says: 'decided',
    severity: 'note',
    bench: one([body], { evidence: [evidence({ verdict: 'other', decision: 'by eye, 4 mm back' })] }),
    twin: one([body, painted('A9', 'Panel')], {
      evidence: [evidence({ verdict: 'other', partIds: ['Z9'] })],
    }),
  },
  {
    says: 'tyre-after-cure',
    severity: 'note',
    bench: two(
      [painted('A1', 'Rim'), plainPart('B1', { name: 'Tyre', material: 'vinyl' })],
      {},
      { layers: [PAINTED, []] },
    ),
    twin: two(
      [
        painted('A1', 'Rim'),
        plainPart('B1', { name: 'Tyre', material: 'styrene', zones: plainZones('black') }),
      ],
      {},
      { layers: [[], []] },
    ),
  },
  // A tyre of plain plastic is known by its name alone.
  {
    says: 'tyre-after-cure',
    severity: 'note',
    bench: two(
      [painted('A1', 'Rim'), plainPart('B1', { name: 'Tyre', zones: plainZones('black') })],
      {},
      { layers: [PAINTED, []] },
    ),
    twin: two(
      [painted('A1', 'Rim'), plainPart('B1', { name: 'Hub', zones: plainZones('black') })],
      {},
      { layers: [PAINTED, []] },
    ),
    words: [
      { Tyre: 'Front tires', Rim: 'Wheel, front', Hub: 'Hub cap' },
      { Tyre: 'tyre (rear, left)', Rim: 'Wheel rear L', Hub: 'Centre cap' },
    ],
  },
  {
    says: 'no-longer-enters',
    severity: 'stop',
    bench: screen(false),
    twin: screen(true),
    words: [
      { Body: 'Body shell', Windscreen: 'Windshield', 'Rear view mirror': 'Interior mirror' },
      { Body: 'Coachwork', Windscreen: 'Front window', 'Rear view mirror': 'Mirror, inside' },
    ],
  },
  { says: 'no-longer-enters', severity: 'stop', bench: captured(false), twin: captured(true) },
  { says: 'mask-shut-in', severity: 'warn', bench: shutMask('black'), twin: shutMask('red') },
  { says: 'left-out', severity: 'warn', bench: leaveOut(true), twin: leaveOut(false) },
  {
    says: 'no-paint-chosen',
    severity: 'warn',
    bench: one([body], {}, { layers: [primer, { id: 'c', kind: 'colour', coats: 3, tool: 'airbrush' }] }),
    twin: one([body]),
  },
  {
    says: 'not-on-the-shelf',
    severity: 'warn',
    bench: one([body], {}, {}, { levelMl: null }),
    twin: one([body], {}, {}, { levelMl: 30 }),
  },
  {
    says: 'runs-short',
    severity: 'warn',
    bench: one([body], {}, { areaCm2: 300 }, { levelMl: 0.5 }),
    twin: one([body], {}, { areaCm2: 300 }, { levelMl: 60 }),
  },
  {
    says: 'later-than-its-day',
    severity: 'warn',
    bench: one([body], { aims: [{ id: 'a', deadline: '2026-05-12', priority: 'usual' }] }),
    twin: one([body], { aims: [{ id: 'a', deadline: '2026-08-12', priority: 'usual' }] }),
  },
  { says: 'still-to-get', severity: 'warn', bench: one([body], want(false)), twin: one([body], want(true)) },
  {
    says: 'pin-not-kept',
    severity: 'warn',
    bench: one([body], pinned(14, 3).kit),
    twin: one([body], pinned(14, 19).kit),
  },
  {
    says: 'no-longer-planned',
    severity: 'warn',
    bench: one([body], {}, {}, done('b/one/open-gone')),
    twin: one([body], { works: [holes({ always: true, neededBy: [] })] }, {}, done('b/one/open-w')),
  },
  {
    says: 'contradiction',
    severity: 'warn',
    bench: {
      ...two([body, lamp]),
      joins: [{ id: 'on', name: 'Body to Lamp', trayIds: ['one', 'two'], afterJoinIds: ['gone'] }],
    },
    twin: two([body, lamp]),
  },
  {
    says: 'learnt-earlier',
    severity: 'note',
    bench: one([painted('A1', 'Door', { material: 'resin' })], {}, {}, { lessons: [ABOUT_RESIN] }),
    twin: one([painted('A1', 'Door')], {}, {}, { lessons: [ABOUT_RESIN] }),
  },
  {
    says: 'too-humid',
    severity: 'stop',
    bench: one([body], {}, {}, { conditions: { temperatureC: 20, humidity: 82 } }),
    twin: one([body], {}, {}, { conditions: { temperatureC: 20, humidity: 82 }, forecast: MILD_DAYS(55) }),
  },
  {
    says: 'ends-the-chance',
    severity: 'note',
    bench: screen(true),
    twin: {
      ...screen(true),
      trays: [{ id: 'shell', name: 'Body', partIds: ['A1', 'B1', 'C1'], layers: PAINTED }],
      joins: [],
    },
    words: [
      { Body: 'Body shell', Windscreen: 'Windshield', 'Rear view mirror': 'Interior mirror' },
      { Body: 'Coachwork', Windscreen: 'Front window', 'Rear view mirror': 'Mirror, inside' },
    ],
  },
];

/** Mistakes in a stack: what breaks a rule of the finish, and what comes close and does not. */
export const STACK_TRAPS: readonly Trap[] = Object.entries(CASES).map(([id, test]) => {
  const evening = (minutes: number | undefined) =>
    minutes === undefined
      ? {}
      : { sessions: Array.from({ length: 7 }, (_, day) => ({ day, start: 1140, end: 1140 + minutes })) };
  const bench = (layers: typeof PAINTED, change: typeof test.change, air: typeof test.air): TrapBench => ({
    ...benchOfStack(stack(layers, change)),
    ...(air ? { conditions: air } : {}),
    ...evening(test.longestSession),
  });
  return {
    says: id,
    bench: bench(test.breaks, test.change, test.air),
    twin: bench(test.keeps, test.keepsChange, test.mildAir),
  };
});
