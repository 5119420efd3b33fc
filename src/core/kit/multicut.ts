import { biconnectedBlocks } from './biconnectedBlocks.ts';
import { assemblyOrder, interleave, type AssemblyStep, type Precedence } from './assemblyOrder.ts';

/** An edge of a joint graph: what it costs to join early and late, and whether that is settled. */
export interface CutEdge {
  u: number;
  v: number;
  early: number;
  late: number;
  /** Settled from outside: 'late' by a hard constraint or a pin, 'early' by a pin. */
  fixed?: 'early' | 'late';
}

export interface CutProblem {
  vertexCount: number;
  edges: readonly CutEdge[];
  /** `first` must be made no later than `then`; indices of edges. */
  precedences: readonly Precedence[];
  /** Lower is made earlier, where there is a choice; by edge. */
  priority?: readonly number[];
}

export interface CutResult {
  /** For every edge whether it is made after paint. */
  late: boolean[];
  cost: number;
  /** No division costs less than this. */
  bound: number;
  /** Acts of assembly in an order that keeps the precedences, all early ones first. */
  order: AssemblyStep[];
  /** Nodes of the search. */
  nodes: number;
}

/** Search effort, counted so that it is repeatable; about half a second on a small machine. A node costs about
 *  the square of its edges. */
const EFFORT = 2.5e7;
const LEAST_NODES = 40;
/** Blocks up to this size are searched to the end. */
const ALWAYS_EXACT = 80;
const PATIENCE = 200_000;
const EPSILON = 1e-9;

/** Divides the vertices of a graph into groups joined early, at the least sum of early and late costs, such that
 *  an edge inside a group is early and one between groups late (minimum cost multicut), every precedence
 *  (`first` late makes `then` late) holds, and an order of assembly exists.
 *
 *  Exact where the effort suffices, else `bound` falls short of `cost`. The graph is split into biconnected
 *  blocks (tied together where precedences cross them), each searched by branch and bound over contractions;
 *  the bound packs cycles that have one edge which wants to be cut.
 *  Yields the share of the work done. Throws RangeError, with the `edges` among which it fails, where nothing
 *  satisfies the constraints. */
export function* minimumMulticut(problem: CutProblem): Generator<number, CutResult> {
  const { edges, precedences, vertexCount } = problem;
  const late = new Array<boolean>(edges.length).fill(false);
  let bound = 0;
  let nodes = 0;
  const groups = tiedBlocks(problem);
  let done = 0;
  const orders: AssemblyStep[][] = [];
  const priority = problem.priority ?? edges.map(() => 0);
  for (const group of groups) {
    const inside = new Set(group);
    const local = localProblem(
      group,
      edges,
      precedences.filter(({ first, then }) => inside.has(first) && inside.has(then)),
      vertexCount,
    );
    const budget =
      group.length <= ALWAYS_EXACT ? PATIENCE : Math.max(LEAST_NODES, EFFORT / group.length ** 2);
    const search = new BlockSearch(local, budget);
    yield* progressOf(search, done / edges.length, group.length / edges.length);
    if (!search.best) {
      throw Object.assign(new RangeError('No division keeps every constraint.'), { edges: group });
    }
    group.forEach((edge, at) => (late[edge] = search.best![at]!));
    const order =
      assemblyOrder(local, search.best, (at) => priority[group[at]!]!) ?? assemblyOrder(local, search.best);
    if (!order) throw new Error('A division was taken that cannot be assembled.');
    orders.push(order.map((step) => ({ ...step, edges: step.edges.map((at) => group[at]!) })));
    bound += search.bound();
    nodes += search.nodes;
    done += group.length;
  }
  const cost = edges.reduce((sum, edge, at) => sum + (late[at] ? edge.late : edge.early), 0);
  const order = interleave(orders, (edge) => priority[edge]!);
  return { late, cost, bound: Math.min(cost, bound), order, nodes };
}

function* progressOf(search: BlockSearch, from: number, share: number): Generator<number> {
  for (const inside of search.run()) yield from + share * inside;
}

/** Blocks of the graph, as lists of edges; blocks that share a precedence become one. */
function tiedBlocks({ edges, precedences, vertexCount }: CutProblem): number[][] {
  const blocks = biconnectedBlocks(vertexCount, edges);
  const blockOf = new Int32Array(edges.length);
  blocks.forEach((block, at) => block.forEach((edge) => (blockOf[edge] = at)));
  const parent = blocks.map((_, at) => at);
  const root = (at: number): number => (parent[at] === at ? at : (parent[at] = root(parent[at]!)));
  for (const { first, then } of precedences) parent[root(blockOf[first]!)] = root(blockOf[then]!);
  const groups = new Map<number, number[]>();
  blocks.forEach((block, at) => groups.set(root(at), [...(groups.get(root(at)) ?? []), ...block]));
  return [...groups.values()];
}

