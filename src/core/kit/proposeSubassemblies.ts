import type { AssemblyStep } from './assemblyOrder.ts';
import {
  capturedJoints,
  captureCycle,
  jointName,
  mustWait,
  precedencesOf,
  type MustWait,
} from './hardConstraints.ts';
import { jointCosts, sumOf, type CostTerm } from './jointCosts.ts';
import {
  areaOf,
  schoolOf,
  type Joint,
  type JointTime,
  type Kit,
  type KitFinish,
  type Part,
  type School,
} from './kit.ts';
import { minimumMulticut, type CutEdge, type CutResult } from './multicut.ts';
import { trayName } from './trayNames.ts';
import { resolveVersion } from './version.ts';

/** What was decided for a joint and why. */
export interface JointDecision {
  jointId: string;
  when: JointTime;
  /** What left no choice; null where the costs decided. */
  forced: { by: 'pin' | MustWait['rule'] | 'ring' | 'order'; reason: string } | null;
  early: CostTerm[];
  late: CostTerm[];
  /** The decision in a sentence, by its largest terms. */
  because: string;
}

/** Parts joined before paint and finished as one piece. */
export interface ProposedUnit {
  partIds: string[];
  /** Finishes in it, the one with most surface first. */
  finishIds: string[];
  areaCm2: number;
}

/** Units that are sprayed together: one large piece, or small ones that share a finish. */
export interface ProposedTray extends ProposedUnit {
  /** Steady as long as its largest part or its finish is. */
  key: string;
  name: string;
  units: ProposedUnit[];
}

/** One act of assembly after paint. */
export interface AssemblyAct {
  jointIds: string[];
  /** Keys of the trays that meet. */
  trayKeys: string[];
  name: string;
}

export interface SubassemblyProposal {
  school: School;
  trays: ProposedTray[];
  decisions: JointDecision[];
  /** Joints made after paint, in an order that can be done. */
  assembly: AssemblyAct[];
  /** Minutes, and the least that any division could cost. */
  cost: number;
  bound: number;
  /** True where nothing costs less, proved. */
  exact: boolean;
  /** Nodes of the search. */
  nodes: number;
}

export interface ProposalOptions {
  signal?: { readonly aborted: boolean };
  /** Called with the share of the work done, 0..1. */
  onProgress?: (share: number) => void;
}

/** Small pieces that share a finish lie on one tray. */
const OWN_TRAY_CM2 = 30;

/** Decides for every joint whether to make it before or after paint: see `subassemblySearch`.
 *  Throws RangeError where parts, joints or pins contradict each other, and an AbortError when cancelled. */
export function proposeSubassemblies(
  kit: Kit,
  { signal, onProgress }: ProposalOptions = {},
): SubassemblyProposal {
  const search = subassemblySearch(kit);
  for (;;) {
    const { done, value } = search.next();
    if (done) return value;
    if (signal?.aborted)
      throw Object.assign(new Error('The proposal was cancelled.'), { name: 'AbortError' });
    onProgress?.(value);
  }
}

/** The same in small steps, yielding the share done. The parts are vertices, the joints edges; what is joined
 *  before paint is one piece, so the division is a minimum cost multicut under precedences (`multicut.ts`).
 *  The same kit always gives the same proposal. */
export function* subassemblySearch(kit: Kit): Generator<number, SubassemblyProposal> {
  const graph = jointGraph(kit);
  const { parts, joints, edges, edgeOf, precedences, priority } = graph;
  yield 0;
  let cut: CutResult;
  try {
    cut = yield* minimumMulticut({ vertexCount: parts.length, edges, precedences, priority });
  } catch (error) {
    throw contradiction(graph, (error as { edges?: number[] }).edges) ?? error;
  }
  const isLate = joints.map((_, index) => cut.late[edgeOf[index]!]!);
  const units = unitsOf(graph, cut.late);
  const trays = traysOf(units, graph);
  const trayOfPart = new Map(trays.flatMap((tray) => tray.partIds.map((id) => [id, tray] as const)));
  return {
    school: schoolOf(kit),
    trays,
    decisions: joints.map((joint, index) => decisionOf(graph, joint, index, isLate)),
    assembly: cut.order.filter(({ late }) => late).map((step) => actOf(step, graph, trayOfPart)),
    cost: cut.cost,
    bound: cut.bound,
    exact: cut.cost - cut.bound < 1e-6,
    nodes: cut.nodes,
  };
}

