import { describe, expect, it } from 'vitest';
import { seededRandom } from '../seededRandom.ts';
import { assemblyOrder } from './assemblyOrder.ts';
import { biconnectedBlocks } from './biconnectedBlocks.ts';
import { minimumMulticut, type CutProblem, type CutResult } from './multicut.ts';

function solve(problem: CutProblem): CutResult {
  const search = minimumMulticut(problem);
  for (;;) {
    const { done, value } = search.next();
    if (done) return value;
  }
}

/** Whether units can be put together in some order, tried in every way: the plain reading of the rules. */
function canBeBuilt({ vertexCount, edges, precedences }: CutProblem, late: boolean[]): boolean {
  const tried = new Map<string, boolean>();
  const go = (unit: number[]): boolean => {
    const key = unit.join();
    const known = tried.get(key);
    if (known !== undefined) return known;
    const apart = edges.flatMap(({ u, v }, at) => (unit[u] === unit[v] ? [] : [at]));
    if (apart.length === 0) return true;
    const phase = apart.some((at) => !late[at]) ? apart.filter((at) => !late[at]) : apart;
    const possible = phase.some((at) => {
      const [x, y] = [unit[edges[at]!.u]!, unit[edges[at]!.v]!];
      const next = unit.map((value) => (value === y ? x : value));
      const made = apart.filter((edge) => next[edges[edge]!.u] === next[edges[edge]!.v]);
      const ready = precedences.every(
        ({ first, then }) => !made.includes(then) || next[edges[first]!.u] === next[edges[first]!.v],
      );
      return ready && go(next);
    });
    tried.set(key, possible);
    return possible;
  };
  return go(Array.from({ length: vertexCount }, (_, vertex) => vertex));
}

/** The least cost by trying every choice of early edges. */
function bruteForce(problem: CutProblem): number {
  const { vertexCount, edges, precedences } = problem;
  let best = Infinity;
  for (let choice = 0; choice < 1 << edges.length; choice++) {
    const late = edges.map((_, at) => ((choice >> at) & 1) === 1);
    const group = Array.from({ length: vertexCount }, (_, vertex) => vertex);
    edges.forEach(({ u, v }, at) => {
      if (late[at] || group[u] === group[v]) return;
      const [keep, drop] = [group[u]!, group[v]!];
      group.forEach((value, vertex) => {
        if (value === drop) group[vertex] = keep;
      });
    });
    if (edges.some(({ u, v }, at) => late[at] && group[u] === group[v])) continue;
    if (edges.some(({ fixed }, at) => (fixed === 'late' && !late[at]) || (fixed === 'early' && late[at])))
      continue;
    if (precedences.some(({ first, then }) => late[first] && !late[then])) continue;
    const cost = edges.reduce((sum, edge, at) => sum + (late[at] ? edge.late : edge.early), 0);
    if (cost < best && canBeBuilt(problem, late)) best = cost;
  }
  return best;
}

function randomProblem(random: () => number): CutProblem {
  const vertexCount = 3 + Math.floor(random() * 4);
  const pairs: [number, number][] = [];
  for (let u = 0; u < vertexCount; u++) for (let v = u + 1; v < vertexCount; v++) pairs.push([u, v]);
  const chosen = pairs.sort(() => random() - 0.5).slice(0, 3 + Math.floor(random() * 6));
  const edges = chosen.map(([u, v]) => ({
    u,
    v,
    early: Math.floor(random() * 30),
    late: Math.floor(random() * 30),
    ...(random() < 0.15 ? { fixed: 'late' as const } : random() < 0.06 ? { fixed: 'early' as const } : {}),
  }));
  const precedences = Array.from({ length: Math.floor(random() * 4) }, () => {
    const [first, then] = [Math.floor(random() * edges.length), Math.floor(random() * edges.length)];
    return { first: Math.min(first, then), then: Math.max(first, then) };
  }).filter(({ first, then }) => first !== then);
  return { vertexCount, edges, precedences };
}

describe('minimumMulticut', () => {
  it('agrees with trying everything on 500 random graphs', () => {
    const random = seededRandom(11);
    let solved = 0;
    let impossible = 0;
    for (let round = 0; round < 500; round++) {
      const problem = randomProblem(random);
      const expected = bruteForce(problem);
      if (expected === Infinity) {
        impossible++;
        expect(() => solve(problem)).toThrow(RangeError);
        continue;
      }
      solved++;
      const { cost, bound, late } = solve(problem);
      expect(cost, `round ${round}`).toBeCloseTo(expected, 6);
      expect(bound).toBeCloseTo(cost, 6);
      expect(canBeBuilt(problem, late)).toBe(true);
    }
    expect(solved).toBeGreaterThan(350);
    expect(impossible).toBeGreaterThan(5);
  });

  it('proves sixty joints in a tangle', () => {
    const random = seededRandom(5);
    const edges = Array.from({ length: 60 }, (_, at) => ({
      u: at < 29 ? at : Math.floor(random() * 30),
      v: at < 29 ? at + 1 : Math.floor(random() * 30),
      early: random() * 30,
      late: random() * 30,
    })).filter(({ u, v }) => u !== v);
    const { cost, bound } = solve({ vertexCount: 30, edges, precedences: [] });
    expect(cost - bound).toBeLessThan(1e-6);
  });

  it('shows an honest gap where the effort ends first', () => {
    const random = seededRandom(9);
    const edges = Array.from({ length: 900 }, () => ({
      u: Math.floor(random() * 120),
      v: Math.floor(random() * 120),
      early: random() * 30,
      late: random() * 30,
    })).filter(({ u, v }) => u !== v);
    const { cost, bound, late } = solve({ vertexCount: 120, edges, precedences: [] });
    expect(bound).toBeLessThan(cost);
    expect(bound).toBeGreaterThan(0);
    const sum = edges.reduce((total, edge, at) => total + (late[at] ? edge.late : edge.early), 0);
    expect(cost).toBeCloseTo(sum, 6);
  });
});

describe('biconnectedBlocks', () => {
  it('puts a ring into one block and a bridge into its own', () => {
    const blocks = biconnectedBlocks(5, [
      { u: 0, v: 1 },
      { u: 1, v: 2 },
      { u: 2, v: 0 },
      { u: 2, v: 3 },
      { u: 3, v: 4 },
      { u: 3, v: 4 },
    ]);
    expect(blocks.map((block) => [...block].sort()).sort()).toEqual([[0, 1, 2], [3], [4, 5]]);
  });
});

describe('assemblyOrder', () => {
  it('puts what is captured in before what closes over it', () => {
    const edges = [
      { u: 0, v: 1 },
      { u: 2, v: 0 },
    ];
    const steps = assemblyOrder({ vertexCount: 3, edges, precedences: [{ first: 1, then: 0 }] }, [
      true,
      true,
    ]);
    expect(steps!.map(({ edges: made }) => made)).toEqual([[1], [0]]);
  });

  it('finds none where three rigid pieces would have to close in two strokes', () => {
    const edges = [
      { u: 0, v: 1 },
      { u: 0, v: 2 },
      { u: 1, v: 2 },
      { u: 3, v: 4 },
    ];
    const order = [
      { first: 0, then: 3 },
      { first: 1, then: 3 },
      { first: 3, then: 2 },
    ];
    expect(
      assemblyOrder({ vertexCount: 5, edges, precedences: order }, [true, true, true, true]),
    ).toBeUndefined();
  });
});
