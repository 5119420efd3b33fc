import { smallBatches } from '../../kit/index.ts';
import { COATS, type KitAdvice } from '../advice/kitAdvice.ts';
import { few, traysOf, type DividedKit, type PlanContribution } from '../contribution.ts';

/** What is done with one brush and one bottle, on more than one sub-assembly. */
function batches(build: DividedKit): KitAdvice[] {
  return smallBatches(build.kit).flatMap(({ finish, things, pieces }): KitAdvice[] => {
    const parts = things.map(({ part }) => part.id);
    const trays = traysOf(build, parts);
    if (trays.length < 2) return [];
    const names = things.map(({ part, zone }) =>
      zone === undefined ? part.name.toLowerCase() : `${zone.toLowerCase()} of ${part.name.toLowerCase()}`,
    );
    return [
      {
        rule: 'small-batch',
        subject: finish.id,
        severity: 'note',
        topic: 'note',
        about: { trays, parts },
        text: `One sitting for ${finish.name.toLowerCase()}: ${few(names).join(', ')}`,
        why: `${pieces} small pieces on ${trays.length} sub-assemblies take the same brush and the same bottle.`,
        remedy: 'Line them up on sticks and do them in one evening; then change the colour once.',
        stage: 'detail',
        page: 'small',
        at: { trays, joins: [], kinds: [...COATS, 'pick-out', 'bright'], once: true },
      },
    ];
  });
}

/** Small things by colour. */
export const smallThings: PlanContribution = { id: 'small-things', kitAdvice: batches };