interface JointGraph {
  parts: Part[];
  byId: Map<string, Part>;
  joints: Joint[];
  finishes: Map<string, KitFinish>;
  costs: { early: CostTerm[]; late: CostTerm[] }[];
  waits: (MustWait | undefined)[];
  /** One edge for each pair of parts that meet. */
  edges: CutEdge[];
  edgeOf: Int32Array;
  precedences: { first: number; then: number }[];
  /** Order in which late joints are better made: heavy first, fragile, glass and tyres last. */
  priority: number[];
}

/** Parts and joints of the chosen version as a graph. Throws RangeError, naming the culprits. */
function jointGraph(kit: Kit): JointGraph {
  const { used } = resolveVersion(kit);
  const parts = kit.parts.filter(({ id }) => used.has(id));
  const byId = new Map(parts.map((part) => [part.id, part]));
  const known = new Set(kit.parts.map(({ id }) => id));
  for (const joint of kit.joints) {
    const missing = [joint.a, joint.b, ...joint.captured].find((id) => !known.has(id));
    if (missing !== undefined)
      throw new RangeError(`A joint names the part ${missing}, which is not in the kit.`);
  }
  const joints = kit.joints
    .filter(({ a, b }) => a !== b && byId.has(a) && byId.has(b))
    .map((joint) => ({ ...joint, captured: joint.captured.filter((id) => byId.has(id)) }));
  const cycle = captureCycle(joints);
  if (cycle) {
    throw new RangeError(
      `These joints wait for each other in a circle: ${cycle.map((joint) => jointName(joint, byId)).join('; ')}. Change what one of them captures or closes.`,
    );
  }
  const finishes = new Map(kit.finishes.map((finish) => [finish.id, finish]));
  const vertexOf = new Map(parts.map(({ id }, index) => [id, index]));
  const pairOf = ({ a, b }: Joint) => (a < b ? `${a}\n${b}` : `${b}\n${a}`);
  const neighbours = new Map<string, number>();
  const pairs = new Map<string, number>();
  for (const joint of joints) {
    if (pairs.has(pairOf(joint))) continue;
    pairs.set(pairOf(joint), pairs.size);
    for (const id of [joint.a, joint.b]) neighbours.set(id, (neighbours.get(id) ?? 0) + 1);
  }
  const captured = capturedJoints(joints);
  const waits = joints.map((joint) => mustWait(joint, byId, finishes, captured.has(joint.id)));
  const edges = new Array<CutEdge | undefined>(pairs.size);
  const priority = new Array<number>(pairs.size).fill(0);
  const edgeOf = Int32Array.from(joints, (joint) => pairs.get(pairOf(joint))!);
  const costs = joints.map((joint, index) => {
    const terms = jointCosts(joint, kit, byId, finishes, neighbours);
    // A second joint between the same parts does not make a second piece.
    if (edges[edgeOf[index]!]) terms.late = terms.late.filter(({ id }) => id !== 'one-more-piece');
    const edge = (edges[edgeOf[index]!] ??= {
      u: vertexOf.get(joint.a)!,
      v: vertexOf.get(joint.b)!,
      early: 0,
      late: 0,
    });
    edge.early += sumOf(terms.early);
    edge.late += sumOf(terms.late);
    const settled =
      joint.pin === null ? (waits[index] ? 'late' : undefined) : joint.pin === 'before' ? 'early' : 'late';
    if (settled === 'early' && waits[index])
      throw new RangeError(`${jointName(joint, byId)} cannot be made before paint. ${waits[index].reason}`);
    if (settled && edge.fixed && edge.fixed !== settled)
      throw new RangeError(
        `Two joints of ${jointName(joint, byId)} are held to different times: release one pin.`,
      );
    edge.fixed = settled ?? edge.fixed;
    priority[edgeOf[index]!] = Math.max(priority[edgeOf[index]!]!, latenessOf(joint, byId));
    return terms;
  });
  const precedences = precedencesOf(joints)
    .map(({ first, then }) => ({ first: edgeOf[first]!, then: edgeOf[then]! }))
    .filter(({ first, then }) => first !== then);
  return {
    parts,
    byId,
    joints,
    finishes,
    costs,
    waits,
    edges: edges as CutEdge[],
    edgeOf,
    precedences,
    priority,
  };
}

