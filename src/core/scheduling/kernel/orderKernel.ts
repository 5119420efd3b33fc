import { growTo, instantiate } from '../../webAssembly.ts';
import type { IndexedArc, IndexedInstance } from '../model/instance.ts';
import type { SetupTable } from '../model/setupTable.ts';
import { compiled } from './orderVisits.compiled.ts';

/** The functions of orderVisits.as.ts. */
interface OrderVisits {
  ground: () => number;
  setSteps: (count: number, tied: number) => void;
  setSessions: (count: number, opens: number, closes: number, openBefore: number) => void;
  setSetup: (
    families: number,
    first: number,
    changes: number,
    between: number,
    table: number,
    sets: number,
    width: number,
  ) => void;
  look: (forFinish: number, finish: number, setupMinutes: number, most: number, room: number) => number;
  visited: () => number;
}

/** Beyond every minute that is reckoned with. */
export const NEVER = 2 ** 30;

// As orderVisits.as.ts has them, in words of 4 bytes: rows of a number for each step, and arcs.
const row = (at: number): number => 256 + 32 * at;
const HANDS = row(0);
const DRY = row(1);
const EARLIEST = row(2);
const FAMILY = row(3);
const PREDS = row(4);
const BEFORE = row(5);
const TIED_IN = row(6);
const TIED_OUT = row(7);
const URGENT = row(8);
const ARCS_IN = row(9);
const ARCS_OUT = row(10);
const CLOSES_FOR = row(11);
const LATEST = row(12);
const ORDER = row(13);
const OPEN = row(14);
const STARTS = row(15);
const ARC = 3;

/** What is known of an instance before the search. Steps come in an order that keeps what comes before what; sets of
 *  them are bits. */
export interface OrderLayout {
  instance: IndexedInstance;
  /** All that must come before each step, directly or not. */
  before: Int32Array;
  /** Steps that had better take each step's place. */
  urgent: Int32Array;
  /** Open minutes before each session. */
  openBefore: Int32Array;
  /** Least set-up of what is left. */
  setupLeft: SetupTable;
  /** Least minutes from family to family, through others where that is cheaper. */
  between: readonly (readonly number[])[];
}

/** What a schedule better than the best must keep, by step. */
export interface OrderLimits {
  latest: Int32Array;
  /** The steps by their latest ends. */
  order: Int32Array;
  /** Minutes open until these. */
  open: Int32Array;
}

export interface OrderQuestion {
  /** For an earlier finish, whatever its set-up; or else for less set-up. */
  isForFinish: boolean;
  /** To be beaten. */
  finish: number;
  setupMinutes: number;
  limits: OrderLimits;
  mostVisits: number;
  isStopped: () => boolean;
  /** Takes a better schedule, with its starts; gives the limits for the next. */
  improve: (found: { starts: Int32Array; finish: number; setupMinutes: number }) => OrderLimits;
}

const isWindow = ({ maxLag }: IndexedArc) => maxLag < Infinity;
/** Sets of the steps that arcs lead to. */
export const setsOf = (arcs: readonly (readonly IndexedArc[])[]): Int32Array =>
  Int32Array.from(arcs, (each) => each.reduce((set, { other }) => set | (1 << other), 0));
/** Steps that a maximum lag ties to one at the other end of their arcs. */
export const tiedSets = (arcs: readonly (readonly IndexedArc[])[]): Int32Array =>
  setsOf(arcs.map((each) => each.filter(isWindow)));

let kept: { visits: OrderVisits; memory: ReturnType<typeof instantiate>['memory'] } | undefined;
/** The question that is being answered. */
let asked: { question: OrderQuestion; size: number } | undefined;

function lay(words: Int32Array, { latest, order, open }: OrderLimits): void {
  words.set(latest, LATEST);
  words.set(order, ORDER);
  words.set(open, OPEN);
}

