/** Measurements as ratios, so that they mean the same on any machine: npm run bench */
import { differenceCiede2000 } from 'culori';
import { readFileSync } from 'node:fs';
import { ciede2000, DAYLIGHT, spectrumToLab, type Lab } from '../src/core/colour/index.ts';
import { dropRatios } from '../src/core/match/recipes/ratios.ts';
import { minimumMulticut, type CutEdge } from '../src/core/kit/multicut.ts';
import {
  normalNumber,
  searchRecipes,
  type RecipePaint,
  type RecipeRequest,
} from '../src/core/match/index.ts';
import {
  compareStacks,
  DEFAULT_CONDITIONS,
  evaluateStack,
  filmPerCoat,
  layerFilm,
  sumFilm,
  GENERIC_PRODUCTS,
  stackCandidates,
  SUBSTRATES,
  type Stack,
  type StackLayer,
} from '../src/core/finish/index.ts';
import { GLOSSY, mixOptics, opaqueSpectrum } from '../src/core/paint/index.ts';
import { seededRandom } from '../src/core/seededRandom.ts';
import { details } from './detail.ts';
import { liveries } from './livery.ts';
import { closedLoop, share, type LoopWorld } from './closedLoop.ts';
import { schedules } from './schedules.ts';

/** Milliseconds that some work takes, the least of a few runs. */
function milliseconds(work: () => void, runs = 3): number {
  return Math.min(
    ...Array.from({ length: runs }, () => {
      const began = performance.now();
      work();
      return performance.now() - began;
    }),
  );
}

function differences(): void {
  const random = seededRandom(1);
  const colours = Array.from({ length: 20000 }, (): Lab => ({
    L: 100 * random(),
    a: 160 * random() - 80,
    b: 160 * random() - 80,
  }));
  const other = differenceCiede2000();
  const foreign = colours.map(({ L, a, b }) => ({ mode: 'lab65' as const, l: L, a, b }));
  let sum = 0;
  const own = milliseconds(
    () => colours.forEach((colour, i) => (sum += ciede2000(colour, colours[(i + 1) % colours.length]!))),
    5,
  );
  const theirs = milliseconds(
    () => foreign.forEach((colour, i) => (sum += other(colour, foreign[(i + 1) % foreign.length]!))),
    5,
  );
  console.log(
    `CIEDE2000: ${Math.round(colours.length / own).toLocaleString('en')} thousand a second, ${(theirs / own).toFixed(1)} times culori's (sum ${sum.toFixed(0)})`,
  );
}

/** Every recipe of up to three paints, worked out one by one with typed arrays: what the search is held against. */
function enumerate({ paints, target, maxDrops }: RecipeRequest): { best: number; count: number } {
  const bands = 31;
  const [L, a, b] = target.lab;
  const wanted = { L, a, b };
  let best = Infinity;
  let count = 0;
  const reflectance = new Array<number>(bands).fill(0);
  const k = paints.map((paint) => Float64Array.from(paint.k));
  const s = paints.map((paint) => Float64Array.from(paint.s));
  for (let p = 0; p < paints.length; p++) {
    for (let q = p + 1; q < paints.length; q++) {
      for (let r = q + 1; r < paints.length; r++) {
        for (let x = 1; x <= maxDrops - 2; x++) {
          for (let y = 1; y <= maxDrops - x - 1; y++) {
            for (let z = 1; z <= maxDrops - x - y; z++) {
              for (let band = 0; band < bands; band++) {
                const absorbed = x * k[p]![band]! + y * k[q]![band]! + z * k[r]![band]!;
                const scattered = x * s[p]![band]! + y * s[q]![band]! + z * s[r]![band]!;
                const ratio = absorbed / scattered;
                const internal = 1 + ratio - Math.sqrt(ratio * ratio + 2 * ratio);
                reflectance[band] = 0.04 + (0.384 * internal) / (1 - 0.6 * internal);
              }
              count++;
              best = Math.min(best, ciede2000(wanted, spectrumToLab(reflectance, DAYLIGHT)));
            }
          }
        }
      }
    }
  }
  return { best, count };
}

