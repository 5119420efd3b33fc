import type { PlanContribution } from '../contribution.ts';

/** Four wheels that stand level, measured and shimmed once the chassis is together. */
export const stance: PlanContribution = {
  id: 'stance',

  lastSteps: ({ name, joins, kit }) =>
    kit.stance && joins.length > 0
      ? [
          {
            kind: 'stance',
            title: `Stance and shims: ${name}`,
            hands: 20,
            because: 'Four wheels that do not all touch are the first thing anyone sees.',
            details: [
              'stand it on glass; measure the four corners in the Kit stage',
              'shim before the glue sets',
            ],
          },
        ]
      : [],
};
