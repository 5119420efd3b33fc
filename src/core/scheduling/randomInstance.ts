import type { ScheduleInstance, ScheduleOperation } from './model/instance.ts';
import { seededRandom } from '../seededRandom.ts';

/** An instance for tests and measurements: lags, windows that close, families and gaps in the calendar, repeatable from a seed. */
export function randomInstance(seed: number, size: number, days = 60): ScheduleInstance {
  const random = seededRandom(seed);
  const pick = (count: number) => Math.floor(random() * count);
  const operations = Array.from({ length: size }, (_, index) => ({
    id: `op${index}`,
    hands: 5 * (1 + pick(6)),
    family: random() < 0.5 ? ['red', 'blue', 'clear'][pick(3)]! : null,
    dry: 30 * pick(10),
  }));
  const arcs = operations.slice(1).flatMap(({ id }, index) => {
    if (random() < 0.3) return [];
    const minLag = random() < 0.5 ? 20 : 60 * pick(20);
    return [{ from: `op${pick(index + 1)}`, to: id, minLag, maxLag: random() < 0.25 ? minLag + 1500 : null }];
  });
  const windows = Array.from({ length: days }, (_, day): [number, number] => [
    1440 * day + 1140,
    1440 * day + 1260,
  ]).filter((_, day) => day % 7 !== 4);
  return {
    format: 'kit-schedule-instance',
    version: 1,
    name: `random ${seed}`,
    windows,
    operations,
    arcs,
    setup: {
      newWindow: 5,
      combine: 'max',
      families: ['red', 'blue', 'clear'],
      change: [
        [0, 10, 5],
        [15, 0, 5],
        [10, 10, 0],
      ],
    },
  };
}

/** Several builds for one builder, each with a last step that all of its work leads to: `0/end`, `1/end` and so on, with
 *  what is wished of it. */
export function severalBuilds(
  seed: number,
  size: number,
  wishes: readonly Pick<ScheduleOperation, 'due' | 'weight'>[],
): ScheduleInstance {
  const builds = wishes.map((wish, k) => {
    const { operations, arcs } = randomInstance(10 * seed + k, size);
    const name = (id: string) => `${k}/${id}`;
    const leads = new Set(arcs.map(({ from }) => from));
    const last = operations.filter(({ id }) => !leads.has(id));
    return {
      operations: [
        ...operations.map((operation) => ({ ...operation, id: name(operation.id) })),
        { id: name('end'), hands: 5, family: null, dry: 0, ...wish },
      ],
      arcs: [
        ...arcs.map((arc) => ({ ...arc, from: name(arc.from), to: name(arc.to) })),
        ...last.map(({ id }) => ({ from: name(id), to: name('end'), minLag: 0, maxLag: null })),
      ],
    };
  });
  return {
    ...randomInstance(seed, 1, wishes.length * size + 30),
    operations: builds.flatMap(({ operations }) => operations),
    arcs: builds.flatMap(({ arcs }) => arcs),
  };
}

/** The same work where paint can be sprayed in some sessions only, and most of it must be; one session has the booth. */
export function withBooth(instance: ScheduleInstance, seed: number): ScheduleInstance {
  const random = seededRandom(seed);
  const open = instance.windows.map(() => random() < 0.5);
  open[Math.floor(random() * open.length)] = true;
  return {
    ...instance,
    boothOpen: open,
    operations: instance.operations.map((operation) => ({
      ...operation,
      needsBooth: random() < (operation.family === null ? 0.1 : 0.8),
    })),
  };
}