/** Names the joints whose pins, captures and hard rules cannot all be kept. */
function contradiction(
  { joints, byId, edges, edgeOf, precedences }: JointGraph,
  among: readonly number[] | undefined,
): RangeError | undefined {
  if (!among) return undefined;
  const tied = new Set(precedences.flatMap(({ first, then }) => [first, then]));
  const culprits = new Set(among.filter((edge) => edges[edge]!.fixed !== undefined || tied.has(edge)));
  const names = joints
    .filter((_, index) => culprits.has(edgeOf[index]!))
    .map((joint) => jointName(joint, byId));
  const more = names.length > 6 ? ` and ${names.length - 6} more` : '';
  return new RangeError(
    `No division keeps everything that is asked of these joints: ${names.slice(0, 6).join('; ')}${more}. Release a pin, or change what one of them shuts in or closes off.`,
  );
}

function latenessOf(joint: Joint, parts: ReadonlyMap<string, Part>): number {
  const [a, b] = [parts.get(joint.a)!, parts.get(joint.b)!];
  const base =
    joint.kind === 'tyre' ? 3000 : joint.kind === 'glass' ? 2000 : joint.motion === 'comes-off' ? 5000 : 0;
  return base + (a.fragile || b.fragile ? 4000 : 0) + 1000 / (1 + Math.min(areaOf(a), areaOf(b)));
}

function unitsOf({ parts, edges, finishes }: JointGraph, late: readonly boolean[]): ProposedUnit[] {
  const group = parts.map((_, vertex) => vertex);
  const root = (vertex: number): number =>
    group[vertex] === vertex ? vertex : (group[vertex] = root(group[vertex]!));
  edges.forEach(({ u, v }, index) => {
    if (!late[index]) group[root(u)] = root(v);
  });
  const members = new Map<number, Part[]>();
  parts.forEach((part, vertex) => members.set(root(vertex), [...(members.get(root(vertex)) ?? []), part]));
  return [...members.values()].map((held) => unitOf(held, finishes));
}

function unitOf(held: readonly Part[], finishes: ReadonlyMap<string, KitFinish>): ProposedUnit {
  const surface = new Map<string, number>();
  for (const part of held) {
    for (const { finishId, share } of part.zones) {
      if (finishes.has(finishId))
        surface.set(finishId, (surface.get(finishId) ?? 0) + share * areaOf(part) * part.count);
    }
  }
  return {
    partIds: held.map(({ id }) => id),
    finishIds: [...surface].sort((p, q) => q[1] - p[1] || (p[0] < q[0] ? -1 : 1)).map(([id]) => id),
    areaCm2: Math.round(held.reduce((sum, part) => sum + areaOf(part) * part.count, 0) * 10) / 10,
  };
}

function traysOf(units: readonly ProposedUnit[], { byId, finishes }: JointGraph): ProposedTray[] {
  const trays: ProposedTray[] = [];
  const small = new Map<string, ProposedUnit[]>();
  const partsOf = (ids: readonly string[]) => ids.map((id) => byId.get(id)!);
  for (const unit of units) {
    if (unit.areaCm2 >= OWN_TRAY_CM2 || unit.partIds.length >= 4) {
      const largest = partsOf(unit.partIds).reduce((most, part) =>
        areaOf(part) > areaOf(most) ? part : most,
      );
      trays.push({
        ...unit,
        key: `part:${largest.id}`,
        name: trayName(partsOf(unit.partIds)),
        units: [unit],
      });
      continue;
    }
    const first = byId.get(unit.partIds[0]!)!;
    const key =
      unit.finishIds[0] ??
      (first.plated ? 'plated' : first.material === 'styrene' ? 'unpainted' : first.material);
    small.set(key, [...(small.get(key) ?? []), unit]);
  }
  for (const [key, held] of small) {
    const partIds = held.flatMap((unit) => unit.partIds);
    const whole = unitOf(partsOf(partIds), finishes);
    const finish = finishes.get(key);
    const name =
      held.length === 1
        ? trayName(partsOf(partIds))
        : (LOOSE_NAMES[finish?.look ?? key] ?? `Small parts, ${(finish?.name ?? key).toLowerCase()}`);
    trays.push({ ...whole, key: `finish:${key}`, name, units: held });
  }
  const seen = new Map<string, number>();
  for (const tray of trays.sort((p, q) => q.areaCm2 - p.areaCm2 || (p.key < q.key ? -1 : 1))) {
    const count = (seen.get(tray.name) ?? 0) + 1;
    seen.set(tray.name, count);
    if (count > 1) tray.name = `${tray.name} (${count})`;
  }
  return trays;
}

const LOOSE_NAMES: Readonly<Record<string, string>> = {
  plated: 'Plated parts',
  plating: 'Plated parts',
  clear: 'Clear parts',
  unpainted: 'Bare parts',
  vinyl: 'Tyres',
  poly: 'Bushings',
};

