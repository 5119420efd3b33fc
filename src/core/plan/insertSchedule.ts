import { alg, Graph } from '@dagrejs/graphlib';
import TinyQueue from 'tinyqueue';
import type { IndexedInstance } from './scheduleInstance.ts';

/** How often a block may be begun anew, a little later, before it is given up. */
const MOST_ATTEMPTS = 400;

/** A schedule made by putting one block after another where it fits first, or undefined where one does not fit. A block
 *  is what recoat windows tie together, and whatever has to happen in between: it is placed whole, so that no window is
 *  left to close. Blocks come as soon as all before them are placed, the most urgent first; a step that must not start
 *  after some time comes before all that may.
 *  `urgency` by operation: the greatest goes first. Starts by operation. */
export function insertSchedule(
  instance: IndexedInstance,
  urgency: readonly number[],
): Int32Array | undefined {
  const { size, operations, preds, succs } = instance;
  const { blockOf, members } = blocks(instance);
  const count = members.length;
  const latest = latestByPins(instance);
  const bench = benchTimeline(instance);
  const { starts } = bench;
  const rank = members.map((block) => ({
    latest: block.reduce((least, index) => Math.min(least, latest[index]!), Infinity),
    urgency: block.reduce((most, index) => Math.max(most, urgency[index]!), 0),
  }));
  // What an urgent block waits for is as urgent.
  for (let at = count - 1; at >= 0; at--) {
    for (const index of members[at]!) {
      for (const { other } of succs[index]!) {
        const after = rank[blockOf[other]!]!;
        rank[at]!.latest = Math.min(rank[at]!.latest, after.latest);
      }
    }
  }
  const comesBefore = (a: number, b: number) =>
    rank[a]!.latest - rank[b]!.latest || rank[b]!.urgency - rank[a]!.urgency || a - b;

  const waiting = new Int32Array(count);
  const after: Set<number>[] = members.map(() => new Set());
  for (let index = 0; index < size; index++) {
    for (const { other } of succs[index]!) {
      const [from, to] = [blockOf[index]!, blockOf[other]!];
      if (from !== to) after[from]!.add(to);
    }
  }
  for (const set of after) for (const to of set) waiting[to]!++;
  const open = new TinyQueue(
    members.map((_, block) => block).filter((block) => waiting[block] === 0),
    comesBefore,
  );

  const floors = new Float64Array(size);
  const placeBlock = (block: readonly number[]): boolean => {
    for (const index of block) floors[index] = operations[index]!.earliest ?? 0;
    for (let attempt = 0; attempt < MOST_ATTEMPTS; attempt++) {
      let placed = 0;
      let again = false;
      for (; placed < block.length && !again; placed++) {
        const index = block[placed]!;
        let ready = floors[index]!;
        for (const { other, minLag } of preds[index]!) {
          ready = Math.max(ready, starts[other]! + operations[other]!.hands + minLag);
        }
        if (!bench.place(index, ready) || starts[index]! > latest[index]!) {
          for (let at = 0; at <= placed; at++) bench.remove(block[at]!);
          return false;
        }
        for (const { other, maxLag } of preds[index]!) {
          const floor = starts[index]! - maxLag - operations[other]!.hands;
          if (floor <= starts[other]!) continue;
          // An operation of another block cannot be moved any more; within the block it can.
          if (blockOf[other] !== blockOf[index]) continue;
          floors[other] = floor;
          again = true;
        }
      }
      if (!again) return true;
      for (let at = 0; at < placed; at++) bench.remove(block[at]!);
    }
    return false;
  };

  let done = 0;
  for (let block = open.pop(); block !== undefined; block = open.pop()) {
    if (!placeBlock(members[block]!)) return undefined;
    done++;
    for (const to of after[block]!) if (--waiting[to]! === 0) open.push(to);
  }
  return done === count ? starts : undefined;
}

/** Operations by block, each block and the list of blocks in an order that respects the arcs. */
function blocks({ size, succs, topological }: IndexedInstance): { blockOf: Int32Array; members: number[][] } {
  // Tied operations are joined both ways; what lies on a way there and back belongs to one block.
  const graph = new Graph();
  for (let index = 0; index < size; index++) graph.setNode(String(index));
  succs.forEach((arcs, index) => {
    for (const { other, maxLag } of arcs) {
      graph.setEdge(String(index), String(other));
      if (maxLag < Infinity) graph.setEdge(String(other), String(index));
    }
  });
  const place = new Int32Array(size);
  topological.forEach((index, at) => (place[index] = at));
  const components = alg.tarjan(graph).map((component) => component.map(Number));
  const blockOf = new Int32Array(size);
  // The components come out last first.
  const members = components.reverse().map((component) => component.sort((a, b) => place[a]! - place[b]!));
  members.forEach((block, at) => block.forEach((index) => (blockOf[index] = at)));
  return { blockOf, members };
}

