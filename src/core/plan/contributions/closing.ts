import { FREEING } from '../../cabin/index.ts';
import { movingThings, wayIn } from '../../kit/index.ts';
import { worked } from '../../worked.ts';
import type { Ahead, DividedKit, PlanContribution } from '../contribution.ts';
import { adviseOfLastChances } from './lastChances.ts';
import { sayLateParts } from './lateParts.ts';
import { sayLevels } from './levels.ts';
import { adviseOfWaysIn, partsOfWayIn } from './waysIn.ts';

/** What no longer moves, said while it can still be mended. */
function adviseOfMoving({ build, own, advise }: Ahead): void {
  const steps = own.filter(({ kind }) => kind === 'try-moves' || kind === 'touch-in' || kind === 'verdict');
  if (steps.length === 0) return;
  for (const { id, name, motion, moves, tried } of build.kit.moving) {
    if (moves === null || moves === 'freely') continue;
    const left = FREEING[motion].filter(({ id: way }) => !tried.includes(way));
    advise(steps, {
      rule: moves === 'not' ? 'no-longer-moves' : 'moves-stiffly',
      subject: id,
      severity: moves === 'not' ? 'warn' : 'note',
      ...(moves === 'not' ? {} : { topic: 'note' as const }),
      text: `${moves === 'not' ? 'No longer moves' : 'Moves stiffly'}: ${name}`,
      why: 'You found it so when everything was together.',
      remedy:
        left.length > 0
          ? `In this order: ${left.map(({ how }) => how).join('; ')}.`
          : 'All that was known was tried: live with it, and keep it as a lesson for the next kit.',
      stage: 'detail',
      page: 'moves',
    });
  }
}

const TRY_MINUTES = { start: 5, each: 2, most: 30 };

/** The last evenings: what a join shuts in, how a unit goes in, late parts, what is set straight, what moves. */
export const closing: PlanContribution = {
  id: 'closing',
  kitAdvice: (build) => [...sayLateParts(build), ...sayLevels(build)],
  advice(ahead) {
    adviseOfLastChances(ahead);
    adviseOfWaysIn(ahead);
    adviseOfMoving(ahead);
  },
  stillOpen: ({ kit }) =>
    kit.insertions.filter(
      (each) => partsOfWayIn(each).length < 2 || worked(() => wayIn(each)).fault !== undefined,
    ).length + kit.levels.filter(({ partId }) => partId === null).length,
  lastSteps: ({ name, kit: { moving } }) =>
    moving.length === 0
      ? []
      : [
          {
            kind: 'try-moves',
            title: `Try what moves: ${name}`,
            hands: Math.min(TRY_MINUTES.most, TRY_MINUTES.start + TRY_MINUTES.each * moving.length),
            because: 'What binds is freed before it is shown, and with the paint of the job still at hand.',
            details: [
              ...moving.slice(0, 8).map((thing) => thing.name),
              'slowly, through its whole way; write down what it does in the Detail stage',
            ],
          },
        ],
};

/** Everything that is to move, as the plan asks. */
export const movingOf = ({ kit }: Pick<DividedKit, 'kit'>) =>
  movingThings(kit).map(({ joint, name, motion, moves, tried }) => ({
    id: joint.id,
    name,
    motion,
    moves,
    tried,
  }));
