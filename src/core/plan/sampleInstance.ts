import type { ScheduleInstance } from './scheduleInstance.ts';
import { seededRandom } from './scheduleOperations.ts';

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
