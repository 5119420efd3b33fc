import type { PlanContribution } from '../contribution.ts';

/** What earlier builds taught, at the steps that it touches. */
export const learnt: PlanContribution = {
  id: 'learnt',

  advice({ own, advise }) {
    const steps = new Map<string, typeof own>();
    for (const step of own)
      for (const lesson of step.lessons) steps.set(lesson, [...(steps.get(lesson) ?? []), step]);
    for (const [lesson, touched] of steps) {
      advise(touched, {
        rule: 'learnt-earlier',
        subject: lesson,
        severity: 'note',
        topic: 'lesson',
        text: 'Learnt earlier',
        why: lesson,
        source: 'a lesson of yours',
        stage: 'kit',
        page: 'lessons',
      });
    }
  },
};
