import { describe, expect, it } from 'vitest';
import { assembleKit } from '../assembleKit.ts';
import { withLaterFields } from '../laterFields.ts';
import { checkKit } from '../checkKit.ts';
import { copyKit, recordsOfKit } from '../copyKit.ts';
import { danglingReferences, withoutOrphans, withWhatGoesToo, type KitChange } from '../removal.ts';
import { EXAMPLE_TARGETS, exampleKit } from './exampleRecords.ts';
import type { Fields } from './fields.ts';
import {
  EMPTY_KIT,
  isRealDay,
  KIT_RECORDS,
  markingRecord,
  newRecord,
  partRecord,
  viewRecord,
  type Kit,
  type RecordDefinition,
} from './index.ts';
import { referencesOf, withReferences } from './references.ts';

const ALL: readonly RecordDefinition[] = KIT_RECORDS;
const named = ALL.map((record) => [record.kind, record] as const);
const impossible = (kit: Kit) =>
  checkKit(kit).flatMap(({ kind, message }) => (kind === 'impossible' ? [message] : []));
/** The kit as it is once changes are stored. */
function changed(kit: Kit, changes: readonly KitChange[]): Kit {
  const items = new Map(recordsOfKit(kit).map((item) => [`${item.kind} ${item.id}`, item]));
  for (const { kind, id, value } of changes) {
    if (value) items.set(`${kind} ${id}`, { kind, id, value: { ...value, id } });
    else items.delete(`${kind} ${id}`);
  }
  return assembleKit([...items.values()]);
}

describe('every kind of record', () => {
  it('has a kind and a list of its own', () => {
    expect(new Set(ALL.map(({ kind }) => kind)).size).toBe(ALL.length);
    expect(new Set(ALL.map(({ list }) => list)).size).toBe(ALL.length);
    expect(Object.keys(EMPTY_KIT).sort()).toEqual(ALL.map(({ list }) => list).sort());
  });

  it.each(named)('%s: is in a sound example kit and comes back as it was stored', (kind, record) => {
    const kit = exampleKit();
    expect(impossible(kit)).toEqual([]);
    expect(kit[record.list as keyof Kit].length).toBeGreaterThan(0);
    const stored = JSON.parse(JSON.stringify(recordsOfKit(kit))) as ReturnType<typeof recordsOfKit>;
    expect(stored.some((item) => item.kind === kind)).toBe(true);
    const again = assembleKit(stored);
    const byId = (list: readonly { id: string }[]) => [...list].sort((p, q) => (p.id < q.id ? -1 : 1));
    expect(byId(again[record.list as keyof Kit])).toEqual(byId(kit[record.list as keyof Kit]));
  });

  it.each(named)(
    '%s: holds what a new one would where it was stored before a field was there',
    (kind, record) => {
      for (const { id: _, ...value } of exampleKit()[record.list as keyof Kit] as { id: string }[])
        for (const [key, { optional, initial }] of Object.entries(record.fields)) {
          const { [key]: __, ...older } = value as Record<string, unknown>;
          expect(withLaterFields(kind, older)).toEqual(optional ? older : { ...older, [key]: initial });
        }
    },
  );

  it('fills in what is missing within its groups and lists, and leaves other kinds alone', () => {
    const view = { ...newRecord(viewRecord), openings: [{ id: 'o', path: 'M0 0 H5 V5 Z' }] };
    expect(withLaterFields('view', view)).toMatchObject({
      openings: [{ id: 'o', name: '', path: 'M0 0 H5 V5 Z' }],
    });
    const { artwork, ...marking } = newRecord(markingRecord);
    expect(withLaterFields('marking', { ...marking, artwork: { kind: 'label', text: 'AIR' } })).toMatchObject(
      {
        artwork: { ...artwork, kind: 'label', text: 'AIR' },
      },
    );
    expect(withLaterFields('unheard-of', { a: 1 })).toEqual({ a: 1 });
  });

  it.each(named)('%s: names only new ids in a copy, or stays behind', (_, record) => {
    const copy = copyKit(exampleKit(), (id) => `new-${id}`);
    const list = copy[record.list as keyof Kit];
    for (const value of list) {
      expect(value.id).toMatch(/^new-/);
      for (const { to, id } of referencesOf(record, value).refers)
        if (!['code', 'picture', 'step', 'tray'].includes(to)) expect(id).toMatch(/^new-/);
    }
    expect(danglingReferences(copy)).toEqual([]);
    if (list.length > 0) expect(impossible(copy)).toEqual([]);
  });

  it.each(named)('%s: a reference to nothing is named, and left out where a file has one', (_, record) => {
    const kit = exampleKit();
    const [first, ...others] = kit[record.list as keyof Kit];
    for (const { to, id } of referencesOf(record, first!).refers) {
      if (!EXAMPLE_TARGETS.some(({ target }) => target === to)) continue;
      const lost = withReferences(record, first!, (each) => (each === id ? 'nowhere' : each))!;
      // An option holds the id that its choice refers to: that stays.
      const options = 'options' in lost && lost.options.map((each) => ({ ...each, id: 'option-1' }));
      const value = options ? { ...lost, options } : lost;
      const broken = { ...kit, [record.list]: [value, ...others] };
      expect(impossible(broken).join(' ')).toMatch(/nowhere/);
      if (record.kind === 'joint') continue;
      expect(
        danglingReferences(withoutOrphans(broken)).filter(({ record: { kind } }) => kind !== 'joint'),
      ).toEqual([]);
    }
  });

  it.each(named.filter(([, { single }]) => single))('%s: there is one in a build at most', (_, record) => {
    const kit = exampleKit();
    const [one] = kit[record.list as keyof Kit];
    const twice = { ...kit, [record.list]: [one, { ...one, id: 'another' }] };
    expect(impossible(twice)).toEqual([expect.stringContaining(`one ${record.noun}`)]);
  });

  it('begins with what its descriptors say', () => {
    for (const record of ALL) expect(Object.keys(newRecord<Fields>(record))).not.toContain('id');
    expect(newRecord(partRecord)).toMatchObject({
      count: 1,
      material: 'styrene',
      zones: [],
    });
  });
});