/** CPU milliseconds, compiler and collector included. */
function cpuMilliseconds(work: () => void): number {
  const began = process.cpuUsage();
  work();
  const { user, system } = process.cpuUsage(began);
  return (user + system) / 1000;
}

const TOO_FAR: [number, number, number][] = [
  [62, 78, -52],
  [60, 80, 60],
  [75, -80, 60],
  [85, 10, 110],
];

function recipes(): void {
  const catalogue = JSON.parse(
    readFileSync(new URL('../demo/data/paints.json', import.meta.url), 'utf8'),
  ) as (RecipePaint & { role: string; flakeUm?: number })[];
  const pigmented = catalogue.filter(({ role, flakeUm }) => role === 'colour' && !flakeUm);
  const seed = Number(process.env['BENCH_SEED'] ?? 11);
  const random = seededRandom(seed);
  const some = (count: number): RecipePaint[] => {
    const left = pigmented.map(({ id, k, s }) => ({ id, k, s }));
    // Where more are asked for than the catalogue has, some come twice, the second time a little stronger or weaker.
    while (left.length < count) {
      const like = left[left.length % pigmented.length]!;
      const strength = 0.7 + 0.6 * random();
      left.push({ id: `${like.id}-${left.length}`, k: like.k.map((value) => value * strength), s: like.s });
    }
    return Array.from({ length: count }, () => left.splice(Math.floor(random() * left.length), 1)[0]!);
  };
  const request = (
    paints: RecipePaint[],
    reachable: boolean,
    at: number,
    maxDrops: number,
    maxPaints = 3,
  ): RecipeRequest => {
    const parts = paints.slice(0, 3).map((optics) => ({ optics, share: 1 + 5 * random() }));
    const { L, a, b } = spectrumToLab(opaqueSpectrum(mixOptics(parts)), DAYLIGHT);
    const near: [number, number, number] = [L + random() / 2, a + random() / 2, b + random() / 2];
    const lab = reachable ? near : TOO_FAR[at % TOO_FAR.length]!;
    return {
      format: 'recipe-request',
      version: 1,
      paints,
      target: { lab },
      condition: DAYLIGHT,
      surface: GLOSSY,
      maxPaints,
      maxDrops,
    };
  };

  let perRecipe = 0;
  for (const reachable of [true, false]) {
    const asked = request(some(14), reachable, seed, 14);
    let slow = enumerate(asked);
    // Compiled by then, and long enough to mean something.
    const byHand = cpuMilliseconds(() => (slow = enumerate(asked)));
    perRecipe = byHand / slow.count;
    const exact = searchRecipes(asked, { within: 0, keep: 1 }).best[2]![0]!.dE00;
    const agree = Math.abs(exact - slow.best) < 1e-6;
    console.log(
      `recipes, 14 paints, 3 at a time, 14 drops, ${reachable ? 'within' : 'out of'} reach: best ${agree ? 'agrees with' : 'DIFFERS from'} enumeration (${slow.count.toLocaleString('en')} recipes, ${(perRecipe * 1000).toFixed(2)} microseconds each)`,
    );
  }
  for (const [count, n, reachable, within] of [
    [60, 3, true, 0.1],
    [60, 3, true, 0],
    [60, 3, false, 0.1],
    [200, 3, true, 0.1],
    [600, 3, true, 0.1],
    [60, 4, true, 0.1],
  ] as const) {
    const times: number[] = [];
    const found: number[] = [];
    for (let run = 0; run < 8; run++) {
      const asked = request(some(count), reachable, run, 20, n);
      times.push(cpuMilliseconds(() => found.push(searchRecipes(asked, { within }).best[n - 1]![0]!.dE00)));
    }
    let choices = 1;
    for (let i = 0; i < n; i++) choices = (choices * (count - i)) / (i + 1);
    const all = choices * dropRatios(n, 20).length * perRecipe;
    console.log(
      `recipes, ${count} paints, ${n} at a time, 20 drops, ${reachable ? 'within' : 'out of'} reach, proved within ${within}: ${times
        .map((time) => Math.round(all / time).toLocaleString('en'))
        .join(
          ', ',
        )} times enumeration (extrapolated); best dE00 ${found.map((dE) => dE.toFixed(2)).join(', ')}`,
    );
  }
}

