import { areaOf, type Joint, type Kit, type Part } from './kit.ts';
import { plainJoint } from './plainKit.ts';
import { isSure, rolesOf, type Role } from './roles/suggestRoles.ts';
import { THINGS, type Thing } from './roles/things.ts';

/** A joint that what the parts are suggests, with the reason. */
export interface JointSuggestion {
  joint: Joint;
  because: string;
  /** How sure it is, 0..1: the less sure of the two parts' roles. */
  confidence: number;
}

/** Of these, left and right are the halves of one thing although nobody says so. */
const IN_HALVES: ReadonlySet<string> = new Set(['block', 'gearbox', 'differential', 'frame']);
/** What lies between several of these touches them all: a wheel between two legs, a cross-member between the rails. */
const SPANNED: ReadonlySet<string> = new Set(['frame-rail', 'yoke', 'fork', 'arm', 'wing-post']);
/** What else does where a kit has no such thing. */
const INSTEAD: Readonly<Record<string, string>> = { frame: 'frame-rail' };
/** What carries a part is at least this share of its size. */
const LEAST_CARRIER = 0.2;

const THING: ReadonlyMap<string, Thing> = new Map(THINGS.map((thing) => [thing.id, thing]));

interface Known {
  part: Part;
  role: Role;
  thing: Thing;
}

/** Suggests joints from what the parts are: halves that meet in a seam, and every part onto what carries it, of its own
 *  side and end. A part may have several; parts of which nothing is known, and joints that are there, are left alone. */
export function suggestJoints({
  parts,
  joints,
  roles: corrected = [],
}: Pick<Kit, 'parts' | 'joints'> & Partial<Pick<Kit, 'roles'>>): JointSuggestion[] {
  const roles = rolesOf({ parts, roles: corrected });
  const known = parts
    .flatMap((part, at): Known[] => {
      const role = roles[at]!;
      const thing = role.thing === null ? undefined : THING.get(role.thing);
      return thing && isSure(role) ? [{ part, role, thing }] : [];
    })
    // Whatever order a list is in, it suggests the same.
    .sort((p, q) => (p.part.id < q.part.id ? -1 : 1));
  const pairs = new Set(joints.flatMap(({ a, b }) => [`${a} ${b}`, `${b} ${a}`]));
  const near = neighbours(joints);
  const byThing = new Map<string, Known[]>();
  for (const one of known) byThing.set(one.thing.id, [...(byThing.get(one.thing.id) ?? []), one]);
  const suggestions: JointSuggestion[] = [];
  const add = (one: Known, other: Known, because: string, change: Partial<Joint>) => {
    if (pairs.has(`${one.part.id} ${other.part.id}`)) return;
    pairs.add(`${one.part.id} ${other.part.id}`).add(`${other.part.id} ${one.part.id}`);
    suggestions.push({
      joint: plainJoint(`${one.part.id}~${other.part.id}`, one.part.id, other.part.id, change),
      because,
      confidence: Math.min(one.role.confidence, other.role.confidence),
    });
  };
  /** Halves that hang on the other: it is carried with that. */
  const carried = new Set<string>();
  for (const one of known) {
    const twin = byThing
      .get(one.thing.id)!
      .find((other) => other.part.id > one.part.id && areHalves(one, other));
    if (!twin || carried.has(one.part.id)) continue;
    add(one, twin, 'two halves of one thing', { seam: 'vanish' });
    carried.add(twin.part.id);
  }
  const isSettled = settledBy(near, known);
  for (const one of known) {
    if (carried.has(one.part.id) || isSettled(one)) continue;
    for (const carriers of one.thing.on) {
      const hosts = hostsOf(one, byThing, carriers).filter(
        ({ part }) => !areLinked(near, one.part.id, part.id),
      );
      if (hosts.some(({ part }) => pairs.has(`${one.part.id} ${part.id}`))) continue;
      const { kind, seam, motion, because } = one.thing;
      for (const host of hosts) add(one, host, because, { kind, seam, motion });
    }
  }
  return suggestions;
}

/** The parts that each part is joined to. */
type Neighbours = ReadonlyMap<string, ReadonlySet<string>>;

