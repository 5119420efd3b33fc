import { describe, expect, it } from 'vitest';
import { checkKit, runName, type Kit, type Run } from '../../kit/index.ts';
import { kitWith, plainJoint, plainPart } from '../../kit/plainKit.ts';
import { dividedKit, type Division } from '../contribution.ts';
import { kitNeeds } from '../kitNeeds.ts';
import { consequencesOf } from '../kitSummary.ts';
import { runs } from './runs.ts';

/** What wires and pipes ask of a divided kit. */
const runTasks = (kit: Kit, division: Division, scale: number) => {
  const build = dividedKit(kit, division, scale);
  return { tasks: runs.trayTasks!(build), between: runs.crossSteps!(build) };
};

const run = (id: string, fromPartId: string, toPartId: string, change: Partial<Run> = {}): Run => ({
  id,
  name: '',
  kind: 'ignition-lead',
  fromPartId,
  toPartId,
  count: 1,
  realMm: null,
  lengthMm: null,
  note: '',
  ...change,
});
const parts = [
  plainPart('C1', { name: 'Distributor' }),
  plainPart('C2', { name: 'Head' }),
  plainPart('B1', { name: 'Radiator' }),
  plainPart('A1', { name: 'Body' }),
];
const trays = [
  { id: 'engine', partIds: ['C1', 'C2'] },
  { id: 'chassis', partIds: ['B1'] },
];
const leads = run('leads', 'C1', 'C2', { count: 6, lengthMm: 20, note: '1 5 3 6 2 4' });
const hose = run('hose', 'B1', 'C2', { kind: 'radiator-hose', name: 'top hose', realMm: 38 });
const kit = kitWith({ parts, runs: [leads, hose] });