/** Least cost of a division by trying every set of early joints. */
function leastByTrying(vertexCount: number, edges: readonly CutEdge[]): number {
  let best = Infinity;
  const group = new Int32Array(vertexCount);
  for (let choice = 0; choice < 1 << edges.length; choice++) {
    for (let vertex = 0; vertex < vertexCount; vertex++) group[vertex] = vertex;
    let cost = 0;
    edges.forEach(({ u, v, early, late }, at) => {
      const isLate = ((choice >> at) & 1) === 1;
      cost += isLate ? late : early;
      if (isLate || group[u] === group[v]) return;
      const [keep, drop] = [group[u]!, group[v]!];
      for (let vertex = 0; vertex < vertexCount; vertex++) if (group[vertex] === drop) group[vertex] = keep;
    });
    if (cost < best && edges.every(({ u, v }, at) => ((choice >> at) & 1) === 0 || group[u] !== group[v]))
      best = cost;
  }
  return best;
}

function subassemblies(): void {
  const random = seededRandom(17);
  const tangle = (vertexCount: number, count: number) =>
    Array.from({ length: count }, (_, at) => ({
      u: at < vertexCount - 1 ? Math.floor(random() * (at + 1)) : Math.floor(random() * vertexCount),
      v: at < vertexCount - 1 ? at + 1 : Math.floor(random() * vertexCount),
      early: random() * 30,
      late: random() * 30,
    })).filter(({ u, v }) => u !== v);
  const solve = (vertexCount: number, edges: CutEdge[]) => {
    const search = minimumMulticut({ vertexCount, edges, precedences: [] });
    for (;;) {
      const { done, value } = search.next();
      if (done) return value;
    }
  };
  const small = tangle(10, 17);
  let least = 0;
  const byHand = milliseconds(() => (least = leastByTrying(10, small)), 1);
  const search = milliseconds(() => solve(10, small));
  const agree = Math.abs(solve(10, small).cost - least) < 1e-6;
  console.log(
    `${small.length} joints: ${(byHand / search).toFixed(0)} times trying every division; cost ${agree ? 'agrees' : 'DIFFERS'}`,
  );
  for (const [parts, joints] of [
    [40, 60],
    [500, 700],
  ] as const) {
    const edges = tangle(parts, joints);
    const { cost, bound } = solve(parts, edges);
    console.log(
      `${edges.length} joints of ${parts} parts, a tangle: gap ${((100 * (cost - bound)) / cost).toFixed(2)} % of the cost, ${(milliseconds(() => solve(parts, edges), 1) / search).toFixed(0)} times the small one`,
    );
  }
}

/** Cups mixed, sprayed, read and corrected in a world that differs from the model's: how near, and whether the bands
 *  hold. */
function correction(): void {
  const seed = Number(process.env['BENCH_SEED'] ?? 11);
  const worlds: [string, Omit<LoopWorld, 'seed'>][] = [
    ['printed swatches', {}],
    ['paints read from a chart', { uncertainty: 1, strengthDoubt: 0.08 }],
    ['typed paints', { strengthDoubt: 0.45 }],
    ['printed swatches, 20 um over white', { filmUm: 20 }],
  ];
  for (const [name, world] of worlds) {
    const { spoons, covered, bands, firstCovered, firstBands } = closedLoop(40, { seed, ...world });
    const line = spoons
      .map((spoon) => `${share(spoon, 0.5).toFixed(2)} (${share(spoon, 0.9).toFixed(2)})`)
      .join(', ');
    console.log(
      `correction, ${name}, ${spoons[0]!.length} cups: median dE00 (90th percentile) of the first spoon and after one and two corrections ${line}; bands held ${Math.round((100 * covered) / bands)} % of the time, those of first spoons ${Math.round((100 * firstCovered) / firstBands)} %`,
    );
  }
}

