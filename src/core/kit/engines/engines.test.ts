import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { allocateEngines } from '../../detail/index.ts';
import { plainPart } from '../plainKit.ts';
import {
  EMPTY_KIT,
  newRecord,
  workRecord,
  type Engine,
  type Kit,
  type Part,
  type Spare,
} from '../records/index.ts';
import { resolveVersion } from '../version.ts';
import { alikeEngines } from './alikeEngines.ts';
import { engineFault, engineParts, enginesQuestion, type EngineBuild } from './atHand.ts';
import { builtEngines, leftOf } from './builtEngines.ts';
import { changesOfTaking, isEngineOpen } from './takeEngines.ts';

const part = (id: string, engineKind: string | undefined, count = 1, more: Partial<Part> = {}): Part =>
  plainPart(id, { name: id, count, ...(engineKind === undefined ? {} : { engineKind }), ...more });
const spare = (id: string, engineKind: string, count: number): Spare => ({
  id,
  name: id,
  origin: '',
  material: 'styrene',
  count,
  engineKind,
  note: '',
});
const engine = (
  id: string,
  slots: [string, string[], number?, boolean?][],
  more: Partial<Engine> = {},
): Engine => ({
  id,
  name: id,
  worth: 1,
  most: 1,
  optionId: null,
  apart: [],
  slots: slots.map(([name, kinds, count = 1, seen = true]) => ({ name, kinds, count, seen })),
  ...more,
});
const build = (id: string, kit: Partial<Kit>): EngineBuild => ({
  id,
  name: id,
  kit: { ...EMPTY_KIT, ...kit },
});

/** The kits and the stock once some changes are made. */
function after(
  builds: readonly EngineBuild[],
  spares: readonly Spare[],
  { kits, spares: less }: ReturnType<typeof changesOfTaking>,
): { builds: EngineBuild[]; spares: Spare[] } {
  type Change = { kind: string; id: string; value: object | null };
  const put = <T extends { id: string }>(
    list: readonly T[],
    kind: string,
    changes: readonly Change[],
  ): T[] => {
    const next = new Map(list.map((each) => [each.id, each]));
    for (const { kind: of, id, value } of changes) if (of === kind) next.set(id, { ...value, id } as T);
    return [...next.values()];
  };
  return {
    builds: builds.map((each) => {
      const changes = kits.flatMap(({ buildId, changes: some }) => (buildId === each.id ? some : []));
      return {
        ...each,
        kit: {
          ...each.kit,
          parts: put(each.kit.parts, 'part', changes),
          choices: put(each.kit.choices, 'choice', changes),
        },
      };
    }),
    spares: put(spares, 'spare', less),
  };
}

function taken(builds: readonly EngineBuild[], spares: readonly Spare[], forId = builds[0]!.id) {
  const hand = engineParts(builds, spares, forId);
  const answer = allocateEngines(enginesQuestion(builds, hand));
  const built = builtEngines(builds, hand, answer);
  let ids = 0;
  const own = builds.find(({ id }) => id === forId)!;
  const changes = changesOfTaking(
    own,
    built,
    builds.filter(({ id }) => id !== forId),
    spares,
    () => `new-${++ids}`,
  );
  return { hand, answer, built, changes, ...after(builds, spares, changes) };
}

const V8 = engine('V8', [
  ['block', ['block']],
  ['heads', ['head'], 2],
  ['ignition', ['distributor', 'magneto']],
]);