function decisionOf(
  graph: JointGraph,
  joint: Joint,
  index: number,
  isLate: readonly boolean[],
): JointDecision {
  const { early, late } = graph.costs[index]!;
  const when: JointTime = isLate[index] ? 'after' : 'before';
  const wait = graph.waits[index];
  const cheaper: JointTime = sumOf(early) <= sumOf(late) ? 'before' : 'after';
  let forced: JointDecision['forced'] = null;
  if (joint.pin !== null) forced = { by: 'pin', reason: 'You pinned it.' };
  else if (wait) forced = { by: wait.rule, reason: wait.reason };
  else if (cheaper !== when && sumOf(early) !== sumOf(late)) forced = orderReason(graph, index, when, isLate);
  const [own, other] = when === 'before' ? [late, early] : [early, late];
  const largest = (terms: readonly CostTerm[]) =>
    [...terms]
      .sort((p, q) => q.minutes - p.minutes)
      .slice(0, 2)
      .map(({ words, minutes }) => `${words} (${Math.round(minutes)} min)`)
      .join(', ');
  const against = other.length > 0 ? ` That outweighs ${largest(other)}.` : '';
  const because =
    forced?.reason ??
    (own.length === 0
      ? 'Nothing speaks against it.'
      : when === 'before'
        ? `Left for after paint there would be ${largest(own)}.${against}`
        : `Joined now there would be ${largest(own)}.${against}`);
  return { jointId: joint.id, when, forced, early, late, because };
}

function orderReason(
  { joints, precedences, edgeOf, byId }: JointGraph,
  index: number,
  when: JointTime,
  isLate: readonly boolean[],
): JointDecision['forced'] {
  const tied = precedences.find(({ first, then }) =>
    when === 'after' ? then === edgeOf[index] : first === edgeOf[index],
  );
  const otherIndex = tied && edgeOf.indexOf(when === 'after' ? tied.first : tied.then);
  if (otherIndex !== undefined && isLate[otherIndex] === (when === 'after')) {
    const name = jointName(joints[otherIndex]!, byId);
    return {
      by: 'order',
      reason:
        when === 'after'
          ? `It would shut in what ${name} still needs, and that is made after paint.`
          : `${name} closes over it before paint, so it must be made first.`,
    };
  }
  return {
    by: 'ring',
    reason:
      when === 'before'
        ? 'The joints around it make both sides one piece before paint, so it is made with them.'
        : 'Joining it now would tie together pieces that are better painted apart.',
  };
}

function actOf(
  { edges: made }: AssemblyStep,
  { joints, edgeOf, byId }: JointGraph,
  trayOfPart: ReadonlyMap<string, ProposedTray>,
): AssemblyAct {
  const inAct = new Set(made);
  const held = joints.filter((_, index) => inAct.has(edgeOf[index]!));
  const trays = [...new Set(held.flatMap(({ a, b }) => [trayOfPart.get(a)!, trayOfPart.get(b)!]))];
  const size = ({ a, b }: Joint) => Math.min(areaOf(byId.get(a)!), areaOf(byId.get(b)!));
  const largest = held.reduce((most, joint) => (size(joint) > size(most) ? joint : most));
  const [a, b] = [byId.get(largest.a)!, byId.get(largest.b)!];
  return {
    jointIds: held.map(({ id }) => id),
    trayKeys: trays.map(({ key }) => key),
    name: `${a.name} ${PLACE_WORDS[largest.kind]} ${lowerFirst(b.name)}`,
  };
}

const PLACE_WORDS: Readonly<Record<Joint['kind'], string>> = {
  cement: 'onto',
  press: 'into',
  clip: 'onto',
  screw: 'onto',
  hinge: 'hung on',
  glass: 'into',
  tyre: 'onto',
  'sits-in': 'into',
};

const lowerFirst = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);

/** What holding a joint to one time costs against the best division, minutes; or why that cannot be. */
export function pinCost(
  kit: Kit,
  jointId: string,
  when: JointTime,
): { minutes: number } | { refused: string } {
  const pinned = (pin: Joint['pin']): Kit => ({
    ...kit,
    joints: kit.joints.map((joint) => (joint.id === jointId ? { ...joint, pin } : joint)),
  });
  try {
    const held = proposeSubassemblies(pinned(when)).cost;
    return { minutes: Math.max(0, held - proposeSubassemblies(pinned(null)).cost) };
  } catch (error) {
    return { refused: (error as Error).message };
  }
}
