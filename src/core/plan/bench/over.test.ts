import { describe, expect, it } from 'vitest';
import { EVERY_EVENING, requestOfTrap } from '../advice/trapBench.ts';
import { CLEAN } from '../advice/traps.ts';
import { planBench } from './planBench.ts';

describe('a build that is over', () => {
  const going = requestOfTrap({ ...CLEAN, sessions: EVERY_EVENING });
  const whole = planBench(going);
  const first = whole.operations[0]!;
  const over = (end: 'finished' | 'given-up') => ({
    ...going,
    snapshot: {
      ...going.snapshot,
      builds: going.snapshot.builds.map((build) => ({ ...build, kit: { ...build.kit, end } })),
      steps: [
        {
          operationId: first.id,
          buildId: 'b',
          trayId: null,
          title: first.title,
          endedAt: going.now - 60,
          minutes: 5,
          note: '',
        },
      ],
    },
  });

  it.each(['finished', 'given-up'] as const)(
    'and is %s plans and warns of nothing more; what was done stays',
    (end) => {
      expect(Object.keys(whole.starts).length).toBeGreaterThan(3);
      const view = planBench(over(end));
      expect(view.starts).toEqual({});
      expect(view.operations.map(({ id }) => id)).toEqual([first.id]);
      expect(view.advice).toEqual([]);
      expect(view.problem).toBeNull();
    },
  );
});
