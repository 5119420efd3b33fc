/** The searches of detail, each beside a plain way of doing it. */
import {
  allocateEngines,
  chooseDetail,
  cutStock,
  visibleShare,
  type CutQuestion,
  type DetailTask,
  type EngineQuestion,
  type SeenScene,
} from '../src/core/detail/index.ts';
import { seededRandom } from '../src/core/seededRandom.ts';
import { timed } from './timed.ts';

const RUNS = 10;
const each = <T>(seed: number, run: (random: () => number) => T): T[] =>
  Array.from({ length: RUNS }, (_, at) => run(seededRandom(100 * seed + at)));
const mean = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / values.length;

/** The longest piece first, into the first bar with room (first fit, decreasing length). */
function firstFit({ stock, pieces, kerf }: CutQuestion): number {
  const bars: number[] = [];
  for (const { length } of [...pieces].sort((p, q) => q.length - p.length)) {
    const at = bars.findIndex((free) => free >= length + kerf);
    if (at >= 0) bars[at]! -= length + kerf;
    else bars.push(stock[0]!.length - length);
  }
  return bars.length * stock[0]!.length;
}

function cutting(seed: number): void {
  for (const count of [20, 40]) {
    const runs = each(seed, (random) => {
      const question: CutQuestion = {
        kerf: 0.3,
        stock: [{ id: 'rod', length: 300, count: null, price: 250 }],
        pieces: Array.from({ length: count }, (_, at) => ({
          id: `${at}`,
          length: 20 + 160 * random(),
          count: 1,
        })),
      };
      return { ...timed(() => cutStock(question)), plain: firstFit(question) };
    });
    console.log(
      `Cutting ${count} pieces: first fit opens ${mean(runs.map(({ plain, made }) => plain / made.opened)).toFixed(3)} times as much; ${runs.filter(({ made }) => made.proved).length} of ${RUNS} proved; ${mean(runs.map(({ seconds }) => seconds)).toFixed(2)} s here`,
    );
  }
}

/** What gains most a minute first, with all that it asks for, where that still goes. */
function bestRateFirst(tasks: readonly DetailTask[], minutes: number): number {
  const byId = new Map(tasks.map((task) => [task.id, task]));
  const chosen = new Set<string>();
  const withAll = (id: string, found = new Set<string>()): Set<string> => {
    if (found.has(id) || chosen.has(id)) return found;
    found.add(id);
    for (const other of byId.get(id)!.after) withAll(other, found);
    return found;
  };
  let left = minutes;
  for (const { id } of [...tasks].sort((p, q) => q.gain / q.minutes - p.gain / p.minutes)) {
    const added = [...withAll(id)].map((one) => byId.get(one)!);
    const time = added.reduce((sum, task) => sum + task.minutes, 0);
    const together = new Set([...chosen, ...added.map((task) => task.id)]);
    const isBarred = [...together].some((one) => byId.get(one)!.not.some((other) => together.has(other)));
    if (time > left || isBarred) continue;
    added.forEach((task) => chosen.add(task.id));
    left -= time;
  }
  return [...chosen].reduce((sum, id) => sum + byId.get(id)!.gain, 0);
}

function choosing(seed: number): void {
  const count = 200;
  const runs = each(seed, (random) => {
    const below = (most: number) => Math.floor(random() * most);
    const tasks = Array.from({ length: count }, (_, at) => ({
      id: `${at}`,
      minutes: 5 + below(60),
      gain: 20 * random(),
      after: at > 0 && random() < 0.4 ? [`${below(at)}`] : [],
      not: random() < 0.15 ? [`${(at + 1 + below(count - 1)) % count}`] : [],
    }));
    return { ...timed(() => chooseDetail({ minutes: 240, tasks })), plain: bestRateFirst(tasks, 240) };
  });
  console.log(
    `Choosing among ${count} details: the best rate first gains ${mean(runs.map(({ plain, made }) => plain / made.gain)).toFixed(3)} of the most; ${runs.filter(({ made }) => made.proved).length} of ${RUNS} proved; ${mean(runs.map(({ seconds }) => seconds)).toFixed(2)} s here`,
  );
}

