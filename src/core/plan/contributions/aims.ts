import type { PlanContribution } from '../contribution.ts';

const DAY = 24 * 60;

/** The day by which a build must be ready. */
export const aims: PlanContribution = {
  id: 'aims',

  advice({ build: { deadline }, own, startOf, advise }) {
    if (deadline === null) return;
    const ends = own.map((operation) => startOf(operation) + operation.hands + operation.dry);
    const finish = Math.max(0, ...ends);
    if (finish <= deadline) return;
    const after = ends.filter((end) => end > deadline).length;
    advise([], {
      rule: 'later-than-its-day',
      subject: '',
      severity: 'warn',
      text: 'Later than its day',
      why: `The plan ends ${days(finish - deadline)} after the day it is needed; ${after} ${after === 1 ? 'step ends' : 'steps end'} after it.`,
      remedy: 'Add an evening, a faster clear or a dehydrator; see what one more evening would give.',
      stage: 'plan',
    });
  },
};

function days(minutes: number): string {
  const whole = Math.ceil(minutes / DAY);
  return whole === 1 ? 'a day' : `${whole} days`;
}
