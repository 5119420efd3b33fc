import { describe, expect, it } from 'vitest';
import type { Consequence } from './benchStep.ts';
import { lookAhead, type LookAheadBuild } from './index.ts';
import type { PlanOperation } from './operation.ts';
import { plainOperation } from './plainPlan.ts';

describe('looking ahead', () => {
  const now = 1000;
  const operations = [
    plainOperation('paint', {
      family: 'lacquer|x',
      kind: 'colour',
      layerId: 'colour',
      title: 'Colour: body',
    }),
    plainOperation('b/join/tail', {
      trayId: undefined,
      kind: 'assemble',
      title: 'Lamps to body',
      hands: 10,
      dry: 60,
    }),
  ];
  const starts = { paint: 2000, 'b/join/tail': 5000 };
  const build = (change: Partial<LookAheadBuild> = {}): LookAheadBuild => ({
    id: 'b',
    name: 'Coupe',
    trays: [
      { id: 'body', name: 'Body', painted: true, tyre: false, needs: [] },
      { id: 'lamps', name: 'Lamps', painted: false, tyre: false, needs: [] },
    ],
    joins: [{ id: 'tail', name: 'Lamps to body', trayIds: ['body', 'lamps'], adhesive: 'canopy glue' }],
    wants: [],
    deadline: null,
    kit: { consequences: [], fits: { joints: [], places: [] }, needless: [] },
    films: {},
    leftOut: [],
    ...change,
  });
  const ids = (change: Partial<LookAheadBuild>) =>
    lookAhead(build(change), operations, starts, now).map(({ id }) => id);

  it('says nothing where nothing is wrong', () => {
    expect(ids({})).toEqual([]);
  });

  it('names cement on paint, and only there', () => {
    const joins = [{ ...build().joins[0]!, adhesive: 'solvent cement, thin' }];
    expect(ids({ joins })).toEqual(['cement tail']);
    const bare = build().trays.map((tray) => ({ ...tray, painted: false }));
    expect(ids({ joins, trays: bare })).toEqual([]);
  });

  it('names paint that is not chosen or not on the shelf, at the step that needs it', () => {
    const needing = (need: Partial<LookAheadBuild['trays'][number]['needs'][number]>) => [
      {
        ...build().trays[0]!,
        needs: [{ layerId: 'colour', name: 'Green', onShelf: true, chosen: true, ...need }],
      },
    ];
    expect(ids({ trays: needing({}) })).toEqual([]);
    expect(
      lookAhead(build({ trays: needing({ onShelf: false }) }), operations, starts, now)[0],
    ).toMatchObject({
      id: 'stock body colour',
      operationId: 'paint',
    });
    expect(ids({ trays: needing({ chosen: false, onShelf: null }) })).toEqual(['colour body colour']);
    // A plain product stands for any on the shelf.
    expect(ids({ trays: needing({ onShelf: null }) })).toEqual([]);
  });

  it('names a tyre on fresh paint, a missed day and what is still to get', () => {
    const trays = [build().trays[0]!, { ...build().trays[1]!, tyre: true }];
    expect(ids({ trays })).toEqual(['tyre tail']);
    expect(ids({ deadline: 5000 })).toEqual(['deadline']);
    expect(ids({ deadline: 5070 })).toEqual([]);
    expect(
      lookAhead(build({ wants: [{ name: 'wire', leadDays: 30, have: false }] }), operations, starts, now)[0]!
        .reason,
    ).toMatch(/longer than the whole plan/);
    expect(ids({ wants: [{ name: 'wire', leadDays: 30, have: true }] })).toEqual([]);
  });

  it('puts what comes soonest first', () => {
    const joins = [{ ...build().joins[0]!, adhesive: 'cement' }];
    const trays = [
      { ...build().trays[0]!, needs: [{ layerId: 'colour', name: 'Green', onShelf: false, chosen: true }] },
      build().trays[1]!,
    ];
    expect(ids({ joins, trays, deadline: 10 })).toEqual(['stock body colour', 'cement tail', 'deadline']);
  });

  const titles = (change: Partial<LookAheadBuild>, at: Record<string, number> = starts) =>
    lookAhead(build(change), operations, at, now).map(({ title, operationId }) => [title, operationId]);
  const consequence = (effect: Consequence['effect']): Consequence => ({
    id: 'x',
    effect,
    step: { work: 'assemble', joinId: 'tail' },
    other: { work: 'paint', trayId: 'body' },
    because: 'the body is shut in',
  });
  const kit = (change: Partial<LookAheadBuild['kit']>): LookAheadBuild['kit'] => ({
    ...build().kit,
    ...change,
  });

  it('names what no longer enters, only where it comes after what shuts it off', () => {
    const shut = { kit: kit({ consequences: [consequence('prevents')] }) };
    expect(titles(shut)).toEqual([]);
    expect(titles(shut, { ...starts, paint: 6000 })).toEqual([
      ['No longer enters: Colour: body', 'b/join/tail'],
    ]);
    // The closing step is done, what it shuts off is not.
    expect(titles(shut, { paint: 6000 })).toEqual([['Shut off already: Colour: body', 'paint']]);
    expect(titles(shut, { 'b/join/tail': 6000 })).toEqual([]);
    expect(
      titles({ kit: kit({ consequences: [consequence('serves')] }) }, { ...starts, paint: 6000 }),
    ).toEqual([]);
  });

  it('names a mask that would be shut in until the joint is made', () => {
    const masked = { kit: kit({ consequences: [consequence('traps-mask')] }) };
    expect(titles(masked)).toEqual([['A mask would be shut in', 'b/join/tail']]);
    expect(titles(masked, { paint: 6000 })).toEqual([]);
  });

  it('names what film makes too tight or closes, while it can be masked', () => {
    const fits = {
      joints: [
        {
          jointId: 'j',
          joinId: 'tail',
          name: 'Lamp to body',
          clearanceMm: [0.08, 0.1, 0.12],
          trayIds: ['body', 'lamps'],
        },
      ],
      places: [
        {
          place: {
            id: 'p',
            partId: 'A1',
            matingPartId: null,
            name: 'hole',
            kind: 'hole',
            sizeMm: 0.2,
            widthMm: null,
            throughMm: null,
          },
          name: 'mirror hole of body',
          trayId: 'body',
          matingTrayId: null,
        },
      ],
    } satisfies LookAheadBuild['kit']['fits'];
    const films = (um: number) => ({
      body: { low: um, usual: um, high: um },
      lamps: { low: um, usual: um, high: um },
    });
    expect(titles({ kit: kit({ fits }), films: films(10) })).toEqual([]);
    expect(titles({ kit: kit({ fits }), films: films(60) })).toEqual([
      ['No longer goes in after paint: Lamp to body', 'paint'],
    ]);
    expect(titles({ kit: kit({ fits }), films: films(110) })).toEqual([
      ['No longer goes in after paint: Lamp to body', 'paint'],
      ['Paint closes the mirror hole of body', 'paint'],
    ]);
    // Painted already: it is said at the join, and the hole can only be drilled again.
    expect(titles({ kit: kit({ fits }), films: films(110) }, { 'b/join/tail': 6000 })).toEqual([
      ['No longer goes in after paint: Lamp to body', 'b/join/tail'],
    ]);
    // One coat is on, the next to come: too late for tape on this side; the other side can still be masked.
    const second = plainOperation('second', { trayId: 'body', family: 'lacquer' });
    const lamps = plainOperation('lamps', { trayId: 'lamps', family: 'lacquer' });
    const later = (steps: PlanOperation[]) =>
      lookAhead(
        build({ kit: kit({ fits }), films: films(110) }),
        [...operations, ...steps],
        { 'b/join/tail': 6000, second: 3000, ...(steps.includes(lamps) ? { lamps: 3500 } : {}) },
        now,
      ).map(({ operationId, remedy }) => [operationId, remedy.split(':')[0]]);
    expect(later([second])).toEqual([['b/join/tail', 'Too late for tape']]);
    expect(later([second, lamps]).map(([step]) => step)).toEqual(['lamps']);
  });

  it('names a hole that this version does not need, until the part is cleaned', () => {
    const clean = plainOperation('clean', { kind: 'clean' });
    const needless = [
      { workId: 'w', trayId: 'body', name: 'spot lamp holes', reason: 'Only touring needs them.' },
    ];
    const said = (at: Record<string, number>) =>
      lookAhead(build({ kit: kit({ needless }) }), [clean, ...operations], at, now).map(({ title }) => title);
    expect(said({ ...starts, clean: 1500 })).toEqual(['Not on this version: spot lamp holes']);
    expect(said(starts)).toEqual([]);
  });

  it('names a primer left out, and no photograph', () => {
    const leftOut = [
      plainOperation('prime', { kind: 'primer' }),
      plainOperation('look', { kind: 'inspect' }),
    ];
    expect(titles({ leftOut })).toEqual([['Left out: prime', 'paint']]);
    // Of a layer in several coats one may be left out.
    const oneCoat = [plainOperation('clear-2', { kind: 'clear', layerId: 'colour' })];
    expect(titles({ leftOut: oneCoat })).toEqual([]);
  });

  it('says a decision once, at the first step that it holds', () => {
    const held = operations.map((operation) => ({ ...operation, holds: ['Which colour?'] }));
    const said = lookAhead(build(), held, starts, now);
    expect(said).toHaveLength(1);
    expect(said[0]).toMatchObject({
      operationId: 'paint',
      reason: expect.stringMatching(/2 steps/) as string,
    });
  });
});