describe('a removal', () => {
  it.each(EXAMPLE_TARGETS)('of $target $id leaves nothing that names it', ({ id, kind, holder }) => {
    const kit = exampleKit();
    const changes = withWhatGoesToo(kit, [{ kind, id: holder, value: null }]);
    const after = changed(kit, changes);
    expect(danglingReferences(after)).toEqual([]);
    expect(impossible(after)).toEqual([]);
    expect(JSON.stringify(after)).not.toContain(`"${id}"`);
    // What does not name it, and what can be without it, is still there.
    const gone = changes.filter(({ value }) => value === null).length;
    expect(recordsOfKit(after)).toHaveLength(recordsOfKit(kit).length - gone);
    const before = new Map(recordsOfKit(kit).map((item) => [`${item.kind} ${item.id}`, item.value]));
    const back = [...changes].reverse().map((change) => {
      const old = before.get(`${change.kind} ${change.id}`);
      return { ...change, value: old ?? null };
    });
    expect(
      recordsOfKit(changed(after, back))
        .map(({ id: each }) => each)
        .sort(),
    ).toEqual(
      recordsOfKit(kit)
        .map(({ id: each }) => each)
        .sort(),
    );
  });

  it('of an option is one of what the changed choice no longer holds', () => {
    const kit = exampleKit();
    const [choice] = kit.choices;
    const changes = withWhatGoesToo(kit, [
      { kind: 'choice', id: choice!.id, value: { ...choice, options: [] } },
    ]);
    const after = changed(kit, changes);
    expect(after.choices[0]!.chosen).toBeNull();
    expect(after.works[0]!.neededBy).toEqual([]);
    expect(after.wants).toEqual([]);
  });

  it('takes a part out with its joints, fits and works, and lets go of it elsewhere', () => {
    const kit = exampleKit();
    const changes = withWhatGoesToo(kit, [{ kind: 'part', id: 'part-3', value: null }]);
    expect(changes.map(({ kind, id, value }) => [kind, id, value === null])).toEqual(
      expect.arrayContaining([
        ['joint', 'joint-1', false],
        ['joint', 'joint-2', true],
        ['part', 'part-3', true],
      ]),
    );
    expect(changes.find(({ id }) => id === 'joint-1')!.value).toMatchObject({ captured: [], closes: [] });
  });

  it('that takes nothing away is left as it is', () => {
    const kit = exampleKit();
    const changes: KitChange[] = [
      { kind: 'part', id: 'part-1', value: { ...kit.parts[0]!, name: 'Hood' } },
      { kind: 'box', id: 'new', value: { name: 'Bag', checked: false, note: '' } },
    ];
    expect(withWhatGoesToo(kit, changes)).toEqual(changes);
  });
});

describe('records in the order of their references', () => {
  it('names nothing before it is there, whichever way they were entered', () => {
    const kit = exampleKit();
    const reversed = Object.fromEntries(
      Object.entries(kit).map(([list, values]) => [list, [...values].reverse()]),
    ) as Kit;
    for (const each of [kit, reversed]) {
      const known = new Set<string>();
      for (const { kind, id, value } of recordsOfKit(each)) {
        const record = ALL.find((one) => one.kind === kind)!;
        const { refers, holds } = referencesOf(record, value);
        for (const { target, id: held } of holds) known.add(`${target} ${held}`);
        known.add(`${kind} ${id}`);
        for (const { to, id: other } of refers)
          if (EXAMPLE_TARGETS.some(({ target }) => target === to)) expect(known).toContain(`${to} ${other}`);
      }
    }
  });
});

describe('days', () => {
  it.each(['2026-02-28', '2028-02-29', '1999-12-31'])('%s is in the calendar', (day) => {
    expect(isRealDay(day)).toBe(true);
  });
  it.each(['2026-99-99', '2026-02-29', '2026-2-8', '26-02-08', '', '2026-02-28T00', '0000-00-00', null])(
    '%s is not',
    (day) => {
      expect(isRealDay(day)).toBe(false);
    },
  );
});
