/** A scheduling problem for one builder. Times are whole minutes from a start. */
export interface ScheduleInstance {
  format: 'kit-schedule-instance';
  version: 1;
  name: string;
  /** Bench sessions, in order, not overlapping. */
  windows: [start: number, end: number][];
  /** Whether the spray booth can be used, by session; in all where absent. */
  boothOpen?: boolean[];
  operations: ScheduleOperation[];
  arcs: ScheduleArc[];
  setup: SetupTimes;
}

export interface ScheduleOperation {
  id: string;
  /** Minutes that need the builder, inside one window. */
  hands: number;
  /** Paint family for set-ups; null for work that needs none. */
  family: string | null;
  /** Minutes that run by themselves afterwards and count towards the finish. */
  dry: number;
  /** It can only be done where the spray booth can be used. */
  needsBooth?: boolean;
  /** Bounds on the start that come from outside, such as steps already done. */
  earliest?: number;
  latest?: number;
  /** Minute by which it should have ended, drying included: ending later comes before everything else in weighing
   *  schedules, but is allowed. */
  due?: number;
  /** How much its end counts beside the finish of all; 0 or absent for not at all. */
  weight?: number;
}

/** Lag from the end of one operation's hands-on part to the start of another's. */
export interface ScheduleArc {
  from: string;
  to: string;
  minLag: number;
  maxLag: number | null;
}

export interface SetupTimes {
  /** Least set-up of the first family operation in a window. */
  newWindow: number;
  combine: 'max';
  families: string[];
  /** Minutes to change over, by index of the last family and of this one. */
  change: number[][];
}

export interface ScheduleResult {
  starts: Record<string, number>;
  finish: number;
  setupMinutes: number;
  /** Minutes by which operations end after they are due, summed. */
  overdue: number;
  /** No schedule can finish before this. */
  lowerBound: number;
  /** True only where both the finish and the set-up minutes are proved least. */
  optimal: boolean;
}

/** The instance in arrays by index, with predecessors and successors, in an order that respects the arcs. */
export interface IndexedInstance {
  size: number;
  operations: ScheduleOperation[];
  windows: [start: number, end: number][];
  /** Family index by operation, -1 for none. */
  family: Int32Array;
  /** 1 for operations that need the booth, and for sessions that have it: an operation cannot be in a session that has
   *  less of it. */
  needsBooth: Uint8Array;
  hasBooth: Uint8Array;
  setup: SetupTimes;
  preds: IndexedArc[][];
  succs: IndexedArc[][];
  topological: number[];
  /** Whether a recoat window ties another operation to this one. */
  tied: boolean[];
  /** Minutes from an operation's start to the end of all that recoat windows tie to it, at the least lags. */
  chainSpan: Float64Array;
  /** The longest window anywhere in that chain, minutes; 0 where nothing is tied. */
  chainWindow: Float64Array;
}

export interface IndexedArc {
  /** The operation at the other end. */
  other: number;
  minLag: number;
  maxLag: number;
}

/** Checks an instance and arranges it for the scheduler.
 *  Throws RangeError, naming the operation, for unknown ids, cycles, sessions that are missing or too short. */
