import { describe, expect, it } from 'vitest';
import type { AnyObjectSchema } from 'yup';
import {
  buildInput,
  codeInput,
  joinInput,
  layerSchema,
  paintBatch,
  paintInput,
  pathTo,
  PATHS,
  planInput,
  settingsUpdate,
  shelfInput,
  stepInput,
  trayInput,
} from './index.ts';

const layer = { id: 'c', kind: 'colour', coats: 3, tool: 'airbrush' };
const tray = {
  name: 'Body',
  areaCm2: 100,
  substrateId: 'styrene-white',
  partIds: [],
  layers: [layer],
  codeId: null,
  position: 0,
};
const paint = {
  range: 'Mine',
  code: '1',
  name: 'Blue',
  family: 'lacquer',
  container: 'bottle',
  role: 'colour',
  sheen: 'gloss',
  hiding: 'opaque',
  priceCents: 0,
  volumeMl: 17,
  hex: '#24527a',
  owned: true,
};
const code = {
  maker: 'Own',
  code: '1',
  name: '',
  years: '',
  kind: 'solid',
  provenance: 'chip',
  hex: '#24527a',
};
const settings = {
  conditions: { temperatureC: 20, humidity: 50 },
  calendar: { sessions: [{ day: 1, start: 600, end: 700 }], closed: ['2026-12-24'] },
  preferences: { temperature: 'C', volume: 'ml' },
};
const step = {
  operationId: 'a',
  buildId: 'b',
  trayId: null,
  title: 'Coat',
  endedAt: 10,
  minutes: 5,
  note: '',
};
const plan = {
  fingerprint: 'x',
  starts: { a: 5 },
  finish: 9,
  bound: 8,
  setupMinutes: 0,
  proved: false,
};
const join = { name: 'On', trayIds: ['a'], afterJoinIds: [], minutes: 5, adhesive: 'PVA', setMinutes: 0 };

const GOOD: [string, AnyObjectSchema, object][] = [
  ['layer', layerSchema, layer],
  ['layer with drops', layerSchema, { ...layer, mix: { a: 5, b: 1 }, mistCoats: 1 }],
  ['tray', trayInput, tray],
  ['paint by hex', paintInput, paint],
  ['paint by Lab', paintInput, { ...paint, hex: undefined, lab: { L: 40, a: 1, b: 2 } }],
  ['code', codeInput, code],
  ['settings', settingsUpdate, settings],
  ['step', stepInput, step],
  ['plan', planInput, plan],
  ['joint', joinInput, join],
];

const BAD: [string, AnyObjectSchema, object, RegExp][] = [
  ['no coats', layerSchema, { ...layer, coats: 0 }, /coats must lie between 1 and 30/],
  ['half a coat', layerSchema, { ...layer, coats: 1.5 }, /whole number/],
  ['a layer nobody knows', layerSchema, { ...layer, kind: 'glitter' }, /kind of layer must be one of/],
  ['drops of nothing', layerSchema, { ...layer, mix: { a: 0 } }, /drops must be whole numbers/],
  [
    'nine paints in a cup',
    layerSchema,
    { ...layer, mix: Object.fromEntries('abcdefghi'.split('').map((id) => [id, 1])) },
    /drops/,
  ],
  ['an area of nothing', trayInput, { ...tray, areaCm2: 0 }, /area in cm2/],
  [
    'two layers of one id',
    trayInput,
    { ...tray, layers: [layer, layer] },
    /two layers of a stack have the same id/,
  ],
  ['an id that every object has', layerSchema, { ...layer, id: '__proto__' }, /cannot be an id/],
  ['a mix of such ids', layerSchema, { ...layer, mix: JSON.parse('{"__proto__": 3}') as object }, /drops/],
  ['a field that is not known', layerSchema, { ...layer, ['x'.repeat(5000)]: 1 }, /not known: x{79}…$/],
  [
    'a plan that starts beyond all calendars',
    planInput,
    { fingerprint: 'f', starts: { a: 1e300 }, finish: 1, bound: 1, setupMinutes: 0, proved: true },
    /within the years that a calendar can show/,
  ],
  ['a number for a name', trayInput, { ...tray, name: 7 }, /string/],
  ['a paint without colour', paintInput, { ...paint, hex: undefined }, /hex or as Lab/],
  ['a hex of five digits', paintInput, { ...paint, hex: '#12345' }, /3 or 6 digits/],
  ['an empty list of paints', paintBatch.shape, { paints: [] }, /no paint in the list/],
  [
    'a Lab that no light gives',
    codeInput,
    { ...code, hex: undefined, lab: { L: 40, a: 400, b: 0 } },
    /a must lie between -160 and 160/,
  ],
  [
    'a day that is no day',
    settingsUpdate,
    { ...settings, calendar: { sessions: [{ day: 8, start: 1, end: 9 }], closed: [] } },
    /day of the week/,
  ],
  [
    'a closed day in words',
    settingsUpdate,
    { ...settings, calendar: { sessions: [], closed: ['Christmas'] } },
    /2026-12-24/,
  ],
  [
    'a forecast for no day',
    settingsUpdate,
    {
      ...settings,
      calendar: {
        ...settings.calendar,
        forecast: [{ day: '2026-02-30', temperatureC: 20, humidity: 80 }],
      },
    },
    /2026-02-30 is no day of any calendar/,
  ],
  [
    'two forecasts for one day',
    settingsUpdate,
    {
      ...settings,
      calendar: {
        ...settings.calendar,
        forecast: [80, 60].map((humidity) => ({ day: '2026-02-20', temperatureC: 20, humidity })),
      },
    },
    /two forecasts are for the same day/,
  ],
  [
    'heat',
    settingsUpdate,
    { ...settings, conditions: { temperatureC: 70, humidity: 50 } },
    /temperature in C/,
  ],
  ['a step of two days', stepInput, { ...step, minutes: 3000 }, /minutes it took/],
  ['a start between minutes', planInput, { ...plan, starts: { a: 0.5 } }, /whole-minute starts/],
  ['a level below the bottom', shelfInput, { levelMl: -1 }, /level in ml/],
  ['a scale of one', buildInput, { name: 'a', subject: '', scale: 1 }, /scale must lie between 4 and 100/],
  ['a joint in no time', joinInput, { ...join, minutes: 0 }, /minutes must lie/],
];

describe('what crosses the wire', () => {
  it.each(GOOD)('takes a good %s unchanged', (_, schema, value) => {
    expect(schema.validateSync(value, { strict: true, abortEarly: false })).toEqual(value);
  });

  it.each(BAD)('refuses %s with a word about it', (_, schema, value, message) => {
    expect(() => {
      schema.validateSync(value, { strict: true });
    }).toThrow(message);
  });

  it('puts ids with slashes safely into paths', () => {
    expect(pathTo(PATHS.step, 'a/b c')).toBe('/api/steps/a%2Fb%20c');
  });
});
