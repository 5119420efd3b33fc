import { describe, expect, it } from 'vitest';
import type { TaskKind } from './tasks.ts';
import { GENERIC_PRODUCTS, SUBSTRATES } from '../finish/index.ts';
import { EMPTY_KIT, type Lesson } from '../kit/index.ts';
import type { GluedJoint } from './gluedJoints.ts';
import { plainGluedJoint as glued } from './plainPlan.ts';
import { summariseKit, type KitSummary } from './kitSummary.ts';
import { generateOperations, type PlannableBuild } from './index.ts';

const AIR = { temperatureC: 20, humidity: 50 };
const primer = {
  id: 'primer',
  kind: 'primer' as const,
  product: GENERIC_PRODUCTS.find(({ id }) => id === 'generic-primer-grey')!,
  coats: 2,
  tool: 'airbrush' as const,
};

function buildWith(kit: Partial<KitSummary>, partCount = 4): PlannableBuild {
  return {
    id: 'b',
    name: 'Coupe',
    subject: '1957',
    kit: {
      ...summariseKit(EMPTY_KIT, []),
      joinsBefore: { body: [glued('Cowl to body'), glued('Hood to body'), glued('Sill to body')] },
      ...kit,
    },
    trays: [
      {
        id: 'body',
        name: 'Body',
        partCount,
        partNames: ['Hood', 'Cowl'],
        stack: { substrate: SUBSTRATES[0]!, areaCm2: 80, scale: 24, layers: [primer] },
      },
    ],
    joins: [
      {
        id: 'on',
        name: 'Body on',
        trayIds: ['body'],
        afterJoinIds: [],
        minutes: 10,
        adhesive: 'PVA',
        setMinutes: 60,
      },
    ],
  };
}
const task = (kind: TaskKind, id: string) => ({
  id,
  kind,
  waitMinutes: 0,
  waitBecause: 'follows at once',
  trayId: 'body',
  title: `Open: ${id}`,
  minutes: 7,
  because: 'needed',
  details: ['carefully'],
});
const keysOf = (build: PlannableBuild, lessons: Lesson[] = []) =>
  generateOperations(build, AIR, 180, lessons).operations.map(({ id }) => id.split('/').slice(1).join('/'));

