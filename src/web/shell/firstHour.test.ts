import { describe, expect, it } from 'vitest';
import type { BuildRecord } from '../../api/index.ts';
import { kitWith, plainFinish, plainJoint, plainPart, plainZones } from '../../core/kit/plainKit.ts';
import { summariseKit, type PlanView } from '../../core/plan/index.ts';
import type { Kit, Part } from '../../core/kit/index.ts';
import { firstHour } from './firstHour.ts';

const body = plainPart('A1', { name: 'Body' });
const red = (part: Part) => ({ ...part, zones: plainZones('red') });

function build(kit: Partial<Kit>, layers?: { kind: 'colour' }[]): BuildRecord {
  const trays = layers ? [{ id: 't', partIds: ['A1'] }] : [];
  return {
    trays: trays.map(({ id }) => ({ id, layers })),
    kit: summariseKit(kitWith({ finishes: [plainFinish('red', 'gloss')], ...kit }), trays),
  } as unknown as BuildRecord;
}
const done = (of: BuildRecord, view: Partial<PlanView> | null = null) =>
  firstHour(of, view as PlanView | null, 'b').flatMap((step) => (step.done ? [step.id] : []));

describe('the first hour', () => {
  it('ticks only what is there', () => {
    expect(done(build({}))).toEqual([]);
    expect(done(build({ parts: [body] }))).toEqual(['parts']);
    const finished = { parts: [red(body), red(plainPart('A2'))] };
    expect(done(build(finished))).toEqual(['parts', 'finishes']);
    const joined = { ...finished, joints: [plainJoint('j', 'A2', 'A1')] };
    expect(done(build(joined))).toEqual(['parts', 'finishes', 'joints']);
    expect(done(build(joined, []))).toEqual(['parts', 'finishes', 'joints', 'division']);
    const stacked = build(joined, [{ kind: 'colour' }]);
    expect(done(stacked)).toEqual(['parts', 'finishes', 'joints', 'division', 'stacks']);
    // A plan of other builds is none of this one.
    const plan = (buildId: string) => ({ operations: [{ buildId }] }) as unknown as PlanView;
    expect(done(stacked, plan('other'))).not.toContain('plan');
    expect(done(stacked, plan('b'))).toHaveLength(6);
  });

  it('says what to do next', () => {
    expect(firstHour(build({}), null, 'b')[0]!.words).toMatch(/paste the list/);
    expect(firstHour(build({ parts: [red(body)] }), null, 'b')[1]!.words).toBe('every part has a finish');
  });
});
