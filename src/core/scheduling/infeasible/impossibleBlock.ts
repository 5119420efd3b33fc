import { scheduleBlocks } from '../construct/blockInsertion.ts';
import { MOST_TO_SEARCH, orderSearch } from '../exact/orderSearch.ts';
import { indexInstance, type IndexedInstance } from '../model/instance.ts';

/** Steps that recoat windows tie together and that no sessions hold. */
export interface ImpossibleBlock {
  /** In an order that keeps what comes before what. */
  ids: string[];
  /** A single session this long would hold them all, minutes; null where none would, as they need the hands at once. */
  sessionMinutes: number | null;
}

const NODES = 50_000;
/** Later than any schedule ends. */
const NEVER = 2 ** 29;

/** The first steps tied by recoat windows that could not be placed even if there were nothing else to do, found by
 *  trying every order in all sessions; undefined where each could, and for what is too large to tell. */
export function impossibleBlock(instance: IndexedInstance): ImpossibleBlock | undefined {
  const { operations, windows, hasBooth } = instance;
  const open = Array.from(hasBooth, (booth) => booth === 1);
  for (const block of scheduleBlocks(instance).members) {
    if (block.length < 2 || block.length > MOST_TO_SEARCH) continue;
    if (isImpossible(alone(instance, block, windows, open)))
      return {
        ids: block.map((index) => operations[index]!.id),
        sessionMinutes: minutesInOne(instance, block),
      };
  }
  return undefined;
}

/** Whether trying everything came to its end without a schedule. */
function isImpossible(block: IndexedInstance): boolean {
  const { whole, better } = earliest(block);
  return whole && better === undefined;
}

function earliest(block: IndexedInstance) {
  const known = { finish: NEVER, setupMinutes: NEVER };
  return orderSearch(block).look('finish', known, NEVER - 1, { nodes: NODES, stopped: () => false });
}

/** Minutes that a block takes where the bench stays open until whatever could be held is done, its set-up included. */
function minutesInOne(instance: IndexedInstance, block: readonly number[]): number | null {
  return earliest(alone(instance, block, [[0, longEnough(instance, block)]], [true])).better?.finish ?? null;
}

/** Minutes that no block needs more of: nothing is gained by waiting between two steps for longer than the longest lag
 *  and set-up. */
function longEnough({ operations, succs, setup }: IndexedInstance, block: readonly number[]): number {
  const hands = block.reduce((sum, index) => sum + operations[index]!.hands, 0);
  const lags = block.flatMap((index) => succs[index]!.map(({ minLag }) => minLag));
  return hands + block.length * Math.max(setup.newWindow, ...setup.change.flat(), ...lags);
}

/** Some steps without all others, free to start at any time, in some sessions. */
function alone(
  { operations, succs, setup }: IndexedInstance,
  block: readonly number[],
  windows: [number, number][],
  boothOpen: boolean[],
): IndexedInstance {
  const isIn = new Set(block);
  return indexInstance({
    format: 'kit-schedule-instance',
    version: 1,
    name: 'block',
    windows,
    boothOpen,
    operations: block.map((index) => {
      const { id, hands, family, needsBooth } = operations[index]!;
      return { id, hands, family, needsBooth, dry: 0 };
    }),
    arcs: block.flatMap((index) =>
      succs[index]!.flatMap(({ other, minLag, maxLag }) =>
        isIn.has(other)
          ? [
              {
                from: operations[index]!.id,
                to: operations[other]!.id,
                minLag,
                maxLag: maxLag === Infinity ? null : maxLag,
              },
            ]
          : [],
      ),
    ),
    setup,
  });
}