function kernel() {
  if (kept) return kept;
  const { exports, memory } = instantiate(compiled, {
    'orderVisits.as': {
      isStopped: () => asked!.question.isStopped(),
      improve: (finish: number, setupMinutes: number) => {
        // The memory moves when it grows.
        const words = new Int32Array(memory.buffer);
        const { question, size } = asked!;
        lay(words, question.improve({ starts: words.slice(STARTS, STARTS + size), finish, setupMinutes }));
      },
    },
  });
  return (kept = { visits: exports as OrderVisits, memory });
}

/** Searches every order in the memory that all searches of a thread share: one at a time. Gives the nodes visited, and
 *  whether it came to its end. */
export function visitOrders(
  { instance, before, urgent, openBefore, setupLeft, between }: OrderLayout,
  question: OrderQuestion,
): { visited: number; whole: boolean } {
  const { size, operations, windows, family, needsBooth, hasBooth, setup, preds, succs } = instance;
  const { visits, memory } = kernel();
  let used = visits.ground() / 4;
  const room = (length: number): number => {
    const at = used;
    used += length;
    return at;
  };
  const kinds = setup.families.length;
  const arcsIn = room(ARC * preds.flat().length);
  const arcsOut = room(ARC * succs.flat().length);
  const [opens, closes, closesBooth, opened] = Array.from({ length: 4 }, () => room(windows.length)) as [
    ...[number, number, number, number],
  ];
  const [changes, betweens] = [room(kinds * kinds), room(kinds * kinds)];
  const table = setupLeft.minutes && room(setupLeft.minutes.length);
  growTo(memory, 4 * used);

  const words = new Int32Array(memory.buffer);
  const within = (minutes: number) => Math.min(NEVER, minutes);
  const layArcs = (lists: readonly (readonly IndexedArc[])[], first: number, heads: number): void => {
    let arc = first;
    lists.forEach((list, step) => {
      words[heads + step] = 4 * arc;
      for (const { other, minLag, maxLag } of list) {
        words.set([other, minLag, within(maxLag)], arc);
        arc += ARC;
      }
    });
    words[heads + size] = 4 * arc;
  };
  operations.forEach(({ hands, dry, earliest = 0 }, step) => {
    words[HANDS + step] = hands;
    words[DRY + step] = dry;
    words[EARLIEST + step] = earliest;
    words[CLOSES_FOR + step] = 4 * (needsBooth[step] ? closesBooth : closes);
  });
  words.set(family, FAMILY);
  words.set(setsOf(preds), PREDS);
  words.set(before, BEFORE);
  const tiedIn = tiedSets(preds);
  words.set(tiedIn, TIED_IN);
  words.set(tiedSets(succs), TIED_OUT);
  words.set(urgent, URGENT);
  layArcs(preds, arcsIn, ARCS_IN);
  layArcs(succs, arcsOut, ARCS_OUT);
  windows.forEach(([start, end], session) => {
    words[opens + session] = start;
    words[closes + session] = end;
    words[closesBooth + session] = hasBooth[session] ? end : -1;
  });
  words.set(openBefore, opened);
  words.set(setup.change.flat(), changes);
  words.set(between.flat(), betweens);
  if (table !== undefined) words.set(setupLeft.minutes!.map(within), table);
  lay(words, question.limits);
  const tied = tiedIn.reduce((set, own, step) => (own ? set | (1 << step) : set), 0);
  visits.setSteps(size, tied);
  visits.setSessions(windows.length, 4 * opens, 4 * closes, 4 * opened);
  const { sets, width } = setupLeft;
  visits.setSetup(
    kinds,
    setup.newWindow,
    4 * changes,
    4 * betweens,
    table === undefined ? 0 : 4 * table,
    sets,
    width,
  );
  asked = { question, size };
  const { isForFinish, finish, setupMinutes, mostVisits } = question;
  const most = Math.max(0, Math.min(2 ** 31 - 2, mostVisits));
  const whole = visits.look(isForFinish ? 1 : 0, within(finish), within(setupMinutes), most, 4 * used) !== 0;
  asked = undefined;
  return { visited: visits.visited(), whole };
}
