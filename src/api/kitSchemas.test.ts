import { describe, expect, it } from 'vitest';
import { plainJoint, plainPart } from '../core/kit/index.ts';
import { changesSchema, KIT_ITEMS, MOST_CHANGES, STOCK_ITEMS, subassembliesInput } from './index.ts';

const { id: _part, ...part } = plainPart('A1', { name: 'Body' });
const { id: _joint, ...joint } = plainJoint('j', 'a', 'b');
const option = { id: 'o', name: 'open', needs: ['a'], rulesOut: [], markings: ['12'], finishIds: [] };
const evidence = {
  title: 'Filter',
  partIds: ['a'],
  stepKind: null,
  sheet: '',
  evidence: '',
  source: '',
  pictureId: null,
  confidence: 'likely',
  verdict: 'open',
  decision: '',
};
const GOOD: [keyof typeof KIT_ITEMS, object][] = [
  ['part', part],
  [
    'part',
    { ...part, zones: [{ id: 'z', name: '', finishId: 'f', share: 0.5, boundary: 'masked', edgeMm: null }] },
  ],
  ['finish', { name: 'Cream', look: 'gloss', codeId: null }],
  ['joint', joint],
  ['joint', { ...joint, pin: 'before', clearanceMm: -0.05, captured: ['c'] }],
  ['choice', { name: 'Roof', options: [option], chosen: null }],
  ['work', { kind: 'hole', partId: 'a', name: 'holes', neededBy: ['o'], always: false }],
  ['evidence', evidence],
  ['box', { name: 'Frame A', checked: true, note: '' }],
  ['fit', { jointId: 'j', stage: 'bare', feel: 'snug', clearanceMm: null, motionChecked: false, done: '' }],
  ['stance', { heightsMm: [20, 20, 21, 21], rakeMm: 0.5, shimsMm: [0.25], note: '' }],
  ['want', { name: 'Mesh', why: '', optionId: null, leadDays: 14, have: false, substitute: '', looks: '' }],
  ['decal', { name: 'White', lab: { L: 95, a: 0, b: 2 }, transparent: false, codeId: null }],
  ['brightwork', { partId: 'a', curvature: 'tight', route: null }],
  ['brightwork', { partId: 'a', curvature: 'flat', route: 'foil' }],
  ['assembly', { school: 'pieces' }],
];
const BAD: [keyof typeof KIT_ITEMS, object, RegExp][] = [
  ['part', { ...part, name: '' }, /name of the part is missing/],
  ['part', { ...part, count: 0 }, /count of a part must lie between 1 and 200/],
  ['part', { ...part, material: 'cheese' }, /material must be one of: styrene/],
  ['part', { ...part, areaCm2: -1 }, /area in cm2 must lie between/],
  ['part', { ...part, glitter: true }, /glitter/],
  ['joint', { ...joint, pin: 'later' }, /a pin must be none or one of: before, after/],
  ['joint', { ...joint, seam: 'zip' }, /seam must be one of/],
  [
    'choice',
    { name: 'Roof', options: [{ ...option, name: '' }], chosen: null },
    /name of an option is missing/,
  ],
  ['evidence', { ...evidence, verdict: 'maybe' }, /verdict must be one of: open, sheet, evidence, other/],
  [
    'fit',
    { jointId: 'j', stage: 'wet', feel: 'snug', clearanceMm: null, motionChecked: false, done: '' },
    /stage must be one of/,
  ],
  ['stance', { heightsMm: [20, 20, 21], rakeMm: 0, shimsMm: [], note: '' }, /four corners/],
  ['stance', { heightsMm: [20, 20, 21, 999], rakeMm: 0, shimsMm: [], note: '' }, /between 0 and 200/],
  [
    'decal',
    { name: 'White', lab: { L: 120, a: 0, b: 2 }, transparent: false, codeId: null },
    /L of a decal colour must lie/,
  ],
  [
    'brightwork',
    { partId: 'a', curvature: 'flat', route: 'gilding' },
    /route to bright metal must be none or one of: keep-plating/,
  ],
  ['assembly', { school: 'both' }, /school must be one of: pieces, join-first/],
];

describe('records of a kit on the wire', () => {
  it.each(GOOD)('take a good %s unchanged', (kind, value) => {
    expect(KIT_ITEMS[kind].validateSync(value, { strict: true, abortEarly: false })).toEqual(value);
  });

  it.each(BAD)('refuse a bad %s with a word about it', (kind, value, message) => {
    expect(() => {
      KIT_ITEMS[kind].validateSync(value, { strict: true });
    }).toThrow(message);
  });

  it('change only known kinds, and not too many at once', () => {
    const schema = changesSchema(STOCK_ITEMS);
    const change = { kind: 'spare', id: 's', version: 0, value: null };
    expect(schema.isValidSync({ changes: [change] }, { strict: true })).toBe(true);
    expect(() => {
      schema.validateSync({ changes: [{ ...change, kind: 'part' }] }, { strict: true });
    }).toThrow(/must be one of: spare, material, bar, lesson/);
    expect(() => {
      schema.validateSync({ changes: Array(MOST_CHANGES + 1).fill(change) }, { strict: true });
    }).toThrow(/at most 500 changes/);
    expect(() => {
      schema.validateSync({ changes: [{ kind: 'spare', id: 's', value: null }] }, { strict: true });
    }).toThrow(/record version is missing/);
  });

  it('take a division with its joins', () => {
    const tray = {
      name: 'Body',
      areaCm2: 10,
      substrateId: 'styrene-white',
      partIds: ['a'],
      layers: [],
      codeId: null,
      position: 0,
    };
    const join = {
      name: 'On',
      trayIds: ['t'],
      afterJoinIds: [],
      jointIds: ['j'],
      minutes: 5,
      adhesive: 'PVA',
      setMinutes: 0,
    };
    const input = {
      trays: [{ id: 't', version: 0, tray }],
      removed: [],
      joins: [{ id: 'x', version: 0, join }],
      removedJoins: [],
    };
    expect(subassembliesInput.validateSync(input, { strict: true })).toEqual(input);
    expect(() => {
      subassembliesInput.validateSync({ ...input, trays: [{ id: 't', version: 0 }] }, { strict: true });
    }).toThrow();
  });
});