export function indexInstance(instance: ScheduleInstance): IndexedInstance {
  const { operations, windows, arcs, setup } = instance;
  const size = operations.length;
  const indexOf = new Map(operations.map(({ id }, index) => [id, index]));
  if (indexOf.size !== size) throw new RangeError('Two operations have the same id.');
  if (size > 0 && windows.length === 0) {
    throw new RangeError('The calendar has no bench session at all: add at least one evening.');
  }
  windows.forEach(([start, end], at) => {
    if (!(end > start) || (at > 0 && start < windows[at - 1]![1])) {
      throw new RangeError('Bench sessions must end after they start and must not overlap.');
    }
  });
  const needsBooth = Uint8Array.from(operations, (operation) => (operation.needsBooth ? 1 : 0));
  const hasBooth = Uint8Array.from(windows, (_, session) =>
    instance.boothOpen?.[session] === false ? 0 : 1,
  );
  const longest = longestWindow(windows);
  const longestWithBooth = longestWindow(windows.filter((_, session) => hasBooth[session] === 1));
  for (const { id, hands, dry, needsBooth: sprayed } of operations) {
    if (!(hands >= 0) || !(dry >= 0)) throw new RangeError(`${id} has minutes below zero.`);
    if (hands > longest) {
      throw new RangeError(
        `"${id}" takes ${hands} min and no session is longer than ${longest} min: plan a longer session or split the step.`,
      );
    }
    if (sprayed && longestWithBooth === 0) {
      throw new RangeError(
        `"${id}" needs the spray booth and no session has it: say on the bench in which sessions you can spray.`,
      );
    }
    if (sprayed && hands > longestWithBooth) {
      throw new RangeError(
        `"${id}" takes ${hands} min in the spray booth and no session with the booth is longer than ${longestWithBooth} min: plan a longer one.`,
      );
    }
  }
  const preds: IndexedArc[][] = operations.map(() => []);
  const succs: IndexedArc[][] = operations.map(() => []);
  for (const { from, to, minLag, maxLag } of arcs) {
    const [a, b] = [indexOf.get(from), indexOf.get(to)];
    if (a === undefined || b === undefined) {
      throw new RangeError(`An arc names an operation that does not exist: ${a === undefined ? from : to}.`);
    }
    preds[b]!.push({ other: a, minLag, maxLag: maxLag ?? Infinity });
    succs[a]!.push({ other: b, minLag, maxLag: maxLag ?? Infinity });
  }
  const familyIndex = new Map(setup.families.map((name, index) => [name, index]));
  const family = Int32Array.from(operations, ({ family: name, id }) => {
    if (name === null) return -1;
    const index = familyIndex.get(name);
    if (index === undefined) throw new RangeError(`"${id}" has the unknown paint family ${name}.`);
    return index;
  });
  const tied = succs.map((arcs) => arcs.some(({ maxLag }) => maxLag < Infinity));
  const topological = topologicalOrder(operations, preds, succs);
  return {
    size,
    operations,
    windows,
    family,
    needsBooth,
    hasBooth,
    setup,
    preds,
    succs,
    topological,
    tied,
    ...chains(operations, succs, topological),
  };
}

/** Minutes of the longest session. */
function longestWindow(windows: ScheduleInstance['windows']): number {
  return windows.reduce((most, [start, end]) => Math.max(most, end - start), 0);
}

function chains(operations: ScheduleOperation[], succs: IndexedArc[][], topological: number[]) {
  const chainSpan = Float64Array.from(operations, ({ hands }) => hands);
  const chainWindow = new Float64Array(operations.length);
  for (const index of [...topological].reverse()) {
    for (const { other, minLag, maxLag } of succs[index]!) {
      if (maxLag === Infinity) continue;
      const span = operations[index]!.hands + minLag + chainSpan[other]!;
      chainSpan[index] = Math.max(chainSpan[index]!, span);
      chainWindow[index] = Math.max(chainWindow[index]!, maxLag, chainWindow[other]!);
    }
  }
  return { chainSpan, chainWindow };
}

/** Whether a start in a session must fail because of the coats that recoat windows tie to it: the next one fits
 *  neither into what is left of the session nor into the next one, or the chain does not fit the session and
 *  no window in it is long enough to reach over the gap to the next. */
export function breaksTie(
  { succs, operations, windows, chainSpan, chainWindow }: IndexedInstance,
  operation: number,
  start: number,
  session: number,
): boolean {
  const closes = windows[session]![1];
  const next = windows[session + 1];
  if (start + chainSpan[operation]! <= closes) return false;
  if (next === undefined || chainWindow[operation]! < next[0] - closes) return true;
  const end = start + operations[operation]!.hands;
  return succs[operation]!.some(
    ({ other, minLag, maxLag }) =>
      maxLag < Infinity && end + minLag + operations[other]!.hands > closes && end + maxLag < next[0],
  );
}

function topologicalOrder(
  operations: ScheduleOperation[],
  preds: IndexedArc[][],
  succs: IndexedArc[][],
): number[] {
  const waiting = preds.map((arcs) => arcs.length);
  const order = operations.map((_, index) => index).filter((index) => waiting[index] === 0);
  for (const index of order) {
    for (const { other } of succs[index]!) if (--waiting[other]! === 0) order.push(other);
  }
  if (order.length < operations.length) {
    const stuck = operations.filter((_, index) => waiting[index]! > 0).map(({ id }) => id);
    throw new RangeError(`These steps wait for each other in a circle: ${stuck.slice(0, 6).join(', ')}.`);
  }
  return order;
}