describe('engines from what is at hand', () => {
  it('take what their own kit has, then spares, then what another kit leaves over', () => {
    const builds = [
      build('truck', { engines: [V8], parts: [part('B', 'block'), part('H', 'Head', 1)] }),
      build('coupe', { parts: [part('X', 'head', 1, { use: 'left-off' }), part('Y', 'magneto')] }),
    ];
    const { built, hand } = taken(builds, [spare('box', 'magneto', 2)]);
    expect(built[0]!.parts.map(({ place, from }) => [place, from.itemId])).toEqual([
      ['block', 'B'],
      ['heads', 'H'],
      ['heads', 'X'],
      ['ignition', 'box'],
    ]);
    // The coupe's version uses its magneto: nobody takes it from under it.
    expect(hand.map(({ itemId }) => itemId)).not.toContain('Y');
    expect(leftOf(hand, built).map(({ itemId, count }) => [itemId, count])).toEqual([['box', 1]]);
  });

  it('carry what they are into the kit, and nothing of where they were or how they were painted', () => {
    const zone = { id: 'z', name: '', finishId: 'red', share: 1, boundary: 'masked' as const, edgeMm: null };
    const lent = part('H', 'head', 3, {
      use: 'left-off',
      material: 'resin',
      lengthMm: 40,
      checked: true,
      note: 'short shot',
      zones: [zone],
    });
    const box = [spare('box', 'magneto', 2)];
    const builds = [
      build('truck', { engines: [V8], parts: [part('B', 'block')] }),
      build('coupe', { parts: [lent] }),
    ];
    const { builds: next, spares } = taken(builds, box);
    expect(next[0]!.kit.parts.slice(1)).toMatchObject([
      {
        material: 'resin',
        lengthMm: 40,
        count: 2,
        zones: [],
        checked: false,
        note: 'heads of V8, from coupe',
      },
      { name: 'box', count: 1, state: 'from-spares', note: 'ignition of V8, from the spares box' },
    ]);
    expect(next[0]!.kit.parts.every((each) => each.use === undefined)).toBe(true);
    // One head stays where it was, and may still be taken.
    expect(next[1]!.kit.parts).toMatchObject([{ id: 'H', count: 1, engineKind: 'head', note: 'short shot' }]);
    expect(spares).toMatchObject([{ count: 1, engineKind: 'magneto' }]);
    const last = taken([builds[0]!, build('coupe', { parts: [{ ...lent, count: 2 }] })], box);
    expect(last.builds[1]!.kit.parts[0]).toMatchObject({
      use: 'left-off',
      note: 'short shot; went into truck',
    });
    expect(last.builds[1]!.kit.parts[0]).not.toHaveProperty('engineKind');
  });

  it('are told short, with what lacks', () => {
    const { answer, built } = taken([build('truck', { engines: [V8], parts: [part('B', 'block')] })], []);
    expect(built).toEqual([]);
    expect(answer.short).toEqual([
      { engine: 'truck V8', slot: 'heads', missing: 2 },
      { engine: 'truck V8', slot: 'ignition', missing: 1 },
    ]);
  });

  it('bring their parts into the kit and pick the option of the version that they are', () => {
    const kit = {
      engines: [{ ...V8, optionId: 'petrol' }],
      parts: [
        part('B', 'block'),
        part('H', 'head', 2),
        part('D', 'diesel block'),
        part('S', undefined, 1, { frame: 'S', number: '1' }),
      ],
      choices: [
        {
          id: 'engine',
          name: 'Engine',
          chosen: null,
          options: ['petrol', 'diesel'].map((id) => ({
            id,
            name: id,
            needs: id === 'diesel' ? ['D'] : ['B'],
            rulesOut: [],
            markings: [],
            finishIds: [],
          })),
        },
      ],
    };
    const { builds, spares } = taken([build('truck', kit)], [spare('box', 'magneto', 2)]);
    const [{ kit: next }] = builds as [EngineBuild];
    expect(next.choices).toHaveLength(1);
    expect(next.choices[0]!.chosen).toBe('petrol');
    expect(next.choices[0]!.options.map(({ id }) => id).sort()).toEqual(['diesel', 'petrol']);
    const { used, leftOver, clashes } = resolveVersion(next);
    expect([...used].sort()).toEqual(['B', 'H', 'S', 'new-1']);
    expect([...leftOver.keys()]).toEqual(['D']);
    expect(clashes).toEqual([]);
    expect(next.parts.find(({ id }) => id === 'new-1')).toMatchObject({
      name: 'box',
      number: 'S2',
      state: 'from-spares',
      engineKind: 'magneto',
    });
    expect(spares).toMatchObject([{ id: 'box', count: 1 }]);
  });

  it('do the holes and cuts of each where two are built at once', () => {
    const two = ['a', 'b'].map((id) => engine(id, [['block', [`k${id}`]]], { optionId: id }));
    const options = ['a', 'b'].map((id) => ({
      id,
      name: id,
      needs: [],
      rulesOut: [],
      markings: [],
      finishIds: [],
    }));
    const kit = {
      engines: two,
      parts: [part('A', 'ka'), part('B', 'kb')],
      choices: [{ id: 'c', name: 'Engine', chosen: 'a', options }],
      works: [
        { ...newRecord(workRecord), id: 'w', name: 'mounts', partId: 'A', neededBy: ['b'], always: false },
        { ...newRecord(workRecord), id: 'v', name: 'other', partId: 'A', neededBy: [], always: false },
      ],
    };
    const { changes } = taken([build('truck', kit)], []);
    const [chosen, work, ...more] = changes.kits[0]!.changes;
    const { chosen: optionId, options: all } = chosen!.value as Kit['choices'][number];
    expect(all.map(({ name }) => name)).toEqual(['a', 'b', 'a and b']);
    expect(work).toMatchObject({ kind: 'work', id: 'w', value: { neededBy: ['b', optionId] } });
    expect(more).toEqual([]);
  });

  it('make an option of their own where two are built at once, and where none was said', () => {
    const two = [engine('One', [['block', ['k1']]]), engine('Two', [['block', ['k2']]])];
    const { builds } = taken(
      [build('truck', { engines: two, parts: [part('A', 'k1'), part('B', 'k2'), part('C', 'k3')] })],
      [],
    );
    const [choice] = builds[0]!.kit.choices;
    expect(choice).toMatchObject({
      name: 'Engine',
      options: [{ name: 'One and Two', needs: ['A', 'B'], rulesOut: ['C'] }],
    });
    expect(choice!.chosen).toBe(choice!.options[0]!.id);
    expect(isEngineOpen({ engines: two, choices: [] })).toBe(true);
    expect(isEngineOpen(builds[0]!.kit)).toBe(false);
    expect(isEngineOpen({ engines: [V8], choices: [] })).toBe(false);
  });

  it.each([
    [[], /no places yet/],
    [
      [
        ['a', ['x']],
        ['A ', ['y']],
      ],
      /there twice/,
    ],
    [[['a', []]], /Nothing fits “a” yet/],
    [[['a', ['v8']]], /needs itself for “a”/],
    [[['a', ['x']]], null],
  ] as [[string, string[]][], RegExp | null][])(
    'say what is wrong with how they are told: %j',
    (slots, words) => {
      const fault = engineFault(engine('V8', slots));
      if (words === null) expect(fault).toBeNull();
      else expect(fault).toMatch(words);
    },
  );

  it('are told alike where they differ only in what nobody sees', () => {
    const one = engine('one', [
      ['block', ['block']],
      ['sump', ['deep'], 1, false],
    ]);
    const other = engine('other', [
      ['Block', ['BLOCK']],
      ['sump', ['flat'], 1, false],
    ]);
    const third = engine('third', [['block', ['block', 'iron block']]]);
    expect(alikeEngines([one, other, third])).toMatchObject([{ one, other, hidden: ['sump'] }]);
    const unseen = engine('a', [['x', ['y'], 1, false]]);
    expect(alikeEngines([unseen, { ...unseen, id: 'b' }])).toEqual([]);
  });

  it('neither lose nor make a part, take no more than there is, and can be taken again', () => {
    const kinds = ['a', 'b', 'c', 'd'];
    const kindOf = fc.constantFrom(...kinds);
    const slots = fc.array(
      fc.tuple(fc.uniqueArray(kindOf, { minLength: 1, maxLength: 3 }), fc.integer({ min: 1, max: 3 })),
      {
        minLength: 1,
        maxLength: 4,
      },
    );
    const someEngine = fc.record({
      slots,
      worth: fc.integer({ min: 1, max: 9 }),
      most: fc.integer({ min: 1, max: 2 }),
    });
    const someParts = fc.array(fc.tuple(kindOf, fc.integer({ min: 1, max: 4 })), { maxLength: 6 });
    const someBuild = fc.record({ engines: fc.array(someEngine, { maxLength: 3 }), parts: someParts });
    let hits = 0;
    fc.assert(
      fc.property(fc.array(someBuild, { minLength: 1, maxLength: 3 }), someParts, (all, box) => {
        const builds = all.map(({ engines, parts }, at) =>
          build(`b${at}`, {
            engines: engines.map(({ slots: places, ...more }, of) =>
              engine(
                `e${of}`,
                places.map(([fit, count], place) => [`p${place}`, fit, count]),
                more,
              ),
            ),
            parts: parts.map(([kind, count], of) => part(`b${at}-${of}`, kind, count)),
          }),
        );
        const spares = box.map(([kind, count], at) => spare(`s${at}`, kind, count));
        const counts = (of: { builds: readonly EngineBuild[]; spares: readonly Spare[] }) => {
          const sum = new Map<string, number>();
          for (const { kit } of of.builds)
            for (const { engineKind, count } of kit.parts)
              if (engineKind !== undefined) sum.set(engineKind, (sum.get(engineKind) ?? 0) + count);
          for (const { engineKind, count } of of.spares)
            sum.set(engineKind!, (sum.get(engineKind!) ?? 0) + count);
          return kinds.map((kind) => sum.get(kind) ?? 0);
        };
        const once = taken(builds, spares);
        expect(counts(once)).toEqual(counts({ builds, spares }));
        for (const { engine: of, parts } of once.built)
          for (const { name, count, kinds: fit } of of.slots) {
            const here = parts.filter(({ place }) => place === name);
            expect(here.reduce((sum, each) => sum + each.count, 0)).toBe(count);
            expect(new Set(here.map(({ kind }) => kind)).size).toBe(1);
            expect(fit).toContain(here[0]!.kind);
          }
        const mine = once.built.filter((each) => each.build.id === 'b0');
        if (mine.length === 0) return;
        hits++;
        // What was taken is used, and still can be built from the kit alone.
        const [own] = once.builds as [EngineBuild];
        const { used } = resolveVersion(own.kit);
        const hand = engineParts([own], [], 'b0').filter(({ itemId }) => used.has(itemId));
        const again = allocateEngines(enginesQuestion([own], hand));
        expect(again.value).toBeGreaterThanOrEqual(mine.reduce((sum, { engine: of }) => sum + of.worth, 0));
      }),
      { numRuns: 200 },
    );
    expect(hits).toBeGreaterThan(40);
  });
});
