import { adviceFrom, type Advice } from './advice/advice.ts';
import type { DoneStep } from './replan.ts';

/** Says of done work that a change of version, stack or joint took out of the plan, and how to live with it. */
export function noLongerPlanned({
  operationId,
  buildId,
  title,
}: Pick<DoneStep, 'operationId'> & { buildId: string; title: string }): Advice {
  const isHole = operationId.split('/').at(-1)!.startsWith('open-');
  return adviceFrom(buildId, {
    rule: 'no-longer-planned',
    subject: operationId,
    severity: 'warn',
    text: isHole ? `Needless hole: ${title}` : `Done, but no longer planned: ${title}`,
    why: isHole
      ? 'It was opened for what is no longer built: nothing goes into it, and it shows through every coat.'
      : 'The version, stack or joint changed after it was done; what it did is still on the model.',
    remedy: isHole
      ? 'Plug it with rod or stretched sprue, cement it, and file it flush before primer; or take the change back.'
      : 'Take the change back, or strip or sand back what it did. The log keeps the step either way.',
    stage: isHole ? 'kit' : 'finish',
  });
}