/** Latest starts that leave room for what must not start later behind it. */
function latestByPins({ operations, succs, topological }: IndexedInstance): Float64Array {
  const latest = Float64Array.from(operations, (operation) => operation.latest ?? Infinity);
  for (const index of [...topological].reverse()) {
    for (const { other, minLag } of succs[index]!) {
      latest[index] = Math.min(latest[index]!, latest[other]! - minLag - operations[index]!.hands);
    }
  }
  return latest;
}

/** The builder's sessions with what is placed in them so far, set-ups kept. */
function benchTimeline({ size, operations, windows, family, setup }: IndexedInstance) {
  const starts = new Int32Array(size);
  const sessionOf = new Int32Array(size).fill(-1);
  const placed: number[][] = windows.map(() => []);
  const endOf = (index: number) => starts[index]! + operations[index]!.hands;
  /** The family last used before a place in a session, -1 for none, and whether that was in this session. */
  let lastFamily = -1;
  let usedHere = false;
  const lookBack = (session: number, at: number) => {
    usedHere = true;
    for (let i = at - 1; i >= 0; i--) {
      lastFamily = family[placed[session]![i]!]!;
      if (lastFamily >= 0) return;
    }
    usedHere = false;
    for (let before = session - 1; before >= 0; before--) {
      const list = placed[before]!;
      for (let i = list.length - 1; i >= 0; i--) {
        lastFamily = family[list[i]!]!;
        if (lastFamily >= 0) return;
      }
    }
    lastFamily = -1;
  };
  const setupFor = (kind: number, last: number, isFirst: boolean) =>
    kind < 0
      ? 0
      : Math.max(isFirst ? setup.newWindow : 0, last >= 0 && last !== kind ? setup.change[last]![kind]! : 0);

  /** Whether the next painted operation from a place on still has its set-up when `kind`, ending at `end`, comes
   *  directly before that place. */
  const leavesSetup = (kind: number, end: number, session: number, at: number): boolean => {
    for (let later = session; later < windows.length; later++) {
      const list = placed[later]!;
      for (let i = later === session ? at : 0; i < list.length; i++) {
        const next = list[i]!;
        if (family[next]! < 0) continue;
        const need = setupFor(family[next]!, kind, later !== session);
        const from = later === session && i === at ? end : i > 0 ? endOf(list[i - 1]!) : windows[later]![0];
        return starts[next]! - from >= need;
      }
    }
    return true;
  };

  const place = (index: number, ready: number): boolean => {
    const { hands } = operations[index]!;
    const kind = family[index]!;
    let session = 0;
    let beyond = windows.length;
    while (session < beyond) {
      const middle = (session + beyond) >> 1;
      if (windows[middle]![1] < ready + hands) session = middle + 1;
      else beyond = middle;
    }
    for (; session < windows.length; session++) {
      const [opensAt, closesAt] = windows[session]!;
      if (closesAt - opensAt < hands) continue;
      const list = placed[session]!;
      for (let at = 0; at <= list.length; at++) {
        const next = list[at];
        const limit = next === undefined ? closesAt : starts[next]!;
        if (Math.max(ready, opensAt) + hands > limit) continue;
        const from = at > 0 ? endOf(list[at - 1]!) : opensAt;
        if (from + hands > limit) continue;
        let need = 0;
        if (kind >= 0) {
          lookBack(session, at);
          need = setupFor(kind, lastFamily, !usedHere);
        }
        const start = Math.max(ready, from + need);
        const end = start + hands;
        if (end > limit) continue;
        if (kind >= 0) {
          if (!leavesSetup(kind, end, session, at)) continue;
        } else if (next !== undefined && family[next]! >= 0) {
          lookBack(session, at);
          if (starts[next]! - end < setupFor(family[next]!, lastFamily, !usedHere)) continue;
        }
        starts[index] = start;
        sessionOf[index] = session;
        list.splice(at, 0, index);
        return true;
      }
    }
    return false;
  };
  const remove = (index: number): void => {
    const session = sessionOf[index]!;
    if (session < 0) return;
    const list = placed[session]!;
    list.splice(list.indexOf(index), 1);
    sessionOf[index] = -1;
  };
  return { starts, place, remove };
}
