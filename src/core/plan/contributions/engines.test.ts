import { describe, expect, it } from 'vitest';
import {
  engineRecord,
  facingRecord,
  newRecord,
  plainJoint,
  plainPart,
  type Engine,
  type Facing,
  type Kit,
} from '../../kit/index.ts';
import { kitWith } from '../../kit/plainKit.ts';
import { summariseKit } from '../kitSummary.ts';

const parts = [
  plainPart('B1', { name: 'Crankcase', engineKind: 'Block' }),
  plainPart('B2', { name: 'Barrel head', engineKind: 'head' }),
  plainPart('B3', { name: 'Frame' }),
];
const joints = [plainJoint('hb', 'B1', 'B2'), plainJoint('bf', 'B1', 'B3')];
const trays = [
  { id: 'engine', partIds: ['B1', 'B2'] },
  { id: 'frame', partIds: ['B3'] },
];
const joins = [{ id: 'in', jointIds: ['bf'] }];
const facing = (more: Partial<Facing> = {}): Facing => ({
  ...newRecord(facingRecord),
  id: 'f',
  partId: 'B2',
  what: 'the end with the thick flange',
  ...more,
});
const engine = (id: string, kinds: string[]): Engine => ({
  ...newRecord(engineRecord),
  id,
  name: id,
  slots: [{ name: 'block', kinds, count: 1, seen: true }],
});
const summary = (kit: Partial<Kit>) => summariseKit(kitWith({ parts, joints, ...kit }), trays, joins, 24);
const said = (kit: Partial<Kit>, rule: string) => summary(kit).advice.filter((each) => each.rule === rule);

describe('which way round a part sits', () => {
  it('is said where it is tried and glued, with what tells it', () => {
    const [note, ...more] = said({ facings: [facing({ mark: 'notch', holes: 3 })] }, 'faces');
    expect(more).toEqual([]);
    expect(note).toMatchObject({
      severity: 'note',
      text: 'B2 Barrel head: the end with the thick flange faces the front; told by a notch; 3 holes on that side',
      about: { parts: ['B2'], trays: ['engine'] },
      at: { trays: ['engine'], joins: [], kinds: ['dry-fit', 'join', 'assemble'] },
    });
    expect(said({ facings: [facing()] }, 'sits-off-its-pins')).toEqual([]);
  });

  it('is said at the join after paint that glues that part, and at no other', () => {
    expect(said({ facings: [facing({ partId: 'B1' })] }, 'faces')[0]!.at.joins).toEqual(['in']);
  });

  it('warns before paint where the part is cut to sit right', () => {
    const [warned] = said({ facings: [facing({ aheadMm: -0.8, trim: 'file-bar' })] }, 'sits-off-its-pins');
    expect(warned).toMatchObject({
      severity: 'warn',
      why: 'It sits 0.8 mm behind its pins; first file its bar down.',
      at: { before: ['primer', 'colour', 'metal'] },
    });
  });

  it('is silent of parts that the version leaves off', () => {
    const left = parts.map((part) => (part.id === 'B2' ? { ...part, use: 'left-off' as const } : part));
    expect(said({ parts: left, facings: [facing({ trim: 'bend' })] }, 'faces')).toEqual([]);
  });
});

describe('an engine that is not decided', () => {
  const both = [engine('small', ['block']), engine('large', ['block ', 'long block'])];

  it('is warned of where its parts are joined or painted, until the version picks one', () => {
    expect(said({ engines: both }, 'engine-open')).toMatchObject([
      { severity: 'warn', about: { trays: ['engine'], parts: ['B1'] }, why: /^small, large:/ },
    ]);
    expect(summary({ engines: both }).detail.open).toBe(1);
    const option = { id: 'o', name: 'small', needs: [], rulesOut: [], markings: [], finishIds: [] };
    const choices = [{ id: 'c', name: 'Engine', chosen: 'o', options: [option] }];
    const taken = { engines: [{ ...both[0]!, optionId: 'o' }, both[1]!], choices };
    expect(said(taken, 'engine-open')).toEqual([]);
    expect(summary(taken).detail.open).toBe(0);
  });

  it('is no matter with one engine, and what is told half counts as open', () => {
    expect(said({ engines: [both[0]!] }, 'engine-open')).toEqual([]);
    expect(summary({ engines: [engine('half', [])] }).detail.open).toBe(1);
  });
});
