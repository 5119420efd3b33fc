import { figure } from '../../figures.ts';
import { planHarness, type Harness, type Kit, type Run } from '../../kit/index.ts';
import { worked } from '../../worked.ts';
import type { KitAdvice } from '../advice/kitAdvice.ts';
import { traysOf, type DividedKit, type PlanContribution } from '../contribution.ts';

/** What is led from one part to another, with lines of its own for the step. */
export interface LedRun extends Run {
  lines?: string[];
}

/** Ignition leads as runs from the cap to the plugs, of harnesses that can be worked out and name both parts. */
export function harnessRuns({ harnesses }: Pick<Kit, 'harnesses'>, scale: number): LedRun[] {
  return harnesses.flatMap((harness): LedRun[] => {
    const { id, name, fromPartId, toPartId, realMm } = harness;
    if (fromPartId === null || toPartId === null || fromPartId === toPartId) return [];
    const { answer } = worked(() => planHarness(harness, scale));
    if (!answer || answer.leads.length === 0) return [];
    const { leads, totalMm, gluing, apart } = answer;
    const byCylinder = [...leads].sort((p, q) => p.cylinder - q.cylinder || p.cap - q.cap);
    const called = (at: number) => `${leads[at]!.cylinder}${leads[at]!.cap === 2 ? ' of cap 2' : ''}`;
    return [
      {
        id: `harness-${id}`,
        name: `ignition lead (${name.toLowerCase()})`,
        kind: 'ignition-lead',
        fromPartId,
        toPartId,
        count: leads.length,
        realMm,
        lengthMm: Math.round((10 * totalMm) / leads.length) / 10,
        note: '',
        lines: [
          `firing order ${harness.firingOrder.join('-')}, rotor ${harness.rotor}`,
          `cut: ${byCylinder.map(({ cylinder, cap, lengthMm }) => `${cylinder}${cap === 2 ? ' (2)' : ''} ${figure(lengthMm, 'mm', 1)}`).join(', ')}`,
          `glue in this order: ${gluing.map(called).join(', ')}`,
          ...(apart.length > 0
            ? [
                `keep apart, they fire one after the other: ${apart.map((two) => two.join(' and ')).join('; ')}`,
              ]
            : []),
          ...(harness.colour ? [`in ${harness.colour.toLowerCase()}`] : []),
        ],
      },
    ];
  });
}

/** A harness that cannot be worked out, while its holes are not drilled yet. */
function wrong(build: DividedKit, harness: Harness): KitAdvice[] {
  const parts = [harness.fromPartId, harness.toPartId].flatMap((id) => id ?? []);
  const trays = traysOf(build, parts);
  const { fault } = worked(() => planHarness(harness, build.scale));
  if (fault === undefined || trays.length === 0) return [];
  return [
    {
      rule: 'harness-wrong',
      subject: harness.id,
      severity: 'warn',
      about: { trays, parts },
      text: `Not wired as it stands: ${harness.name}`,
      why: fault,
      remedy: 'Mend it before the holes are drilled; until then the plan leaves its leads out.',
      stage: 'detail',
      page: 'ignition',
      at: { trays, joins: [], between: true, kinds: ['drill', 'wire', 'primer', 'colour'], once: true },
    },
  ];
}

/** Ignition harnesses: their leads are runs, and planned as such. */
export const harnesses: PlanContribution = {
  id: 'harnesses',
  // One with a coil on each plug has no lead to plan.
  stillOpen: ({ kit, scale }) =>
    kit.harnesses.filter(({ source }) => source !== 'coil-per-plug').length - harnessRuns(kit, scale).length,
  kitAdvice: (build) => build.kit.harnesses.flatMap((harness) => wrong(build, harness)),
};