/** Films of stacks laid by simulated builders, whose hands, bottles and coats stray, against the bands. */
function films(): void {
  const random = seededRandom(Number(process.env['BENCH_SEED'] ?? 11));
  /** Standard deviations from the middle that 90 % of coats keep to. */
  const NINETY = 1.645;
  let held = 0;
  let count = 0;
  for (let builder = 0; builder < 400; builder++) {
    const hand = normalNumber(random);
    const layers = (['primer', 'colour', 'clear'] as const).map((kind): StackLayer => {
      const product = GENERIC_PRODUCTS.filter(({ id }) =>
        kind === 'primer'
          ? id.includes('primer')
          : kind === 'clear'
            ? id.startsWith('generic-clear')
            : id === 'generic-silver',
      );
      return {
        id: kind,
        kind,
        product: product[Math.floor(random() * product.length)]!,
        coats: 1 + Math.floor(4 * random()),
        tool: 'airbrush',
      };
    });
    const band = sumFilm(layers.map(layerFilm));
    // Three causes stray on their own, each skewed as the layer's band is: the hand, the bottle, every coat.
    const laid = layers.reduce((sum, layer) => {
      const bottle = normalNumber(random);
      const each = filmPerCoat(layer);
      let film = 0;
      for (let coat = 0; coat < layer.coats; coat++) {
        const strayed = 0.63 * hand + 0.63 * bottle + 0.45 * normalNumber(random);
        film +=
          each.usual + (strayed / NINETY) * (strayed < 0 ? each.usual - each.low : each.high - each.usual);
      }
      return sum + film;
    }, 0);
    count++;
    if (laid >= band.low && laid <= band.high) held++;
  }
  console.log(
    `film of ${count} stacks by simulated builders: bands held ${Math.round((100 * held) / count)} % of the time`,
  );
}

/** A body of fifteen layers, and every ground under its colour, against one frame of a screen. */
function stacks(): void {
  const product = (id: string) => GENERIC_PRODUCTS.find((generic) => generic.id === id)!;
  const layer = (at: number): StackLayer => {
    const [kind, id] = (
      [
        ['primer', 'generic-primer-grey'],
        ['undercoat', 'generic-black-gloss'],
        ['colour', 'generic-silver'],
        ['tint', 'generic-tint-orange'],
        ['clear', 'generic-clear-lacquer'],
      ] as const
    )[at % 5]!;
    return { id: `${kind}-${at}`, kind, product: product(id), coats: 2, tool: 'airbrush' };
  };
  const stack: Stack = {
    substrate: SUBSTRATES[0]!,
    areaCm2: 200,
    scale: 24,
    layers: Array.from({ length: 15 }, (_, at) => layer(at)),
  };
  const one = milliseconds(() => evaluateStack(stack), 20);
  const body = { ...stack, layers: stack.layers.slice(0, 5) };
  const candidates = stackCandidates(body);
  const wanted = new Array<number>(31).fill(0.4);
  const all = milliseconds(() => compareStacks(body, candidates, wanted, DEFAULT_CONDITIONS), 5);
  console.log(
    `a stack of 15 layers: ${(2 / one).toFixed(1)} times within 2 ms; ${candidates.length} stacks compared: ${(200 / all).toFixed(1)} times within 200 ms, ${(all / one).toFixed(0)} times the one`,
  );
}

differences();
films();
schedules(Number(process.env['BENCH_SEED'] ?? 11));
stacks();
recipes();
correction();
subassemblies();
liveries(Number(process.env['BENCH_SEED'] ?? 11));
details(Number(process.env['BENCH_SEED'] ?? 11));