/** The dearest first, each slot from the kind of which most is left. */
function dearestFirst({ parts, engines }: EngineQuestion): number {
  const left = new Map(parts.map(({ kind, count }) => [kind, count]));
  let value = 0;
  for (const { needs, not, most, value: worth } of [...engines].sort((p, q) => q.value - p.value))
    for (let built = 0; built < most; built++) {
      const trial = new Map(left);
      const kinds: string[] = [];
      const isWhole = needs.every(({ anyOf, count }) => {
        const kind = anyOf
          .filter((one) => (trial.get(one) ?? 0) >= count)
          .filter(
            (one) =>
              !not.some(([p, q]) => (p === one && kinds.includes(q)) || (q === one && kinds.includes(p))),
          )
          .sort((p, q) => trial.get(q)! - trial.get(p)!)[0];
        if (kind === undefined) return false;
        kinds.push(kind);
        trial.set(kind, trial.get(kind)! - count);
        return true;
      });
      if (!isWhole) break;
      trial.forEach((count, kind) => left.set(kind, count));
      value += worth;
    }
  return value;
}

function allocating(seed: number): void {
  const runs = each(seed, (random) => {
    const below = (most: number) => Math.floor(random() * most);
    const kinds = Array.from({ length: 60 }, (_, at) => `k${at}`);
    const question: EngineQuestion = {
      parts: kinds.map((kind) => ({ kind, count: 1 + below(5) })),
      engines: Array.from({ length: 12 }, (_, at) => ({
        id: `e${at}`,
        value: 1 + below(9),
        most: 2,
        needs: Array.from({ length: 5 }, (__, slot) => ({
          slot: `s${slot}`,
          anyOf: Array.from({ length: 3 }, () => kinds[below(60)]!),
          count: 1 + below(2),
        })),
        not: [[kinds[below(60)]!, kinds[below(60)]!] as const],
      })),
    };
    return { ...timed(() => allocateEngines(question)), plain: dearestFirst(question) };
  });
  console.log(
    `Engines of 12 types and 60 kinds: the dearest first is worth ${mean(runs.map(({ plain, made }) => plain / made.value)).toFixed(3)} of the most; ${runs.filter(({ made }) => made.proved).length} of ${RUNS} proved; ${mean(runs.map(({ seconds }) => seconds)).toFixed(2)} s here`,
  );
}

function seeing(seed: number): void {
  const random = seededRandom(seed);
  const scene: SeenScene = {
    parts: Array.from({ length: 200 }, (_, at) => {
      const [x, y, z] = [180 * random(), 70 * random(), 40 * random()];
      return {
        id: `${at}`,
        min: [x, y, z],
        max: [x + 2 + 15 * random(), y + 2 + 15 * random(), z + 2 + 10 * random()],
      };
    }),
    panels: Array.from({ length: 30 }, (_, at) => ({
      axis: (['x', 'y', 'z'] as const)[at % 3]!,
      at: at % 3 === 2 ? 66 + at / 10 : -3 - at / 10,
      from: [-10, -10],
      to: [200, 100],
      holes: [{ from: [20, 5], to: [150, 60], clear: 0.9 }],
    })),
    viewers: Array.from({ length: 12 }, (_, at) => ({
      at: [90 + 500 * Math.cos(at), 30 + 500 * Math.sin(at), 300],
      weight: 1 / 12,
    })),
  };
  const few = timed(() => visibleShare(scene, { rays: 800, seed: 1 }).parts);
  const many = timed(() => visibleShare(scene, { rays: 8000, seed: 2 }).parts);
  const off = few.made.map(({ share }, at) => Math.abs(share - many.made[at]!.share));
  // Rays drawn at will are off by the error that is stated, on the mean 0.8 of it.
  const stated = mean(few.made.map(({ error }) => error));
  console.log(
    `Shares of 200 parts with 800 rays each: stated error at most ${Math.max(...few.made.map(({ error }) => error)).toFixed(4)}, off by ${(mean(off) / stated).toFixed(2)} times it on the mean; ${few.seconds.toFixed(2)} s here`,
  );
}

export function details(seed: number): void {
  cutting(seed);
  choosing(seed);
  allocating(seed);
  seeing(seed);
}