function localProblem(
  group: readonly number[],
  edges: readonly CutEdge[],
  precedences: readonly Precedence[],
  vertexCount: number,
): CutProblem {
  const local = new Int32Array(vertexCount).fill(-1);
  let count = 0;
  const name = (vertex: number) => (local[vertex]! >= 0 ? local[vertex]! : (local[vertex] = count++));
  const at = new Map(group.map((edge, index) => [edge, index]));
  return {
    edges: group.map((edge) => ({ ...edges[edge]!, u: name(edges[edge]!.u), v: name(edges[edge]!.v) })),
    precedences: precedences.map(({ first, then }) => ({ first: at.get(first)!, then: at.get(then)! })),
    vertexCount: count,
  };
}

/** A pair of groups that have edges between them. */
interface Pair {
  x: number;
  y: number;
  /** What joining gains; negative where it costs. */
  gain: number;
  cut: boolean;
  /** One edge of the pair, to name it by. */
  edge: number;
}

interface Node {
  /** Group of every vertex, named by its least vertex. */
  group: Int32Array;
  /** Edges settled as late. */
  cut: Uint8Array;
}

/** Branch and bound on one block. */
class BlockSearch {
  best: boolean[] | undefined;
  nodes = 0;
  readonly #problem: CutProblem;
  readonly #budget: number;
  readonly #allLate: number;
  #bestCost = Infinity;
  /** Least bound among what was left unsearched. */
  #open = Infinity;

  constructor(problem: CutProblem, budget: number) {
    this.#problem = problem;
    this.#budget = budget;
    this.#allLate = problem.edges.reduce((sum, { late }) => sum + late, 0);
  }

