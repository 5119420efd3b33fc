import {
  effectRecord,
  inspectionRecord,
  insertionRecord,
  levelRecord,
  newRecord,
  paneRecord,
  partBoxRecord,
  seatRecord,
  tryoutRecord,
  type Part,
  type PartBox,
} from '../../kit/index.ts';
import { plainJoint, plainPart, plainZones } from '../../kit/plainKit.ts';
import { EVERY_EVENING, type TrapBench } from './trapBench.ts';
import { body, one, painted, two, type Trap } from './traps.ts';

const seat = (id: string, partId: string, more: object = {}) => ({
  ...newRecord(seatRecord),
  id,
  name: id,
  partId,
  rakeDeg: 20,
  ...more,
});
const wood = (id: string, partId: string, more: object = {}) => ({
  ...newRecord(effectRecord),
  id,
  name: id,
  partId,
  base: '#c49a6c',
  ...more,
});
const goesIn = (unitMm: number, more: object = {}) => ({
  ...newRecord(insertionRecord),
  id: 'in',
  name: 'Unit into shell',
  partId: 'B1',
  shellPartId: 'A1',
  gaugeMm: 1.2,
  sideMm: 25,
  stations: [
    { atMm: 10, unitMm, openMm: 50 },
    { atMm: 100, unitMm, openMm: 50 },
  ],
  ...more,
});
const straight = (leftMm: number | null, rightMm: number | null) => ({
  ...newRecord(levelRecord),
  id: 'level',
  name: 'Front bumper',
  partId: 'B1',
  measures: [{ name: 'height', leftMm, rightMm }],
});
const shell = painted('B1', 'Chassis');
const pair = (kit: TrapBench['kit']) => two([body, shell], {}, { kit });

const tub = (zones: Part['zones']) => painted('A1', 'Tub', { zones });
const cushion = painted('B1', 'Seat', { zones: plainZones('black') });
const arches = {
  ...plainZones('black')[0]!,
  id: 'arches',
  name: 'arches',
  share: 0.2,
  boundary: 'masked' as const,
  edgeMm: null,
};

const small = (id: string) => plainPart(id, { areaCm2: 1, zones: plainZones('black') });
const threeSmall = (spread: boolean): TrapBench => {
  const parts = [small('A1'), small('A2'), small('B1')];
  const layers = two([body, shell]).trays[0]!.layers!;
  const trays = spread ? [['A1', 'A2'], ['B1']] : [['A1', 'A2', 'B1']];
  return {
    kit: { ...one([]).kit, parts },
    trays: trays.map((partIds, at) => ({ id: `t${at}`, name: `Tray ${at}`, partIds, layers })),
  };
};

const box = (partId: string, behindMm: number): PartBox => ({
  ...newRecord(partBoxRecord),
  id: partId,
  partId,
  behindMm,
  lengthMm: 4,
  widthMm: 4,
  heightMm: 4,
});
/** A pane that goes into the shell first, and a plated part that is glued near it later. */
const nearGlass = (mm: number): TrapBench => {
  const parts = [
    body,
    plainPart('B1', { name: 'Screen', material: 'clear', areaCm2: 12 }),
    plainPart('C1', { name: 'Grip', material: 'resin', areaCm2: 3 }),
    plainPart('D1', { name: 'Plinth', material: 'resin', areaCm2: 15 }),
  ];
  const layers = two([body, shell]).trays[0]!.layers!;
  return {
    kit: {
      ...one([]).kit,
      parts,
      joints: [
        plainJoint('g', 'B1', 'A1', { kind: 'glass' }),
        plainJoint('f', 'D1', 'A1'),
        plainJoint('p', 'C1', 'D1', { captured: [] }),
      ],
      panes: [{ ...newRecord(paneRecord), id: 'pane', name: 'Screen', partId: 'B1' }],
      partBoxes: [box('B1', 20), box('C1', 20 + mm)],
    },
    trays: [
      { id: 'a', name: 'Body', partIds: ['A1'], layers },
      { id: 'b', name: 'Glass', partIds: ['B1'], layers: [] },
      { id: 'c', name: 'Grip', partIds: ['C1'], layers: [] },
      { id: 'd', name: 'Plinth', partIds: ['D1'], layers: [] },
    ],
    joins: [
      { id: 'glass', name: 'Screen to body', trayIds: ['b', 'a'] },
      { id: 'plinth', name: 'Plinth to body', trayIds: ['d', 'a'], afterJoinIds: ['glass'] },
      { id: 'post', name: 'Grip to plinth', trayIds: ['c', 'd'], afterJoinIds: ['plinth'] },
    ],
  };
};

const moving = (moves: 'freely' | 'not') =>
  two(
    [body, painted('B1', 'Lid')],
    { kind: 'hinge', motion: 'swings' },
    {
      kit: { tryouts: [{ ...newRecord(tryoutRecord), id: 't', jointId: 'j', moves }] },
    },
  );

/** A body whose primer was looked over. */
const primed = (more: object): TrapBench =>
  one([body], {
    inspections: [
      {
        ...newRecord(inspectionRecord),
        id: 'seen',
        operationId: 'b/one/primer-generic-primer-grey-2',
        fault: 'run' as const,
        where: 'lower edge',
        ...more,
      },
    ],
  });

