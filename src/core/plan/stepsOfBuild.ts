import type { Conditions, ToolSettings } from '../finish/index.ts';
import {
  soundDivision,
  type Build,
  type DivisionFault,
  type Lesson,
  type ProductIndex,
} from '../kit/index.ts';
import { generateOperations } from './generateOperations.ts';
import type { KitSummary } from './kitSummary.ts';
import type { OperationPlan, PlanOperation } from './operation.ts';
import { withOwnSteps } from './ownSteps.ts';
import { plannableBuild, type PlannableBuild } from './plannableBuild.ts';
import { withRepairs } from './repairs.ts';
import { soundSteps } from './soundSteps.ts';
import { withStepEdits } from './stepEdits.ts';
import { adviceFrom, type Advice } from './advice/advice.ts';

/** What the bench lends to the steps of every build. */
export interface BenchForSteps {
  products: ProductIndex;
  codes: Parameters<typeof plannableBuild>[2];
  conditions: Conditions;
  /** Longest session with spraying, minutes. */
  longestSession: number;
  lessons: readonly Lesson[];
  tools?: ToolSettings;
}

/** The steps of one build, and what of the build could not be followed. */
export interface BuildSteps {
  trays: PlannableBuild['trays'];
  plan: OperationPlan;
  /** Steps that the builder left out, by the edit that did. */
  leftOut: { editId: string; step: PlanOperation }[];
  /** What was left out or read otherwise because the records contradict themselves. */
  faults: Advice[];
}

/** Everything that one build asks of the plan, with the builder's own steps, edits and repairs. A build whose records
 *  contradict themselves is planned as far as it can be read, and says so; none throws, so that none takes the plan
 *  of another. */
export function stepsOfBuild(
  build: Omit<Build, 'position'> & { kit: KitSummary },
  { products, codes, conditions, longestSession, lessons, tools }: BenchForSteps,
): BuildSteps {
  const { faults, ...division } = soundDivision(build);
  const warnings = faults.map((fault) => faultAdvice(build.id, fault));
  const leftOut: BuildSteps['leftOut'] = [];
  try {
    const plannable = plannableBuild({ ...build, ...division }, products, codes);
    const whole = generateOperations(plannable, conditions, longestSession, lessons, tools);
    const { ownSteps, stepEdits, mishaps } = build.kit.plan;
    const own = withOwnSteps(whole.operations, whole.arcs, ownSteps);
    for (const { id: editId, operationId, leaveOut } of stepEdits) {
      const step = leaveOut && own.operations.find(({ id }) => id === operationId);
      if (step) leftOut.push({ editId, step });
    }
    const edited = withStepEdits(own, stepEdits);
    const sound = soundSteps(withRepairs(edited.operations, edited.arcs, mishaps, conditions));
    return {
      trays: plannable.trays,
      plan: sound.plan,
      leftOut,
      faults: [...warnings, ...sound.faults.map((text, at) => stepAdvice(build.id, text, at))],
    };
  } catch (error) {
    return {
      trays: [],
      plan: { operations: [], arcs: [] },
      leftOut: [],
      faults: [...warnings, unplanned(build, error)],
    };
  }
}

/** A fault of a join stands at its step. */
function faultAdvice(buildId: string, { id, of, message, readAs }: DivisionFault): Advice {
  const advice = adviceFrom(buildId, {
    rule: 'contradiction',
    subject: `${of} ${id} ${message}`,
    severity: 'warn',
    text: message,
    why: readAs,
    remedy: 'Set it right under Sub-assemblies, as it stands.',
    stage: 'kit',
    page: 'trays',
  });
  return of === 'join' ? { ...advice, about: { ...advice.about, steps: [`${buildId}/join/${id}`] } } : advice;
}

const stepAdvice = (buildId: string, text: string, at: number): Advice =>
  adviceFrom(buildId, {
    rule: 'steps-contradict',
    subject: String(at),
    severity: 'warn',
    text: 'Steps that contradict each other',
    why: text,
    remedy: 'Look at the own steps, edits and joins that name them.',
    stage: 'plan',
  });

const unplanned = ({ id, name }: { id: string; name: string }, error: unknown): Advice =>
  adviceFrom(id, {
    rule: 'not-in-the-plan',
    subject: '',
    severity: 'warn',
    text: `${name} is not in the plan`,
    why: `Its steps could not be worked out: ${(error as Error).message}`,
    remedy: 'Take the last change of this build back, or mend what is named; the other builds are planned.',
    stage: 'kit',
  });
