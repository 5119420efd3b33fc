import { describe, expect, it } from 'vitest';
import { seededRandom } from '../../seededRandom.ts';
import { chooseDetail, type DetailTask } from './chooseDetail.ts';
import { frontierOrder } from './frontierOrder.ts';

const task = (id: string, minutes: number, gain: number, more: Partial<DetailTask> = {}): DetailTask => ({
  id,
  minutes,
  gain,
  after: [],
  not: [],
  ...more,
});
const random = seededRandom(3);
const below = (most: number) => Math.floor(random() * most);

function randomTasks(count: number, links: number, whole: boolean): DetailTask[] {
  const figure = (most: number) => (whole ? 1 + below(most) : random() * most);
  const tasks = Array.from({ length: count }, (_, at) => ({
    ...task(`t${at}`, figure(60), figure(20) - (random() < 0.15 ? 18 : 0)),
    after: [] as string[],
    not: [] as string[],
  }));
  for (let link = 0; link < links; link++) {
    const [one, other] = [tasks[below(count)]!, tasks[below(count)]!];
    (random() < 0.6 ? one.after : one.not).push(other.id);
  }
  return tasks;
}

/** All that may stand together, one after the other. */
function bestOfAll(tasks: readonly DetailTask[], minutes: number): number {
  let best = 0;
  const at = new Map(tasks.map(({ id }, index) => [id, index]));
  for (let set = 0; set < 1 << tasks.length; set++) {
    const has = (id: string) => (set & (1 << at.get(id)!)) !== 0;
    const chosen = tasks.filter(({ id }) => has(id));
    if (chosen.reduce((sum, each) => sum + each.minutes, 0) > minutes + 1e-9) continue;
    if (!chosen.every(({ after, not }) => after.every(has) && !not.some(has))) continue;
    best = Math.max(
      best,
      chosen.reduce((sum, each) => sum + each.gain, 0),
    );
  }
  return best;
}

/** What is wrong with an answer. */
function faults(
  tasks: readonly DetailTask[],
  minutes: number,
  answer: ReturnType<typeof chooseDetail>,
): string[] {
  const chosen = tasks.filter(({ id }) => answer.chosen.includes(id));
  const sum = (of: 'minutes' | 'gain') => chosen.reduce((all, each) => all + each[of], 0);
  return [
    ...(Math.abs(sum('gain') - answer.gain) > 1e-6 ? ['another gain'] : []),
    ...(Math.abs(sum('minutes') - answer.minutes) > 1e-6 ? ['another time'] : []),
    ...(answer.minutes > minutes + 1e-6 ? ['too long'] : []),
    ...chosen.flatMap(({ id, after, not }) => [
      ...after.filter((other) => !answer.chosen.includes(other)).map((other) => `${id} without ${other}`),
      ...not.filter((other) => answer.chosen.includes(other)).map((other) => `${id} beside ${other}`),
    ]),
  ];
}

describe('the detail that is worth most', () => {
  it('agrees with every set tried, whole minutes or not', () => {
    for (let round = 0; round < 250; round++) {
      const tasks = randomTasks(3 + below(10), below(14), round % 2 === 0);
      const minutes = random() * 200;
      const answer = chooseDetail({ minutes, tasks });
      expect(faults(tasks, minutes, answer)).toEqual([]);
      expect(answer.gain).toBeCloseTo(bestOfAll(tasks, minutes), 6);
      expect(answer.proved).toBe(true);
      // The curve says the same of every time on it.
      const further = answer.next.at(-1)!;
      expect(further.gain).toBeCloseTo(bestOfAll(tasks, further.minutes), 6);
      const rising = answer.next.every(({ gain }, at) => at === 0 || gain > answer.next[at - 1]!.gain);
      expect(rising).toBe(true);
    }
  });

  it('weighs two hundred tasks that hang together, and says whether it is proved', () => {
    const tasks = randomTasks(200, 160, true);
    const answer = chooseDetail({ minutes: 480, tasks });
    expect(faults(tasks, 480, answer)).toEqual([]);
    expect(answer.proved).toBe(true);
    const more = chooseDetail({ minutes: 600, tasks });
    expect(more.gain).toBeGreaterThanOrEqual(answer.gain);
    expect(answer.next.find(({ minutes }) => minutes > 480)!.gain).toBeGreaterThan(answer.gain);
    const tangled = randomTasks(200, 900, true);
    expect(faults(tangled, 480, chooseDetail({ minutes: 480, tasks: tangled }))).toEqual([]);
  });

  it('takes what comes with it, leaves what bars itself, and nothing where there is no time', () => {
    const wires = task('wires', 40, 9, { after: ['drill'] });
    const drill = task('drill', 10, -1);
    expect(chooseDetail({ minutes: 60, tasks: [wires, drill] }).chosen).toEqual(['wires', 'drill']);
    expect(chooseDetail({ minutes: 45, tasks: [wires, drill] })).toMatchObject({ chosen: [], gain: 0 });
    expect(chooseDetail({ minutes: 0, tasks: [] }).next).toEqual([{ minutes: 0, gain: 0 }]);
    const alone = task('alone', 5, 5, { not: ['alone'] });
    expect(chooseDetail({ minutes: 60, tasks: [alone] }).chosen).toEqual([]);
    const [p, q] = [task('p', 5, 5, { after: ['q'] }), task('q', 5, 5, { after: ['p'], not: ['p'] })];
    expect(chooseDetail({ minutes: 60, tasks: [p, q] }).chosen).toEqual([]);
  });

  it('refuses what says nothing, by name', () => {
    expect(() => chooseDetail({ minutes: 9, tasks: [task('a', 1, 1), task('a', 1, 1)] })).toThrow(
      'a is given twice',
    );
    expect(() => chooseDetail({ minutes: 9, tasks: [task('a', 1, 1, { after: ['b'] })] })).toThrow(
      'a refers to b',
    );
    expect(() => chooseDetail({ minutes: 9, tasks: [task('a', -1, 1)] })).toThrow('a takes -1 minutes');
    expect(() => chooseDetail({ minutes: Number.NaN, tasks: [] })).toThrow('The time must be 0');
  });
});

describe('an order with few open', () => {
  it('holds each once, and walks a chain end to end', () => {
    const chain = Array.from(
      { length: 50 },
      (_, at) => new Set([at - 1, at + 1].filter((each) => each >= 0 && each < 50)),
    );
    const order = frontierOrder(chain);
    expect([...order].sort((p, q) => p - q)).toEqual(chain.map((_, at) => at));
    const place = new Map(order.map((each, at) => [each, at]));
    const open = order.map(
      (_, at) =>
        chain.filter(
          (each, own) => place.get(own)! <= at && [...each].some((other) => place.get(other)! > at),
        ).length,
    );
    expect(Math.max(...open)).toBeLessThanOrEqual(2);
  });
});
