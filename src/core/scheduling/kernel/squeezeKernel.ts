import { growTo, instantiate } from '../../webAssembly.ts';
import { scheduleBlocks } from '../construct/blockInsertion.ts';
import type { IndexedArc, IndexedInstance } from '../model/instance.ts';
import { compiled } from './squeezeMoves.compiled.ts';

/** The functions of squeezeMoves.as.ts. */
interface SqueezeMoves {
  ground: () => number;
  setInstance: (
    count: number,
    places: number,
    sessions: number,
    firstPlaces: number,
    table: number,
    families: number,
    first: number,
  ) => void;
  setScratch: (...addresses: [number, number, number, number, number, number, number]) => void;
  begin: (setupMinutes: number, setupPull: number, seed: number) => void;
  tryMoves: (moves: number, heat: number) => number;
}

/** Beyond every minute that is reckoned with. */
export const NEVER = 2 ** 30;

// As squeezeMoves.as.ts has them, in words of 4 bytes.
const RECORD = 25;
const START = 17;
const ARC = 3;
const WINDOW = 4;
const CHANGE = 6;
const STEP = 3;
const NOTED = 4;
const MOST_PUSHES = 6;

/** Where squeezing begins: an order, the session of every operation, and what it must keep to. */
export interface Packing {
  order: readonly number[];
  session: Int32Array;
  /** Minutes by operation. */
  latest: Int32Array;
  /** Sessions by operation. */
  first: Int32Array;
  last: Int32Array;
}

let kept: { moves: SqueezeMoves; memory: ReturnType<typeof instantiate>['memory'] } | undefined;

/** Squeezing of one instance, laid out in the memory that all of a thread share: one at a time. */
export function squeezeKernel(instance: IndexedInstance, packing: Packing) {
  const { size, operations, windows, setup, family, needsBooth, hasBooth, preds, succs } = instance;
  const { order, session, latest, first, last } = packing;
  if (!kept) {
    const { exports, memory } = instantiate(compiled);
    kept = { moves: exports as SqueezeMoves, memory };
  }
  const { moves, memory } = kept;
  let used = Math.ceil(moves.ground() / 8) * 2;
  const room = (words: number): number => {
    const at = used;
    used += 2 * Math.ceil(words / 2);
    return at;
  };
  const isWindow = ({ maxLag }: IndexedArc) => maxLag < Infinity;
  const lists = operations.map((_, i) => [preds[i]!, preds[i]!.filter(isWindow), succs[i]!]);
  const records = room(RECORD * size);
  const places = room(size);
  const sessions = room(WINDOW * windows.length);
  const begins = room(windows.length + 1);
  const kinds = setup.families.length;
  const table = room(kinds * kinds);
  const arcs = room(ARC * lists.flat().reduce((sum, list) => sum + list.length, 0));
  const blocks = room(size);
  const scratch = [size, CHANGE * size, STEP * size, NOTED * size, 2 * Math.ceil(size / 64)];
  scratch.push(2 * MOST_PUSHES, 2 * MOST_PUSHES);
  const scratchAt = scratch.map((length) => 4 * room(length));
  growTo(memory, 4 * used);

  const words = new Int32Array(memory.buffer);
  const recordOf = (operation: number) => records + RECORD * operation;
  let arc = arcs;
  const layArcs = (list: readonly IndexedArc[]): [from: number, end: number] => {
    const from = arc;
    for (const { other, minLag, maxLag } of list) {
      words.set([4 * recordOf(other), minLag, Math.min(NEVER, maxLag)], arc);
      arc += ARC;
    }
    return [4 * from, 4 * arc];
  };
  const { blockOf, members } = scheduleBlocks(instance);
  let listed = blocks;
  const blockAt = members.map((block): [from: number, end: number] => {
    const from = listed;
    if (block.length > 1) for (const operation of block) words[listed++] = 4 * recordOf(operation);
    return [4 * from, 4 * listed];
  });
  const place = new Int32Array(size);
  order.forEach((operation, at) => (place[operation] = at));
  operations.forEach(({ hands, earliest = 0 }, i) => {
    const given = [hands, family[i]!, earliest, latest[i]!, first[i]!, last[i]!, needsBooth[i]!];
    const from = [session[i]!, place[i]!, 0, earliest, 0, -1, -1, 0, -1, 0];
    words.set([...given, ...lists[i]!.flatMap(layArcs), ...blockAt[blockOf[i]!]!, ...from], recordOf(i));
  });
  order.forEach((operation, at) => (words[places + at] = 4 * recordOf(operation)));
  windows.forEach(([opens, closes], w) => words.set([opens, closes, hasBooth[w]!, 0], sessions + WINDOW * w));
  for (let w = 0, at = 0; w <= windows.length; w++) {
    while (at < size && session[order[at]!]! < w) at++;
    words[begins + w] = at;
  }
  words.set(setup.change.flat(), table);
  moves.setInstance(size, 4 * places, 4 * sessions, 4 * begins, 4 * table, kinds, setup.newWindow);
  moves.setScratch(...(scratchAt as Parameters<SqueezeMoves['setScratch']>));
  return {
    /** Works out everything for the order and the sessions as they were laid out. */
    begin: (setupMinutes: number, setupPull: number, seed: number): void =>
      moves.begin(Math.min(NEVER, setupMinutes), setupPull, seed),
    /** Tries so many moves at a heat in minutes; whether nothing is too much any more. */
    tryMoves: (count: number, heat: number): boolean => moves.tryMoves(count, heat) !== 0,
    starts: (): Int32Array => Int32Array.from(operations, (_, i) => words[recordOf(i) + START]!),
  };
}