function neighbours(joints: Kit['joints']): Neighbours {
  const near = new Map<string, Set<string>>();
  for (const { a, b } of joints) {
    near.set(a, (near.get(a) ?? new Set()).add(b));
    near.set(b, (near.get(b) ?? new Set()).add(a));
  }
  return near;
}

/** Whether the builder has said already what carries a part: it has as many joints as such parts have, apart from those
 *  with parts that rest on it. */
function settledBy(near: Neighbours, known: readonly Known[]): (one: Known) => boolean {
  const things = new Map(known.map(({ part, thing }) => [part.id, thing] as const));
  const restsOn = (part: string, other: Thing): boolean =>
    things
      .get(part)
      ?.on.some((carriers) => carriers.some((carrier) => carrier.split('@')[0] === other.id)) === true;
  return ({ part: { id }, thing }) => {
    const carrying = [...(near.get(id) ?? [])].filter((other) => !restsOn(other, thing));
    return carrying.length > 0 && carrying.length >= thing.on.length;
  };
}

/** Whether two parts hang together by a third, as a rim by its bushing on the hub. */
const areLinked = (near: Neighbours, one: string, other: string): boolean =>
  [...(near.get(one) ?? [])].some((between) => near.get(other)?.has(between));

/** The parts that carry one: of the first thing that the kit has, of the same side and end. Where a part stands for
 *  several, such as four tyres, all that they go on; none where it cannot be told which. */
function hostsOf(
  one: Known,
  byThing: ReadonlyMap<string, readonly Known[]>,
  carriers: readonly string[],
): Known[] {
  const wanted = carriers.flatMap((carrier) => [carrier, ...(INSTEAD[carrier] ? [INSTEAD[carrier]] : [])]);
  for (const carrier of wanted) {
    const [id, place] = carrier.split('@');
    const isLevel = place === 'lower' || place === 'upper';
    const able = (byThing.get(id!) ?? []).filter(
      (other) =>
        other.part.id !== one.part.id &&
        agrees(one.role.side, other.role.side) &&
        agrees(isLevel ? one.role.end : (place ?? one.role.end), other.role.end) &&
        (!isLevel || other.role.level === place) &&
        areaOf(other.part) >= LEAST_CARRIER * areaOf(one.part),
    );
    if (able.length === 0) continue;
    return chosen(one, able);
  }
  return [];
}

const agrees = (one: string | null, other: string | null): boolean =>
  one === null || other === null || one === other;

function chosen(one: Known, able: readonly Known[]): Known[] {
  const score = ({ part, role }: Known): number =>
    (role.side !== null && role.side === one.role.side ? 8 : 0) +
    (role.end !== null && role.end === one.role.end ? 8 : 0) +
    (role.level !== null && role.level === one.role.level ? 4 : 0) +
    (part.frame === one.part.frame ? 2 : 0) +
    (part.count === one.part.count ? 1 : 0);
  const best = Math.max(...able.map(score));
  const first = able.filter((other) => score(other) === best);
  if (able.length === 1 || SPANNED.has(able[0]!.thing.id)) return [...able];
  // Halves of one thing: the first stands for both.
  if (first.length === 1 || first.every((other) => areHalves(first[0]!, other) || other === first[0]!))
    return [first[0]!];
  const pieces = able.reduce((sum, { part }) => sum + part.count, 0);
  if (one.part.count > 1 && one.part.count >= pieces) return [...able];
  // Of several alike, the largest only where it clearly is the main one.
  const bySize = [...first].sort((p, q) => areaOf(q.part) - areaOf(p.part));
  return areaOf(bySize[0]!.part) >= 2 * areaOf(bySize[1]!.part) ? [bySize[0]!] : [];
}

/** Whether two parts are the halves of one thing: alike but for the side, and said to be halves or usually so. */
function areHalves(one: Known, other: Known): boolean {
  if (one === other || one.thing !== other.thing || one.role.stem !== other.role.stem) return false;
  const opposed =
    (one.role.side !== null && other.role.side !== null && one.role.side !== other.role.side) ||
    (one.role.level !== null && other.role.level !== null && one.role.level !== other.role.level) ||
    (one.role.half && other.role.half && one.role.end !== other.role.end);
  return opposed && ((one.role.half && other.role.half) || IN_HALVES.has(one.thing.id));
}
