/** Measurements as ratios, so that they mean the same on any machine: npm run bench */
import { differenceCiede2000 } from 'culori';
import { readFileSync } from 'node:fs';
import { ciede2000, DAYLIGHT, spectrumToLab, type Lab } from '../src/core/colour/index.ts';
import { minimumMulticut, type CutEdge } from '../src/core/kit/multicut.ts';
import { searchRecipes, type RecipePaint, type RecipeRequest } from '../src/core/match/index.ts';
import { mixOptics, opaqueSpectrum } from '../src/core/paint/index.ts';
import { seededRandom } from '../src/core/plan/index.ts';

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

function recipes(): void {
  const catalogue = JSON.parse(
    readFileSync(new URL('../demo/data/paints.json', import.meta.url), 'utf8'),
  ) as (RecipePaint & { family: string; role: string; container: string; flakeUm?: number })[];
  const lacquers = catalogue.filter(
    ({ family, role, container, flakeUm }) =>
      family === 'lacquer' && role === 'colour' && container === 'bottle' && !flakeUm,
  );
  const random = seededRandom(11);
  const mixture = opaqueSpectrum(
    mixOptics(lacquers.slice(20, 23).map((optics) => ({ optics, share: 1 + random() }))),
  );
  const near = spectrumToLab(mixture, DAYLIGHT);
  const targets: [string, Lab][] = [
    ['within reach', near],
    ['out of reach', { L: 62, a: 78, b: -52 }],
  ];
  for (const [name, { L, a, b }] of targets) {
    const request: RecipeRequest = {
      format: 'recipe-request',
      version: 1,
      paints: lacquers.slice(0, 14),
      target: { lab: [L, a, b] },
      maxPaints: 3,
      maxDrops: 12,
    };
    let slow = { best: 0, count: 0 };
    const byHand = milliseconds(() => (slow = enumerate(request)), 1);
    const exact = searchRecipes(request, { within: 0, keep: 1 });
    const search = milliseconds(() => searchRecipes(request));
    const agree = Math.abs(exact.best[2]![0]!.dE00 - slow.best) < 1e-6;
    console.log(
      `14 paints, 3 at a time, 12 drops, ${name}: ${(byHand / search).toFixed(0)} times enumeration (${slow.count.toLocaleString('en')} recipes, ${Math.round(slow.count / byHand)} thousand a second against ${Math.round(slow.count / search).toLocaleString('en')}); best ${agree ? 'agrees' : 'DIFFERS'}`,
    );
    const large: RecipeRequest = { ...request, paints: lacquers.slice(0, 50), maxDrops: 20 };
    const began = performance.now();
    const answer = searchRecipes(large);
    const seconds = (performance.now() - began) / 1000;
    const perRecipe = byHand / slow.count / 1000;
    console.log(
      `50 paints, 3 at a time, 20 drops, ${name}: ${seconds.toFixed(1)} s here; ${((19600 * 1140 * perRecipe) / seconds).toFixed(0)} times enumeration by extrapolation; best ${answer.best[2]![0]!.dE00.toFixed(2)}`,
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

differences();
recipes();
subassemblies();