  bound(): number {
    return Math.min(this.#bestCost, this.#open);
  }

  *run(): Generator<number> {
    const { vertexCount, edges } = this.#problem;
    const root: Node = {
      group: Int32Array.from({ length: vertexCount }, (_, vertex) => vertex),
      cut: new Uint8Array(edges.length),
    };
    edges.forEach(({ fixed, u, v }, at) => {
      if (fixed === 'late') root.cut[at] = 1;
      if (fixed === 'early') merge(root.group, u, v);
    });
    if (!this.#propagate(root)) return;
    if (this.#problem.precedences.length === 0) this.#joinTheCertain(root);
    this.#greedy(root);
    const stack: Node[] = [root];
    while (stack.length > 0) {
      const node = stack.pop()!;
      this.nodes++;
      if (this.nodes % 64 === 0) yield Math.min(1, this.nodes / this.#budget);
      const pairs = this.#pairsOf(node);
      const { gain, conflict } = this.#upperGain(pairs);
      const bound = this.#allLate - this.#insideGain(node) - gain;
      if (bound >= this.#bestCost - EPSILON) continue;
      // A little patience where nothing valid is found yet.
      if (this.nodes > (this.best ? this.#budget : 20 * this.#budget)) {
        this.#open = Math.min(this.#open, bound);
        continue;
      }
      if (!conflict && this.#tryLeaf(node, pairs)) continue;
      const branch = this.#branchPair(pairs, conflict);
      if (!branch) continue;
      const together = copyOf(node);
      merge(together.group, branch.x, branch.y);
      const apart = copyOf(node);
      apart.cut[branch.edge] = 1;
      const children = branch.gain >= 0 ? [apart, together] : [together, apart];
      for (const child of children) if (this.#propagate(child)) stack.push(child);
    }
  }

  /** Joins pairs that some best division joins: where the gain outweighs everything else at one end, moving that
   *  end over to the other never costs. */
  #joinTheCertain(node: Node): void {
    for (;;) {
      const pairs = this.#pairsOf(node);
      const weight = new Map<number, number>();
      for (const { x, y, gain, cut } of pairs) {
        const own = cut ? Infinity : Math.abs(gain);
        weight.set(x, (weight.get(x) ?? 0) + own);
        weight.set(y, (weight.get(y) ?? 0) + own);
      }
      const sure = pairs.find(
        ({ x, y, gain, cut }) => !cut && gain > 0 && 2 * gain >= Math.min(weight.get(x)!, weight.get(y)!),
      );
      if (!sure) return;
      merge(node.group, sure.x, sure.y);
      this.#propagate(node);
    }
  }

  /** A first division: the pair that gains most is joined, again and again, then single vertices move. */
  #greedy(root: Node): void {
    let node = copyOf(root);
    const refused = new Set<number>();
    for (;;) {
      let chosen: Pair | undefined;
      for (const pair of this.#pairsOf(node)) {
        if (pair.cut || pair.gain <= 0 || refused.has(pairKey(pair.x, pair.y))) continue;
        if (!chosen || pair.gain > chosen.gain) chosen = pair;
      }
      if (!chosen) break;
      const next = copyOf(node);
      merge(next.group, chosen.x, chosen.y);
      if (this.#propagate(next)) node = next;
      else refused.add(pairKey(chosen.x, chosen.y));
    }
    if (!this.#offer(node)) {
      this.#offer(root);
      return;
    }
    this.#moveVertices(node, root);
  }

  /** Moves single vertices between groups while that costs less. */
  #moveVertices(node: Node, { group: settled, cut }: Node): void {
    const { edges, precedences, vertexCount } = this.#problem;
    if (precedences.length > 0) return;
    const around: number[][] = Array.from({ length: vertexCount }, () => []);
    edges.forEach(({ u, v }, at) => {
      around[u]!.push(at);
      around[v]!.push(at);
    });
    const alone = (vertex: number) =>
      settled.every((group, other) => other === vertex || group !== settled[vertex]);
    const movable = around.map((_, vertex) => alone(vertex));
    const { group } = node;
    for (let changed = true; changed;) {
      changed = false;
      for (let vertex = 0; vertex < vertexCount; vertex++) {
        if (!movable[vertex]) continue;
        const gains = new Map<number, number>();
        for (const at of around[vertex]!) {
          const { u, v, early, late } = edges[at]!;
          const other = group[u === vertex ? v : u]!;
          gains.set(other, (gains.get(other) ?? 0) + (cut[at] ? -Infinity : late - early));
        }
        const now = gains.get(group[vertex]!) ?? 0;
        const [target, most] = [...gains].reduce(
          (best, entry) => (entry[1] > best[1] ? entry : best),
          [-1, 0],
        );
        if (most <= now + EPSILON) continue;
        // Group names above the vertices stand for a vertex by itself.
        group[vertex] = target < 0 ? vertexCount + vertex : target;
        changed = true;
      }
    }
    this.#offer(node);
  }

  /** Carries cuts and joins along precedences and between groups; false where they contradict each other. */
  #propagate(node: Node): boolean {
    const { edges, precedences } = this.#problem;
    for (let changed = true; changed;) {
      changed = false;
      const cutPairs = new Set<number>();
      edges.forEach(({ u, v }, at) => {
        if (node.cut[at]) cutPairs.add(pairKey(node.group[u]!, node.group[v]!));
      });
      for (let at = 0; at < edges.length; at++) {
        const { u, v } = edges[at]!;
        const [x, y] = [node.group[u]!, node.group[v]!];
        if (node.cut[at] && x === y) return false;
        if (!node.cut[at] && cutPairs.has(pairKey(x, y))) {
          node.cut[at] = 1;
          changed = true;
        }
      }
      for (const { first, then } of precedences) {
        const [before, after] = [edges[first]!, edges[then]!];
        if (node.cut[first] && !node.cut[then]) {
          if (node.group[after.u] === node.group[after.v]) return false;
          node.cut[then] = 1;
          changed = true;
        }
        if (node.group[after.u] === node.group[after.v] && node.group[before.u] !== node.group[before.v]) {
          if (node.cut[first]) return false;
          merge(node.group, before.u, before.v);
          changed = true;
        }
      }
    }
    return true;
  }

  #insideGain({ group }: Node): number {
    return this.#problem.edges.reduce(
      (sum, { u, v, late, early }) => (group[u] === group[v] ? sum + late - early : sum),
      0,
    );
  }

  #pairsOf({ group, cut }: Node): Pair[] {
    const pairs = new Map<number, Pair>();
    this.#problem.edges.forEach(({ u, v, early, late }, at) => {
      const [x, y] = [Math.min(group[u]!, group[v]!), Math.max(group[u]!, group[v]!)];
      if (x === y) return;
      const key = pairKey(x, y);
      const pair = pairs.get(key);
      if (!pair) pairs.set(key, { x, y, gain: late - early, cut: cut[at] === 1, edge: at });
      else {
        pair.gain += late - early;
        pair.cut ||= cut[at] === 1;
      }
    });
    return [...pairs.values()];
  }

