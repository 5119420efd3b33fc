import { describe, expect, it } from 'vitest';
import { SUBSTRATES } from '../../finish/index.ts';
import type { Consequence } from '../benchStep.ts';
import type { AdvisedBuild } from '../contribution.ts';
import type { PlanOperation } from '../operation.ts';
import { plainGluedJoint, plainOperation } from '../plainPlan.ts';
import { adviceAhead, adviceAt } from './advice.ts';
import { adviseBuild } from './adviseBuild.ts';
import type { KitAdvice } from './kitAdvice.ts';

describe('what is said of a build', () => {
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
  const plainTray: Omit<AdvisedBuild['trays'][number], 'id' | 'name'> = {
    stack: { substrate: SUBSTRATES[0]!, areaCm2: 20, scale: 24, layers: [] },
    painted: false,
    tyre: false,
    clear: false,
    bloom: undefined,
    colours: [],
    findings: [],
    muted: [],
    needs: [],
  };
  const build = (change: Partial<AdvisedBuild> = {}): AdvisedBuild => ({
    id: 'b',
    name: 'Coupe',
    trays: [
      { ...plainTray, id: 'body', name: 'Body', painted: true },
      { ...plainTray, id: 'lamps', name: 'Lamps' },
    ],
    joins: [{ id: 'tail', name: 'Lamps to body', trayIds: ['body', 'lamps'], adhesive: 'canopy glue' }],
    wants: [],
    deadline: null,
    kit: {
      advice: [],
      consequences: [],
      fits: { joints: [], places: [], gaps: [] },
      waysIn: [],
      fogs: [],
      moving: [],
      inspections: [],
      crossSteps: [],
      joinsBefore: {},
      joinsAfter: {},
      printed: [],
    },
    films: {},
    air: { conditions: { temperatureC: 20, humidity: 50 }, forecast: [] },
    milestones: [],
    muted: [],
    materials: [],
    leftOut: [],
    ...change,
  });
  const loud = (of: AdvisedBuild, steps: readonly PlanOperation[], at: Record<string, number>) =>
    adviceAhead(adviseBuild(of, steps, at, now), 'b');
  const ids = (change: Partial<AdvisedBuild>) =>
    loud(build(change), operations, starts).map(({ rule }) => rule);

  it('says nothing where nothing is wrong', () => {
    expect(ids({})).toEqual([]);
  });

  it('names cement on paint, and only there', () => {
    const joins = [{ ...build().joins[0]!, adhesive: 'solvent cement, thin' }];
    expect(ids({ joins })).toEqual(['cement-on-paint']);
    const bare = build().trays.map((tray) => ({ ...tray, painted: false }));
    expect(ids({ joins, trays: bare })).toEqual([]);
  });

  it('names paint that is not chosen or not on the shelf, at the step that needs it', () => {
    const need = { layerId: 'colour', paintId: 'green', name: 'Green', levelMl: 10, needMl: 4, chosen: true };
    const needing = (...changes: Partial<typeof need | { levelMl: null | undefined }>[]) => [
      { ...build().trays[0]!, needs: changes.map((change) => ({ ...need, ...change })) },
    ];
    expect(ids({ trays: needing({}) })).toEqual([]);
    expect(titles({ trays: needing({ levelMl: null }) })).toEqual([['Not on the shelf: Green', 'paint']]);
    expect(ids({ trays: needing({ chosen: false, levelMl: undefined }) })).toEqual(['no-paint-chosen']);
    // A plain product stands for any on the shelf.
    expect(ids({ trays: needing({ levelMl: undefined }) })).toEqual([]);
    // Each layer has enough, and both together have not.
    expect(ids({ trays: needing({ needMl: 6 }) })).toEqual([]);
    expect(ids({ trays: needing({ needMl: 6 }, { needMl: 6 }) })).toEqual(['runs-short']);
  });

  it('names a missed day and what is still to get, and when a tyre may go on', () => {
    const trays = [build().trays[0]!, { ...build().trays[1]!, tyre: true }];
    const tyre = (at: Record<string, number>) =>
      adviseBuild(build({ trays }), operations, at, now).flatMap(({ rule, severity }) =>
        // What is to be looked over is said of every coat.
        rule === 'look-over' ? [] : [[rule, severity]],
      );
    expect(tyre(starts)).toEqual([['tyre-after-cure', 'note']]);
    // Twenty days after the last coat there is nothing to say.
    expect(tyre({ 'b/join/tail': 30000 })).toEqual([]);
    expect(ids({ deadline: 5000 })).toEqual(['later-than-its-day']);
    expect(ids({ deadline: 5070 })).toEqual([]);
    const want = {
      id: 'w',
      name: 'wire',
      leadDays: 30,
      have: false,
      substitute: '',
      looks: '',
      trayId: null as string | null,
      stepKind: null as string | null,
    };
    expect(loud(build({ wants: [want] }), operations, starts)[0]!.why).toMatch(/longer than the whole plan/);
    expect(ids({ wants: [{ ...want, have: true }] })).toEqual([]);
    // Tied to a step it is said there, and is late where that comes first.
    const tied = (leadDays: number) =>
      loud(
        build({ wants: [{ ...want, leadDays, trayId: 'body', stepKind: 'colour' }] }),
        operations,
        starts,
      )[0]!;
    expect(tied(0)).toMatchObject({ at: 2000, about: { steps: ['paint'] }, why: 'It takes 0 days to come.' });
    expect(tied(1).why).toMatch(/the step comes before that/);
  });

  it('asks for a picture that was due until it is taken or given up, loudest before what shuts it in', () => {
    const photo = 'Body, finished';
    const after = operations.map((step) => (step.id === 'paint' ? { ...step, photo } : step));
    const said = (change: Partial<AdvisedBuild>, at: Record<string, number> = { 'b/join/tail': 5000 }) =>
      adviseBuild(build(change), after, at, now).flatMap(({ rule, severity, about }) =>
        rule === 'picture-missing' ? [[severity, ...about.steps]] : [],
      );
    expect(said({})).toEqual([['note', 'b/join/tail']]);
    const shut: Consequence = {
      id: 'tail shuts in body',
      step: { work: 'assemble', joinId: 'tail' },
      effect: 'prevents',
      other: { work: 'paint', trayId: 'body' },
      because: 'no brush reaches it there',
    };
    const kit = { ...build().kit, consequences: [shut] };
    expect(said({ kit })).toEqual([['warn', 'b/join/tail']]);
    // The step itself asks while it is to come; afterwards nothing can be taken any more.
    expect(said({ kit }, starts)).toEqual([]);
    expect(said({ kit }, {})).toEqual([]);
    expect(said({ kit, milestones: [{ operationId: 'paint' }] })).toEqual([]);
    expect(said({ kit, milestones: [{ operationId: 'another' }] })).toEqual([['warn', 'b/join/tail']]);
  });

  it('puts what comes soonest first', () => {
    const joins = [{ ...build().joins[0]!, adhesive: 'cement' }];
    const trays = [
      {
        ...build().trays[0]!,
        needs: [{ layerId: 'colour', paintId: 'g', name: 'Green', levelMl: null, needMl: 1, chosen: true }],
      },
      build().trays[1]!,
    ];
    expect(ids({ joins, trays, deadline: 10 })).toEqual([
      'not-on-the-shelf',
      'cement-on-paint',
      'later-than-its-day',
    ]);
  });

  const titles = (change: Partial<AdvisedBuild>, at: Record<string, number> = starts) =>
    loud(build(change), operations, at).map(({ text, about }) => [text, about.steps[0]]);
  const consequence = (effect: Consequence['effect']): Consequence => ({
    id: 'x',
    effect,
    step: { work: 'assemble', joinId: 'tail' },
    other: { work: 'paint', trayId: 'body' },
    because: 'the body is shut in',
  });
  const kit = (change: Partial<AdvisedBuild['kit']>): AdvisedBuild['kit'] => ({
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
          tried: undefined,
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
      gaps: [],
    } satisfies AdvisedBuild['kit']['fits'];
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
    const second = plainOperation('second', { trayId: 'body', kind: 'colour' });
    const lamps = plainOperation('lamps', { trayId: 'lamps', kind: 'primer' });
    const later = (steps: PlanOperation[]) =>
      loud(build({ kit: kit({ fits }), films: films(110) }), [...operations, ...steps], {
        'b/join/tail': 6000,
        second: 3000,
        ...(steps.includes(lamps) ? { lamps: 3500 } : {}),
      }).map(({ about, remedy }) => [about.steps[0], remedy.split(':')[0]]);
    expect(later([second])).toEqual([['b/join/tail', 'Too late for tape']]);
    expect(later([second, lamps]).map(([step]) => step)).toEqual(['lamps']);
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

  const said: KitAdvice = {
    rule: 'undecided',
    subject: 'colour',
    severity: 'stop',
    text: 'Which colour?',
    why: '',
    stage: 'kit',
    at: { trays: ['body'], joins: ['tail'], kinds: ['colour', 'assemble'], once: false },
  };

  it('says what the kit says at all steps it touches, once in the list, dated by the first', () => {
    const of = build({ kit: kit({ advice: [said] }) });
    const [only, ...more] = loud(of, operations, starts);
    expect(more).toEqual([]);
    expect(only).toMatchObject({ at: 2000, about: { steps: ['paint', 'b/join/tail'] } });
    expect(adviceAt([only!], 'b/join/tail')).toEqual([only]);
    const once = { ...said, at: { ...said.at, once: true } };
    expect(
      loud(build({ kit: kit({ advice: [once] }) }), operations, { 'b/join/tail': 5000 })[0]!.about.steps,
    ).toEqual(['b/join/tail']);
    // Nothing is left that could be masked: the colour is on.
    const early = { ...said, at: { ...said.at, until: ['colour' as const] } };
    expect(loud(build({ kit: kit({ advice: [early] }) }), operations, { 'b/join/tail': 5000 })).toEqual([]);
  });

  it('touches what is led between two sub-assemblies only where it says so', () => {
    const wires = plainOperation('b/wire-body-lamps', { trayId: undefined, kind: 'wire' });
    const steps = (change: Partial<KitAdvice['at']>) => {
      const at = { ...said.at, joins: [], kinds: ['wire' as const], ...change };
      const crossSteps = [{ id: 'wire-body-lamps', trayIds: ['lamps', 'body'] as [string, string] }];
      const of = build({ kit: kit({ advice: [{ ...said, at }], crossSteps }) });
      return loud(of, [...operations, wires], { [wires.id]: 3000 }).flatMap(({ about }) => about.steps);
    };
    expect(steps({})).toEqual([]);
    expect(steps({ between: true })).toEqual([wires.id]);
    expect(steps({ between: true, trays: ['wheels'] })).toEqual([]);
  });

  it('trusts the glue that the joints of a join ask for', () => {
    const joins = [{ ...build().joins[0]!, adhesive: 'thin solvent cement' }];
    const joinsAfter = { tail: [plainGluedJoint('Lamp to body')] };
    expect(ids({ joins })).toEqual(['cement-on-paint']);
    expect(ids({ joins, kit: kit({ joinsAfter }) })).toEqual([]);
    // What the builder wrote instead is looked at.
    const typed = [{ ...joins[0]!, adhesive: 'liquid cement' }];
    expect(ids({ joins: typed, kit: kit({ joinsAfter }) })).toEqual(['cement-on-paint']);
  });

  it('tells what was muted as a decision, with the note, and stops no more', () => {
    const muted = [{ adviceId: 'b undecided colour', note: 'green it is' }];
    const of = build({ kit: kit({ advice: [said] }), muted });
    expect(loud(of, operations, starts)).toEqual([]);
    const told = adviceAt(adviseBuild(of, operations, starts, now), 'paint');
    expect(told.filter(({ rule }) => rule === 'undecided')).toMatchObject([
      { severity: 'note', topic: 'decided', settledBy: 'green it is' },
    ]);
  });
});
