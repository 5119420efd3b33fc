import { alg, Graph } from '@dagrejs/graphlib';
import TinyQueue from 'tinyqueue';
import { benchTimeline } from '../model/timeline.ts';
import type { IndexedInstance } from '../model/instance.ts';

/** How often a block may be begun anew, a little later, before it is given up. */
const MOST_ATTEMPTS = 400;

/** A schedule made by putting one block after another where it fits first, or undefined where one does not fit. A block
 *  is what recoat windows tie together, and whatever has to happen in between: it is placed whole, so that no window is
 *  left to close. Blocks come as soon as all before them are placed, the most urgent first; a step that must not start
 *  after some time comes before all that may.
 *  `urgency` by operation: the greatest goes first. Starts by operation. */
export function insertBlocks(instance: IndexedInstance, urgency: readonly number[]): Int32Array | undefined {
  const { size, succs } = instance;
  const { blockOf, members } = scheduleBlocks(instance);
  const count = members.length;
  const latest = latestByPins(instance);
  const bench = benchTimeline(instance);
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

  const isPlaced = new Uint8Array(count);
  const placeBlock = blockPlacer(instance, bench, blockOf, isPlaced, MOST_ATTEMPTS);
  let done = 0;
  for (let block = open.pop(); block !== undefined; block = open.pop()) {
    if (!placeBlock(members[block]!)) return undefined;
    isPlaced[block] = 1;
    done++;
    for (const to of after[block]!) if (--waiting[to]! === 0) open.push(to);
  }
  return done === count ? bench.starts : undefined;
}

/** A function that places the operations of one block, all or none, where they fit first: after what comes before them,
 *  early enough for what is placed behind them already, and within the block's recoat windows; none before `notBefore`.
 *  Whether a block is placed is the caller's to keep. */
export function blockPlacer(
  instance: IndexedInstance,
  bench: ReturnType<typeof benchTimeline>,
  blockOf: Int32Array,
  isPlaced: Uint8Array,
  mostAttempts: number,
): (block: readonly number[], notBefore?: number) => boolean {
  const { size, operations, preds, succs } = instance;
  const { starts } = bench;
  const pinned = latestByPins(instance);
  const floors = new Float64Array(size);
  return (block, notBefore = 0) => {
    for (const index of block) floors[index] = Math.max(notBefore, operations[index]!.earliest ?? 0);
    for (let attempt = 0; attempt < mostAttempts; attempt++) {
      let placed = 0;
      let again = false;
      for (; placed < block.length && !again; placed++) {
        const index = block[placed]!;
        let ready = floors[index]!;
        for (const { other, minLag } of preds[index]!) {
          ready = Math.max(ready, starts[other]! + operations[other]!.hands + minLag);
        }
        let latest = pinned[index]!;
        for (const { other, minLag } of succs[index]!) {
          if (!isPlaced[blockOf[other]!]) continue;
          latest = Math.min(latest, starts[other]! - minLag - operations[index]!.hands);
        }
        if (ready > latest || !bench.place(index, ready, latest)) {
          for (let at = 0; at < placed; at++) bench.remove(block[at]!);
          return false;
        }
        for (const { other, maxLag } of preds[index]!) {
          const floor = starts[index]! - maxLag - operations[other]!.hands;
          if (floor <= starts[other]!) continue;
          floors[other] = floor;
          again = true;
        }
      }
      if (!again) return true;
      for (let at = 0; at < placed; at++) bench.remove(block[at]!);
    }
    return false;
  };
}

/** Operations by block, each block and the list of blocks in an order that respects the arcs. */
export function scheduleBlocks({ size, succs, topological }: IndexedInstance): {
  blockOf: Int32Array;
  members: number[][];
} {
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
