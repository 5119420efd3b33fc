import { describe, expect, it } from 'vitest';
import { EMPTY_KIT } from '../kit/index.ts';
import { plainGluedJoint } from './plainPlan.ts';
import { summariseKit, type KitSummary } from './kitSummary.ts';
import { GENERIC_PRODUCTS, SUBSTRATES } from '../finish/index.ts';
import {
  carriedOver,
  generateOperations,
  noLongerPlanned,
  withoutPassed,
  type PlannableBuild,
} from './index.ts';

const JOINT = plainGluedJoint('Cowl to body');
const AIR = { temperatureC: 20, humidity: 50 };
const product = GENERIC_PRODUCTS.find(({ id }) => id === 'generic-primer-grey')!;
const task = (kind: 'straighten' | 'fill' | 'dry-fit' | 'bright' | 'refit', waitMinutes = 0) => ({
  id: kind,
  kind,
  trayId: 'body',
  title: kind,
  minutes: 10,
  waitMinutes,
  waitBecause: `${kind} must rest`,
  because: '',
  details: [],
});

function build(kit: Partial<KitSummary> = {}, coats = 2): PlannableBuild {
  return {
    id: 'b',
    name: 'Coupe',
    subject: '',
    kit: { ...summariseKit(EMPTY_KIT, []), joinsBefore: { body: [JOINT, JOINT] }, ...kit },
    trays: [
      {
        id: 'body',
        name: 'Body',
        partCount: 3,
        partNames: [],
        stack: {
          substrate: SUBSTRATES[0]!,
          areaCm2: 80,
          scale: 24,
          layers: [{ id: 'primer', kind: 'primer', product, coats, tool: 'airbrush' }],
        },
      },
    ],
    joins: [],
  };
}
const full = {
  unchecked: 12,
  stance: true,
  tasks: [task('straighten', 60), task('fill', 360), task('dry-fit'), task('bright', 5760), task('refit')],
};
const keys = ({ operations }: { operations: readonly { id: string }[] }) =>
  operations.map(({ id }) => id.split('/').slice(1).join('/'));

describe('steps that the kit asks for', () => {
  const plan = generateOperations(build(full), AIR, 180);
  const lag = (from: string, to: string) =>
    plan.arcs.find((arc) => arc.from === `b/${from}` && arc.to === `b/${to}`)?.minLag;

  it('come in the order of work, with their waits', () => {
    expect(keys(plan)).toEqual([
      'check',
      'body/clean',
      'body/straighten',
      'body/join',
      'body/fill',
      'body/dry-fit',
      'body/primer-1',
      'body/primer-2',
      'body/bright',
      'body/refit',
      'inspect',
      'verdict',
    ]);
    expect(lag('check', 'body/clean')).toBe(0);
    expect(lag('body/straighten', 'body/join')).toBe(60);
    expect(lag('body/fill', 'body/dry-fit')).toBe(360);
    expect(lag('body/bright', 'body/refit')).toBe(5760);
    expect(lag('inspect', 'verdict')).toBe(0);
  });

  it('ask for a picture of what is finished', () => {
    expect(plan.operations.filter(({ photo }) => photo).map(({ id }) => id)).toEqual([
      'b/body/refit',
      'b/inspect',
    ]);
  });

  it('are the same when nothing changed', () => {
    expect(generateOperations(build(full), AIR, 180)).toEqual(plan);
  });
});

describe('withoutPassed', () => {
  const plan = generateOperations(build(full), AIR, 180);

  it('leaves out bare work that the builder went past, and keeps the order of the rest', () => {
    const left = withoutPassed(plan, new Set(['b/body/clean', 'b/body/primer-1']));
    expect(keys(left)).toEqual([
      'body/clean',
      'body/join',
      'body/primer-1',
      'body/primer-2',
      'body/bright',
      'body/refit',
      'inspect',
      'verdict',
    ]);
    const ids = new Set(left.operations.map(({ id }) => id));
    expect(left.arcs.every(({ from, to }) => ids.has(from) && ids.has(to))).toBe(true);
    // What stood between is gone, its order and the longest of its waits are not.
    expect(left.arcs.find(({ from, to }) => from === 'b/body/clean' && to === 'b/body/join')).toBeDefined();
    const joined = left.arcs.find(({ from, to }) => from === 'b/body/join' && to === 'b/body/primer-1');
    expect(joined?.minLag).toBe(720);
  });

  it('keeps what was ticked and what is still ahead', () => {
    expect(withoutPassed(plan, new Set())).toEqual(plan);
    expect(keys(withoutPassed(plan, new Set(['b/check', 'b/body/clean', 'b/body/straighten'])))).toEqual(
      keys(plan),
    );
  });
});

describe('carriedOver', () => {
  const ids = (coats: number) => generateOperations(build({}, coats), AIR, 180).operations;
  const log = (...steps: string[]) => steps.map((step) => ({ operationId: `b/body/${step}`, endedAt: 5 }));

  it('keeps what was done through a change of coats', () => {
    expect(carriedOver(ids(1), log('primer-1')).done).toEqual(log('primer'));
    expect(carriedOver(ids(3), log('primer')).done).toEqual(log('primer-1'));
    expect(carriedOver(ids(2), log('primer-1', 'primer-2')).orphans).toEqual([]);
  });

  it('names done work that the plan no longer holds', () => {
    const { done, orphans } = carriedOver(ids(2), log('primer-1', 'primer-2', 'primer-3', 'gold-1'));
    expect(done).toEqual(log('primer-1', 'primer-2'));
    expect(orphans).toEqual(log('primer-3', 'gold-1'));
  });

  it('does not count one piece of work twice', () => {
    const { done, orphans } = carriedOver(ids(1), log('primer', 'primer-1'));
    expect(done).toEqual(log('primer'));
    expect(orphans).toEqual(log('primer-1'));
  });
});

describe('noLongerPlanned', () => {
  const said = (operationId: string, title: string) => noLongerPlanned({ operationId, buildId: 'b', title });

  it('calls a hole that nothing needs by its name, and says how to close it', () => {
    expect(said('b/body/open-holes', 'Open holes: Body')).toMatchObject({
      text: 'Needless hole: Open holes: Body',
      remedy: expect.stringMatching(/plug it/i) as string,
      stage: 'kit',
    });
  });

  it('leaves it open how other work is taken back', () => {
    expect(said('b/body/primer-1', 'Primer: Body, wet coat 1')).toMatchObject({
      id: 'b no-longer-planned b/body/primer-1',
      text: 'Done, but no longer planned: Primer: Body, wet coat 1',
      stage: 'finish',
    });
  });
});