describe('what the kit asks of the plan', () => {
  it('opens holes after clean-up and before joining, picks out after the last layer', () => {
    const build = buildWith({
      tasks: [task('open', 'holes'), { ...task('pick-out', 'cream'), title: 'Pick out cream' }],
    });
    expect(keysOf(build)).toEqual([
      'body/clean',
      'body/open-holes',
      'body/join',
      'body/primer-1',
      'body/primer-2',
      'body/pick-out-cream',
      'join/on',
      'touch-in',
      'inspect',
      'verdict',
    ]);
    const { operations, arcs } = generateOperations(build, AIR, 180);
    const opening = operations.find(({ kind }) => kind === 'open')!;
    expect(opening).toMatchObject({ title: 'Open: holes: Body', hands: 7, family: null });
    expect(opening.cautions.length).toBeGreaterThan(0);
    // Paint must be dry before a brush goes near it, and the joint waits for the brush.
    const picked = 'b/body/pick-out-cream';
    expect(arcs.find(({ to }) => to === picked)!.minLag).toBeGreaterThan(30);
    expect(arcs.some(({ from, to }) => from === picked && to === 'b/join/on')).toBe(true);
  });

  it('joins before paint exactly what the joint map says', () => {
    const join = (joinsBefore: Record<string, GluedJoint[]>, partCount = 4) =>
      generateOperations(buildWith({ joinsBefore }, partCount), AIR, 180).operations.find(
        ({ kind }) => kind === 'join',
      );
    expect(join({ body: [] })).toBeUndefined();
    expect(join({ body: [glued('Cowl to body'), glued('Valance to body')] })).toMatchObject({ hands: 10 });
    const many = Array.from({ length: 12 }, (_, at) => glued(`Part ${at} to body`));
    expect(join({ body: many })!.details[0]).toMatch(
      /^thin solvent cement: Part 0 to body; .*; 4 more, in the Kit stage\. Hold together dry$/,
    );
  });

  it('glues nothing of which no joint is known, and says so at the clean-up', () => {
    const { operations } = generateOperations(buildWith({ joinsBefore: {} }), AIR, 180);
    expect(operations.some(({ kind }) => kind === 'join')).toBe(false);
    expect(operations.find(({ kind }) => kind === 'clean')!.details.join()).toMatch(
      /which of these are joined, and how, is not known/,
    );
  });

  it('tells of the joints that a join makes, and what was noted where that is something else', () => {
    const details = (adhesive: string, joinsAfter: KitSummary['joinsAfter'] = {}) => {
      const build = buildWith({ joinsAfter });
      build.joins = [{ ...build.joins[0]!, adhesive }];
      return generateOperations(build, AIR, 180).operations.find(({ kind }) => kind === 'assemble')!.details;
    };
    const last = 'dabs, not beads; test the fit first; gloves on';
    const lines = { on: [glued('Body to frame')] };
    const glue = 'thin solvent cement: Body to frame. Hold together dry';
    expect(details('PVA')).toEqual(['PVA', last]);
    expect(details('thin solvent cement', lines)).toEqual([glue, last]);
    expect(details('two screws', lines)).toEqual(['noted with the join: two screws', glue, last]);
    // A name may hold a comma.
    const clear = { ...lines.on[0]!, adhesive: 'ca-clear' as const };
    expect(
      details('odourless, non-fogging cyanoacrylate, thin solvent cement', { on: [clear, lines.on[0]!] })[0],
    ).toMatch(/^odourless, non-fogging cyanoacrylate: Body to frame/);
    expect(details('no glue: by its shape', { on: [{ ...lines.on[0]!, adhesive: 'none' }] })).toEqual([
      'no glue: Body to frame. Hold together dry',
      'test the fit first; gloves on',
    ]);
  });

  it('names the glue of every joint, and waits for epoxy until it is strong', () => {
    const lens: GluedJoint = {
      words: 'Lens to rim',
      adhesive: 'pva',
      preparation: 'run it into the edge',
      strongMinutes: 1440,
      isTyre: false,
    };
    const axle: GluedJoint = { ...lens, words: 'Axle to frame', adhesive: 'epoxy' };
    const planOf = (joints: GluedJoint[]) => {
      const { operations, arcs } = generateOperations(buildWith({ joinsBefore: { body: joints } }), AIR, 180);
      const step = operations.find(({ kind }) => kind === 'join')!;
      return { step, lag: arcs.find(({ from }) => from === step.id)!.minLag };
    };
    const mixed = planOf([glued('Cowl to body'), lens]);
    expect(mixed.step.details).toEqual([
      'thin solvent cement: Cowl to body. Hold together dry',
      'PVA or canopy glue: Lens to rim. Run it into the edge',
    ]);
    expect(mixed.step.hazards).toEqual(['vapour']);
    expect(planOf([lens]).step.hazards).toEqual([]);
    expect([mixed.lag, planOf([axle]).lag]).toEqual([720, 1440]);
  });

  it('puts a tyre on only once the paint of its rim is hard right through', () => {
    const rims = { ...buildWith({}), joins: [{ ...buildWith({}).joins[0]!, trayIds: ['body', 'tyres'] }] };
    const lag = (tyres: string[]) =>
      Math.max(
        ...generateOperations({ ...rims, kit: { ...rims.kit, tyres } }, AIR, 180).arcs.flatMap(
          ({ to, minLag }) => (to === 'b/join/on' ? [minLag] : []),
        ),
      );
    expect(lag([])).toBeLessThan(1440);
    expect(lag(['tyres'])).toBeGreaterThanOrEqual(1440);
  });

  it('brings lessons to the steps that they are about', () => {
    const lesson = (change: Partial<Lesson>): Lesson => ({
      id: 'l',
      text: 'Mind the hood.',
      origin: '',
      kit: null,
      partWord: null,
      material: null,
      stepKind: null,
      ...change,
    });
    const taught = (change: Partial<Lesson>) =>
      generateOperations(buildWith({ materials: { body: ['resin'] } }), AIR, 180, [lesson(change)])
        .operations.filter(({ lessons }) => lessons.length > 0)
        .map(({ kind }) => kind);
    expect(taught({ partWord: 'hood', stepKind: 'primer' })).toEqual(['primer', 'primer']);
    expect(taught({ partWord: 'hood' })).toEqual(['clean', 'join', 'assemble']);
    expect(taught({ material: 'resin', stepKind: 'join' })).toEqual(['join']);
    expect(taught({ kit: 'coupe', stepKind: 'clean' })).toEqual(['clean']);
    expect(taught({ kit: 'truck', stepKind: 'clean' })).toEqual([]);
  });

  it('leads wires and pipes between two after their paint, across what joins them, before what shuts them in', () => {
    const plain = buildWith({});
    const run = {
      id: 'plumb-body-chassis',
      kind: 'plumb' as const,
      trayIds: ['body', 'chassis'] as [string, string],
      partIds: ['A1', 'B1'],
      acrossJoinIds: ['together'],
      title: 'Plumb in',
      minutes: 25,
      because: 'After paint.',
      details: ['hose'],
    };
    const join = (id: string, trayIds: string[]) => ({ ...plain.joins[0]!, id, name: id, trayIds });
    const build = (consequences: KitSummary['consequences'] = []): PlannableBuild => ({
      ...buildWith({ crossSteps: [run], consequences }),
      trays: [plain.trays[0]!, { ...plain.trays[0]!, id: 'chassis', name: 'Chassis' }],
      joins: [join('together', ['body', 'chassis']), join('lid', ['body'])],
    });
    const intoRun = (made: PlannableBuild) =>
      generateOperations(made, AIR, 180)
        .arcs.filter(({ to }) => to === 'b/plumb-body-chassis')
        .map(({ from }) => from);
    expect(intoRun(build())).toEqual(['b/body/primer-2', 'b/chassis/primer-2', 'b/join/together']);
    const shutIn = (joinId: string): KitSummary['consequences'] => [
      {
        id: 'x',
        effect: 'prevents',
        step: { work: 'assemble', joinId },
        other: { work: 'run', runStepId: run.id },
        because: 'it is shut in',
      },
    ];
    // The lid that shuts the hose in comes after it; so does what joins the two, where that shuts it in.
    const leadsTo = (made: PlannableBuild, join: string) =>
      generateOperations(made, AIR, 180).arcs.some(
        ({ from, to }) => from === 'b/plumb-body-chassis' && to === `b/join/${join}`,
      );
    expect(leadsTo(build(shutIn('lid')), 'lid')).toBe(true);
    expect(intoRun(build(shutIn('together')))).toEqual(['b/body/primer-2', 'b/chassis/primer-2']);
    expect(leadsTo(build(shutIn('together')), 'together')).toBe(true);
    expect(
      generateOperations(build(), AIR, 180).operations.find(({ kind }) => kind === 'plumb'),
    ).toMatchObject({
      title: 'Plumb in: Body and Chassis',
      hands: 25,
    });
  });
});
