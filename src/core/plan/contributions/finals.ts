import type { PlanContribution } from '../contribution.ts';

/** What ends every build: touching in what was handled, a last look, and the verdict. */
export const finals: PlanContribution = {
  id: 'finals',

  lastSteps: ({ name, joins }) => [
    ...(joins.length > 0
      ? [
          {
            kind: 'touch-in' as const,
            title: `Touch in: ${name}`,
            hands: 20,
            because:
              'Handling marks, glue spots and bare edges are mended last, with paint kept from the job.',
            details: [
              'the smallest brush, the paint of the recipe card',
              'nothing that was cemented is moved',
            ],
          },
        ]
      : []),
    {
      kind: 'inspect',
      title: `Look over and photograph: ${name}`,
      hands: 15,
      because: 'Photographs get forgotten, and the finished model is never again as clean.',
      details: [
        'natural light, same angle as the reference',
        'every side once, and what nobody will see again',
      ],
      photo: `${name}, finished`,
    },
    {
      kind: 'verdict',
      title: `Verdict: ${name}`,
      hands: 10,
      because: 'Small regrets are lessons for the next kit, while they are fresh.',
      details: ['what went well, what to do better; keep each as a lesson in the Kit stage'],
    },
  ],
};