  /** What could still be gained at most: all that gains, less a packing of cycles in which one pair wants, or
   *  has, to be cut while all others want to be joined: each loses its weakest pair. */
  #upperGain(pairs: readonly Pair[]): { gain: number; conflict: Pair | undefined } {
    const finder = new PathFinder(2 * this.#problem.vertexCount);
    const left = new Float64Array(pairs.length);
    let gain = 0;
    pairs.forEach(({ x, y, gain: own, cut }, at) => {
      if (cut || own <= 0) {
        left[at] = cut ? Infinity : -own;
        return;
      }
      left[at] = own;
      gain += own;
      finder.link(x, y, at);
    });
    let conflict: Pair | undefined;
    let heaviest = 0;
    const repulsive = pairs.map((_, at) => at).filter((at) => pairs[at]!.cut || pairs[at]!.gain < 0);
    for (const at of repulsive) {
      const { x, y } = pairs[at]!;
      while (left[at]! > EPSILON) {
        const path = finder.path(x, y, left);
        if (!path) break;
        const loss = path.reduce((least, pair) => Math.min(least, left[pair]!), left[at]!);
        gain -= loss;
        left[at] = left[at]! - loss;
        for (const pair of path) {
          left[pair] = left[pair]! - loss;
          if (pairs[pair]!.gain > heaviest) {
            heaviest = pairs[pair]!.gain;
            conflict = pairs[pair]!;
          }
        }
        if (loss <= EPSILON) break;
      }
    }
    return { gain, conflict };
  }

  /** Where nothing contradicts: join all that gains. True if that is a valid division, which is then the best
   *  below this node. */
  #tryLeaf(node: Node, pairs: readonly Pair[]): boolean {
    const leaf = copyOf(node);
    for (const { x, y, gain, cut } of pairs) if (!cut && gain > 0) merge(leaf.group, x, y);
    return this.#offer(leaf);
  }

  #offer({ group }: Node): boolean {
    const { edges, precedences } = this.#problem;
    const late = edges.map(({ u, v }) => group[u] !== group[v]);
    for (const { first, then } of precedences) if (late[first] && !late[then]) return false;
    for (let at = 0; at < edges.length; at++) if (edges[at]!.fixed === 'late' && !late[at]) return false;
    const cost = edges.reduce((sum, edge, at) => sum + (late[at] ? edge.late : edge.early), 0);
    if (cost >= this.#bestCost - EPSILON) return true;
    if (precedences.length > 0) {
      const order = assemblyOrder(this.#problem, late);
      // Where the search for an order gave up, a better division may have been passed over.
      if (order === null) this.#open = Math.min(this.#open, cost);
      if (!order) return false;
    }
    this.#bestCost = cost;
    this.best = late;
    return true;
  }

  #branchPair(pairs: readonly Pair[], conflict: Pair | undefined): Pair | undefined {
    if (conflict && !conflict.cut) return conflict;
    let chosen: Pair | undefined;
    for (const pair of pairs) {
      if (pair.cut) continue;
      if (!chosen || Math.abs(pair.gain) > Math.abs(chosen.gain)) chosen = pair;
    }
    return chosen;
  }
}

const pairKey = (x: number, y: number) => (x < y ? x * 65536 + y : y * 65536 + x);

function copyOf({ group, cut }: Node): Node {
  return { group: group.slice(), cut: cut.slice() };
}

function merge(group: Int32Array, u: number, v: number): void {
  const [x, y] = [group[u]!, group[v]!];
  if (x === y) return;
  const [keep, drop] = x < y ? [x, y] : [y, x];
  for (let at = 0; at < group.length; at++) if (group[at] === drop) group[at] = keep;
}

/** Breadth-first search over pairs with something left on each, its memory used again and again. */
class PathFinder {
  readonly #neighbours: { to: number; pair: number }[][];
  readonly #seen: Int32Array;
  readonly #cameFrom: Int32Array;
  readonly #cameBy: Int32Array;
  readonly #queue: Int32Array;
  #turn = 0;

  constructor(size: number) {
    this.#neighbours = Array.from({ length: size }, () => []);
    this.#seen = new Int32Array(size);
    this.#cameFrom = new Int32Array(size);
    this.#cameBy = new Int32Array(size);
    this.#queue = new Int32Array(size);
  }

  link(x: number, y: number, pair: number): void {
    this.#neighbours[x]!.push({ to: y, pair });
    this.#neighbours[y]!.push({ to: x, pair });
  }

  /** Pairs along a shortest path, last first; undefined where there is none. */
  path(from: number, to: number, left: Float64Array): number[] | undefined {
    const turn = ++this.#turn;
    this.#seen[from] = turn;
    this.#queue[0] = from;
    let end = 1;
    for (let head = 0; head < end; head++) {
      const vertex = this.#queue[head]!;
      for (const next of this.#neighbours[vertex]!) {
        if (left[next.pair]! <= EPSILON || this.#seen[next.to] === turn) continue;
        this.#seen[next.to] = turn;
        this.#cameFrom[next.to] = vertex;
        this.#cameBy[next.to] = next.pair;
        if (next.to !== to) {
          this.#queue[end++] = next.to;
          continue;
        }
        const path: number[] = [];
        for (let at = to; at !== from; at = this.#cameFrom[at]!) path.push(this.#cameBy[at]!);
        return path;
      }
    }
    return undefined;
  }
}