describe('wires and pipes of a kit', () => {
  it('are drilled at both ends, wired on one sub-assembly and plumbed between two', () => {
    const { tasks, between } = runTasks(kit, { trays, joins: [] }, 24);
    expect(tasks.map(({ trayId, kind, minutes }) => [trayId, kind, minutes])).toEqual([
      // Twelve holes for the leads and one for the hose, 1.5 min each and 5 to begin with.
      ['engine', 'drill', 25],
      ['engine', 'wire', 38],
      ['chassis', 'drill', 7],
    ]);
    expect(tasks[0]!.details).toEqual(
      expect.arrayContaining([
        '12 holes 0.35 mm',
        '1 hole 1.60 mm',
        '6 × ignition lead, distributor to head',
      ]),
    );
    expect(tasks[1]!.details[0]).toBe(
      '6 × ignition lead, distributor to head: 0.3 mm, 20 mm long, holes 0.35 mm',
    );
    expect(tasks[1]!.details).toContain('1 5 3 6 2 4');
    expect(between).toHaveLength(1);
    expect(between[0]).toMatchObject({
      id: 'plumb-chassis-engine',
      kind: 'plumb',
      trayIds: ['chassis', 'engine'],
      partIds: ['B1', 'C2'],
    });
  });

  it('come thicker in a larger scale, and say so where a pin vice has no drill', () => {
    const thick = runTasks(
      kitWith({ parts, runs: [run('x', 'B1', 'C2', { kind: 'radiator-hose' })] }),
      { trays, joins: [] },
      4,
    );
    expect(thick.tasks[0]!.details[0]).toMatch(/1 hole by hand/);
    expect(thick.between[0]!.details[0]).toMatch(/: 10 mm$/);
  });

  it('are left out where the version leaves their part off, and where no sub-assembly holds it', () => {
    const choices = [
      {
        id: 'engine',
        name: 'Engine',
        chosen: 'diesel',
        options: [
          { id: 'petrol', name: 'petrol', needs: ['C1'], rulesOut: [], markings: [], finishIds: [] },
          { id: 'diesel', name: 'diesel', needs: [], rulesOut: [], markings: [], finishIds: [] },
        ],
      },
    ];
    const diesel = kitWith({ parts, runs: [leads], choices });
    expect(runTasks(diesel, { trays, joins: [] }, 24)).toEqual({ tasks: [], between: [] });
    const needs = kitNeeds({ kit: diesel, paints: [], adhesives: [], spares: [], materials: [], scale: 24 });
    expect(needs).toEqual([]);
    expect(runTasks(kit, { trays: [], joins: [] }, 24)).toEqual({ tasks: [], between: [] });
  });

  it('ask for their wire by diameter, with the length of all', () => {
    const needs = kitNeeds({ kit, paints: [], adhesives: [], spares: [], materials: [], scale: 24 });
    expect(needs.map(({ id, state }) => [id, state])).toEqual([
      ['material:wire-0.3', 'buy'],
      ['material:wire-1.5', 'buy'],
    ]);
    expect(needs[0]!.why).toMatch(/120 mm in all$/);
    const stock = [{ id: 'm', name: 'wire', kind: 'wire-0.3', amount: 'a reel', have: true, leadDays: 0 }];
    const stocked = kitNeeds({ kit, paints: [], adhesives: [], spares: [], materials: stock, scale: 24 });
    expect(stocked.find(({ id }) => id === 'material:wire-0.3')!.state).toBe('have');
  });

  it('must be in before a join shuts in the part that they end at', () => {
    const joints = [plainJoint('body-on', 'A1', 'B1', { captured: ['C2'] })];
    const divided = {
      trays: [...trays, { id: 'body', partIds: ['A1'] }],
      joins: [{ id: 'on', jointIds: ['body-on'] }],
    };
    const { between } = runTasks(kit, divided, 24);
    const found = consequencesOf(dividedKit({ ...kit, joints }, divided), between);
    expect(found.map(({ effect, step, other }) => ({ effect, step, other }))).toEqual([
      {
        effect: 'prevents',
        step: { work: 'assemble', joinId: 'on' },
        other: { work: 'run', runStepId: 'plumb-chassis-engine' },
      },
    ]);
  });

  it('come after what brings their ends together, and before what shuts off other joints of theirs', () => {
    const more = [...parts, plainPart('A2', { name: 'Lamp' })];
    // Engine and body both sit on the chassis; the body shuts off the engine's own joint.
    const joints = [
      plainJoint('engine-in', 'C1', 'B1'),
      plainJoint('body-on', 'A1', 'B1', { closes: ['engine-in'] }),
      plainJoint('lamp', 'A2', 'A1'),
    ];
    const divided = {
      trays: [...trays, { id: 'body', partIds: ['A1'] }, { id: 'lamp', partIds: ['A2'] }],
      joins: [
        { id: 'in', jointIds: ['engine-in'] },
        { id: 'on', jointIds: ['body-on'] },
        { id: 'lit', jointIds: ['lamp'] },
      ],
    };
    const heater = run('heater', 'C2', 'A1', { kind: 'heater-hose' });
    const led = kitWith({ parts: more, joints, runs: [hose, heater] });
    const { between } = runTasks(led, divided, 24);
    expect(between.map(({ id, acrossJoinIds }) => [id, acrossJoinIds])).toEqual([
      ['plumb-chassis-engine', ['in']],
      ['plumb-body-engine', ['in', 'on']],
    ]);
    const prevented = consequencesOf(dividedKit(led, divided), between).flatMap(({ other, step }) =>
      other.work === 'run' && step.work === 'assemble' ? [[step.joinId, other.runStepId]] : [],
    );
    // The hose to the body can only be led once that is on.
    expect(prevented).toEqual([['on', 'plumb-chassis-engine']]);
  });

  it('lead from one part to another: one that leads to itself is refused', () => {
    expect(checkKit(kit)).toEqual([]);
    const looped = { ...kit, runs: [run('loop', 'C1', 'C1')] };
    expect(checkKit(looped)).toEqual([
      { kind: 'impossible', message: expect.stringMatching(/from C1 Distributor to itself/) as string },
    ]);
  });

  it('are named by what they are where the builder gave no name', () => {
    expect(runName(leads, kit)).toBe('6 × ignition lead, distributor to head');
    expect(runName({ ...hose, toPartId: 'gone' }, kit)).toBe('top hose, radiator to a part that is gone');
  });
});
