/** Edge `first` must be made no later than edge `then`. */
export interface Precedence {
  first: number;
  then: number;
}

/** One act of assembly: two units come together, which makes every joint between them at once. */
export interface AssemblyStep {
  edges: number[];
  late: boolean;
}

export interface JoinedGraph {
  vertexCount: number;
  edges: readonly { u: number; v: number }[];
  precedences: readonly Precedence[];
}

/** Work, in edges looked at, before the search for an order gives up. */
const LIMIT = 3e5;

/** An order in which units can be put together, early joints first: two units come together only when, with
 *  that, every joint that has to come before any of theirs is made. `priority` (lower first) settles ties.
 *  Undefined where there is none, null where the search gave up. */
export function assemblyOrder(
  { vertexCount, edges, precedences }: JoinedGraph,
  late: readonly boolean[],
  priority: (edge: number) => number = (edge) => edge,
): AssemblyStep[] | undefined | null {
  const before: number[][] = edges.map(() => []);
  for (const { first, then } of precedences) if (first !== then) before[then]!.push(first);
  const units = Int32Array.from({ length: vertexCount }, (_, at) => at);
  const byPriority = edges
    .map((_, edge) => edge)
    .sort((p, q) => Number(late[p]) - Number(late[q]) || priority(p) - priority(q) || p - q);
  return (
    straightOrder(units.slice(), edges, before, late, byPriority) ??
    searchOrder(units, edges, before, late, priority)
  );
}

/** Edges between the units that an edge joins. */
function bundleOf(edge: number, unit: Int32Array, edges: JoinedGraph['edges']): number[] {
  const [x, y] = [unit[edges[edge]!.u]!, unit[edges[edge]!.v]!];
  const made: number[] = [];
  for (let at = 0; at < edges.length; at++) {
    const [p, q] = [unit[edges[at]!.u]!, unit[edges[at]!.v]!];
    if ((p === x && q === y) || (p === y && q === x)) made.push(at);
  }
  return made;
}

/** Whether everything that has to come before is made once these edges are. */
function isFree(
  made: readonly number[],
  unit: Int32Array,
  edges: JoinedGraph['edges'],
  before: readonly (readonly number[])[],
): boolean {
  const [x, y] = [unit[edges[made[0]!]!.u]!, unit[edges[made[0]!]!.v]!];
  const inside = (vertex: number) => (unit[vertex] === y ? x : unit[vertex]!);
  return made.every((edge) =>
    before[edge]!.every((first) => inside(edges[first]!.u) === inside(edges[first]!.v)),
  );
}

/** Takes the first act that is free, again and again; undefined where that gets stuck. */
function straightOrder(
  unit: Int32Array,
  edges: JoinedGraph['edges'],
  before: readonly (readonly number[])[],
  late: readonly boolean[],
  byPriority: readonly number[],
): AssemblyStep[] | undefined {
  const steps: AssemblyStep[] = [];
  let waiting = byPriority;
  while (waiting.length > 0) {
    const lateNow = late[waiting[0]!]!;
    let made: number[] | undefined;
    for (const edge of waiting) {
      if (late[edge] !== lateNow) break;
      const bundle = bundleOf(edge, unit, edges);
      if (!isFree(bundle, unit, edges, before)) continue;
      made = bundle;
      break;
    }
    if (!made) return undefined;
    steps.push({ edges: made, late: lateNow });
    const [keep, drop] = [unit[edges[made[0]!]!.u]!, unit[edges[made[0]!]!.v]!];
    for (let vertex = 0; vertex < unit.length; vertex++) if (unit[vertex] === drop) unit[vertex] = keep;
    waiting = waiting.filter((edge) => unit[edges[edge]!.u] !== unit[edges[edge]!.v]);
  }
  return steps;
}

/** Looks through every order, remembering what led nowhere. */
function searchOrder(
  start: Int32Array,
  edges: JoinedGraph['edges'],
  before: readonly (readonly number[])[],
  late: readonly boolean[],
  priority: (edge: number) => number,
): AssemblyStep[] | undefined | null {
  const dead = new Set<string>();
  let looked = 0;
  const rank = ({ edges: made }: AssemblyStep) => Math.min(...made.map(priority));
  const search = (unit: Int32Array, steps: AssemblyStep[]): AssemblyStep[] | undefined => {
    const open = new Map<number, AssemblyStep>();
    edges.forEach(({ u, v }, edge) => {
      const [x, y] = [Math.min(unit[u]!, unit[v]!), Math.max(unit[u]!, unit[v]!)];
      if (x === y) return;
      const merge = open.get(x * 65536 + y);
      if (merge) merge.edges.push(edge);
      else open.set(x * 65536 + y, { edges: [edge], late: late[edge]! });
    });
    if (open.size === 0) return steps;
    const early = [...open.values()].filter((merge) => !merge.late);
    const choices = early.length > 0 ? early : [...open.values()];
    const free = choices
      .filter(({ edges: made }) => isFree(made, unit, edges, before))
      .sort((p, q) => rank(p) - rank(q));
    for (const merge of free) {
      looked += edges.length;
      if (looked > LIMIT) return undefined;
      const { u, v } = edges[merge.edges[0]!]!;
      const [keep, drop] = [Math.min(unit[u]!, unit[v]!), Math.max(unit[u]!, unit[v]!)];
      const next = unit.map((value) => (value === drop ? keep : value));
      const key = next.join();
      if (dead.has(key)) continue;
      const found = search(next, [...steps, merge]);
      if (found) return found;
      dead.add(key);
    }
    return undefined;
  };
  return search(start, []) ?? (looked > LIMIT ? null : undefined);
}

/** One order out of several that have nothing to do with each other: early acts first, then whichever next act
 *  has the lowest priority. */
export function interleave(
  orders: readonly (readonly AssemblyStep[])[],
  priority: (edge: number) => number,
): AssemblyStep[] {
  const rank = ({ edges }: AssemblyStep) => Math.min(...edges.map(priority));
  const byPriority = (late: boolean) => {
    const queues = orders
      .map((order) => order.filter((step) => step.late === late))
      .filter(({ length }) => length > 0);
    const made: AssemblyStep[] = [];
    while (queues.length > 0) {
      const next = queues.reduce(
        (best, queue, at) => (rank(queue[0]!) < rank(queues[best]![0]!) ? at : best),
        0,
      );
      made.push(queues[next]!.shift()!);
      if (queues[next]!.length === 0) queues.splice(next, 1);
    }
    return made;
  };
  return [...byPriority(false), ...byPriority(true)];
}