/** Mistakes in the cabin, at the glass, when everything is closed, and of what was found. */
export const CABIN_TRAPS: readonly Trap[] = [
  {
    says: 'seat-no-height',
    severity: 'warn',
    bench: pair({ seats: [seat('s', 'B1', { wheelMm: 14, sillMm: 16 })] }),
    twin: pair({ seats: [seat('s', 'B1', { wheelMm: 20, sillMm: 16 })] }),
  },
  {
    says: 'seats-differ',
    severity: 'warn',
    bench: pair({ seats: [seat('l', 'B1'), seat('r', 'B1', { heightMm: 13 })] }),
    // Two seats that are no pair may stand as they like.
    twin: pair({ seats: [seat('l', 'B1'), seat('r', 'A1', { heightMm: 13 })] }),
  },
  {
    says: 'in-seat-colour',
    severity: 'note',
    bench: two([tub([...plainZones('red'), arches]), cushion], {}, { kit: { seats: [seat('s', 'B1')] } }),
    twin: two([tub(plainZones('red')), cushion], {}, { kit: { seats: [seat('s', 'B1')] } }),
  },
  {
    says: 'grown-alike',
    severity: 'note',
    bench: pair({ effects: [wood('one', 'A1'), wood('other', 'B1')] }),
    twin: pair({ effects: [wood('one', 'A1'), wood('other', 'B1', { passes: 6 })] }),
  },
  {
    says: 'grown-alike',
    severity: 'note',
    bench: pair({ effects: [wood('one', 'A1'), wood('other', 'B1')] }),
    // Nothing is known of a base that nobody typed.
    twin: pair({ effects: [wood('one', 'A1'), wood('other', 'B1', { base: '' })] }),
  },
  { says: 'small-batch', severity: 'note', bench: threeSmall(true), twin: threeSmall(false) },
  {
    says: 'shell-breaks',
    severity: 'warn',
    bench: pair({ insertions: [goesIn(70)] }),
    twin: pair({ insertions: [goesIn(51)] }),
  },
  {
    says: 'no-way-in',
    severity: 'warn',
    bench: pair({
      insertions: [
        goesIn(49, {
          stations: [
            { atMm: 0, unitMm: 49, openMm: null },
            { atMm: 10, unitMm: 49, openMm: 50 },
            { atMm: 100, unitMm: 49, openMm: 50 },
          ],
        }),
      ],
    }),
    twin: pair({ insertions: [goesIn(49)] }),
  },
  {
    says: 'way-in-unknown',
    severity: 'note',
    bench: pair({ insertions: [goesIn(49, { stations: [] })] }),
    twin: pair({ insertions: [goesIn(49)] }),
  },
  {
    says: 'set-straight',
    severity: 'warn',
    bench: pair({ levels: [straight(12.6, 12)] }),
    twin: pair({ levels: [] }),
  },
  {
    says: 'no-longer-moves',
    severity: 'warn',
    bench: moving('not'),
    twin: moving('freely'),
  },
  {
    says: 'late-part',
    severity: 'note',
    bench: two([body, painted('B1', 'Mirror', { areaCm2: 1 })]),
    twin: two([body, painted('B1', 'Door', { areaCm2: 20 })]),
  },
  {
    says: 'not-decided',
    severity: 'warn',
    bench: primed({}),
    twin: primed({ outcome: 'live-with' }),
  },
  {
    says: 'not-decided',
    severity: 'warn',
    bench: primed({}),
    // Nothing was found.
    twin: primed({ fault: null }),
  },
  {
    says: 'fix-before',
    severity: 'stop',
    bench: primed({ outcome: 'fix-later' }),
    twin: primed({ outcome: 'fix-now' }),
  },
  {
    says: 'look-over',
    severity: 'note',
    bench: one([body]),
    twin: { kit: {}, trays: [] },
  },
  { says: 'fogs-glass', severity: 'warn', bench: nearGlass(30), twin: nearGlass(80) },
  {
    says: 'last-chance',
    severity: 'note',
    bench: two(
      [body, painted('B1', 'Bulb', { zones: plainZones('black') })],
      {},
      {
        kit: {
          parts: [body, painted('B1', 'Bulb', { zones: plainZones('black') }), painted('C1', 'Lens')],
          joints: [plainJoint('j', 'A1', 'B1'), plainJoint('k', 'A1', 'C1', { captured: ['B1'] })],
        },
        trays: [
          { id: 'one', name: 'Body', partIds: ['A1'], layers: two([body, shell]).trays[0]!.layers! },
          { id: 'two', name: 'Bulb', partIds: ['B1'], layers: two([body, shell]).trays[0]!.layers! },
          { id: 'three', name: 'Lens', partIds: ['C1'], layers: two([body, shell]).trays[0]!.layers! },
        ],
        joins: [
          { id: 'on', name: 'Bulb to body', trayIds: ['one', 'two'] },
          { id: 'over', name: 'Lens to body', trayIds: ['one', 'three'] },
        ],
        sessions: EVERY_EVENING,
      },
    ),
    twin: two([body, painted('B1', 'Bulb', { zones: plainZones('black') })]),
  },
];
