import {
  cureFactor,
  FAMILIES,
  formatMinutes,
  hazardLine,
  type Conditions,
  type FamilyId,
  type HazardId,
} from '../finish/index.ts';
import type { Mishap, RepairId } from '../kit/index.ts';
import type { PlanArc, PlanOperation } from './operation.ts';
import { TASKS, type TaskKind } from './tasks.ts';

interface RepairFacts {
  name: string;
  minutes: number;
  /** Before what is done again. */
  waitMinutes: number;
  /** Of the repair as a step; null for that of the spoilt one. */
  kind: TaskKind | null;
  hazards: readonly HazardId[];
  /** How far the paint of the spoilt step has to be before the repair begins; null where it begins at once. */
  paintMust: 'handle' | 'fullCure' | null;
  how: readonly string[];
  because: string;
}

/** What a spoilt step needs before it can be done again. */
export const REPAIRS = {
  wipe: {
    name: 'wipe off while wet',
    minutes: 15,
    waitMinutes: 60,
    kind: 'rinse',
    hazards: ['vapour'],
    paintMust: null,
    how: ['thinner on a cloth at once, before it bites', 'wash clean, let it dry'],
    because: 'Wet paint still comes off.',
  },
  sand: {
    name: 'sand back',
    minutes: 25,
    waitMinutes: 0,
    kind: 'flat',
    hazards: ['dust'],
    paintMust: 'fullCure',
    how: ['let it dry hard first', '1000 then 2000, wet, only where it shows', 'wash clean'],
    because: 'A run, dust or orange peel is cut level before the next coat.',
  },
  strip: {
    name: 'strip to the plastic',
    minutes: 40,
    waitMinutes: 24 * 60,
    kind: 'rinse',
    hazards: ['caustic', 'vapour'],
    paintMust: null,
    how: [
      'a stripper that the plastic stands: try it on a frame first',
      'brush, rinse long',
      'begin again with the primer',
    ],
    because: 'Wrinkled or crazed paint cannot be built upon.',
  },
  refill: {
    name: 'fill and sand again',
    minutes: 30,
    waitMinutes: 12 * 60,
    kind: 'flat',
    hazards: ['dust'],
    paintMust: 'handle',
    how: ['fill the seam or sink', 'let it harden, sand level', 'spot of primer, look again'],
    because: 'What shows in primer shows for ever.',
  },
  'set-right': {
    name: 'take apart and set right',
    minutes: 20,
    waitMinutes: 0,
    kind: null,
    hazards: ['blades'],
    paintMust: null,
    how: [
      'at once while the glue still gives; later with a thin blade along the joint',
      'clean both faces, measure what is off',
      'put it together dry, look, then for good',
    ],
    because: 'What stands crooked shows from every side, and more so once it is painted.',
  },
} as const satisfies Record<RepairId, RepairFacts>;

/** How a kind of step that went wrong is mended where nobody says otherwise. */
export const usualRepair = (kind: TaskKind): RepairId => TASKS[kind].mend;

const PAINT_MUST = { fullCure: 'hard right through', handle: 'dry enough to be handled' } as const;

/** How far the paint has to be before a repair begins, in words; empty where it begins at once. */
export function onceThePaintIs(repair: RepairId): string {
  const { paintMust } = REPAIRS[repair];
  return paintMust === null ? '' : `once the paint is ${PAINT_MUST[paintMust]}`;
}

/** Operations and arcs grown by what went wrong: a repair step, and copies of the steps from `redoFrom` to the spoilt
 *  one, which are marked by their turn. What was planned after the spoilt step waits for the last copy. Steps that
 *  nobody knows any more are passed over. */
export function withRepairs(
  operations: readonly PlanOperation[],
  arcs: readonly PlanArc[],
  mishaps: readonly Mishap[],
  conditions: Conditions,
): { operations: PlanOperation[]; arcs: PlanArc[] } {
  let all = [...operations];
  let lags = [...arcs];
  for (const mishap of [...mishaps].sort((a, b) => a.at - b.at)) {
    const spoilt = all.find(({ id }) => id === mishap.operationId);
    const from = all.find(({ id }) => id === mishap.redoFrom);
    if (!spoilt || !from) continue;
    const chain = chainBetween(from.id, spoilt.id, lags) ?? [spoilt.id];
    const suffix = `~${mishap.id}`;
    const repairFacts = REPAIRS[mishap.repair];
    const repair = repairOf(spoilt, mishap);
    const copies = chain.map((id): PlanOperation => {
      const step = all.find((operation) => operation.id === id)!;
      return {
        ...step,
        id: `${id}${suffix}`,
        title: `Again: ${step.title}`,
      };
    });
    const last = copies.at(-1)!;
    // Of the steps as they are now: what is repeated may be a repetition itself.
    const within = lags.filter(({ from: a, to: b }) => chain.includes(a) && chain.includes(b));
    lags = lags.map((arc) => (arc.from === spoilt.id ? { ...arc, from: last.id } : arc));
    lags.push(
      repairArc(spoilt, repair.id, repairFacts.paintMust, conditions),
      {
        from: repair.id,
        to: copies[0]!.id,
        minLag: repairFacts.waitMinutes,
        maxLag: null,
        because: repairFacts.waitMinutes > 0 ? `${repairFacts.name} must dry` : `${repairFacts.name} first`,
      },
      ...within.map((arc) => ({ ...arc, from: `${arc.from}${suffix}`, to: `${arc.to}${suffix}` })),
    );
    const at = all.findIndex(({ id }) => id === spoilt.id) + 1;
    all = [...all.slice(0, at), repair, ...copies, ...all.slice(at)];
  }
  return { operations: all, arcs: lags };
}

/** The repair as a step. It has its own minutes, whatever the spoilt step was made of, and no picture is due of it. */
function repairOf(
  { oneGo: _g, ownMinutes: _m, photo: _p, ...spoilt }: PlanOperation,
  { id, repair, what, why }: Mishap,
): PlanOperation {
  const { name, minutes, kind, because, how, hazards } = REPAIRS[repair];
  return {
    ...spoilt,
    id: `${spoilt.id}/repair~${id}`,
    kind: kind ?? spoilt.kind,
    title: `${name[0]!.toUpperCase()}${name.slice(1)}: ${spoilt.title}`,
    place: 'bench',
    hands: minutes,
    dry: 0,
    family: null,
    chemistry: null,
    because: `${what}${why ? `, because ${why}` : ''}. ${because}`,
    details: [...how],
    hazards: [...hazards],
    cautions: hazards.map(hazardLine),
    lessons: [],
  };
}

/** From a spoilt step to its repair: at once, or once its paint is dry enough to be worked on. */
function repairArc(
  { id, chemistry }: PlanOperation,
  to: string,
  paintMust: RepairFacts['paintMust'],
  conditions: Conditions,
): PlanArc {
  const paint = chemistry === null ? undefined : FAMILIES[chemistry as FamilyId];
  if (!paint || paintMust === null)
    return { from: id, to, minLag: 0, maxLag: null, because: 'it went wrong' };
  return {
    from: id,
    to,
    minLag: Math.ceil(paint[paintMust] * cureFactor(paint.id, conditions)),
    maxLag: null,
    because: `${paint.name} is ${PAINT_MUST[paintMust]} after ${formatMinutes(paint[paintMust])} at 20 C`,
  };
}

/** The steps from one to another along the arcs; undefined where they do not hang together. */
function chainBetween(from: string, to: string, arcs: readonly PlanArc[]): string[] | undefined {
  if (from === to) return [from];
  for (const arc of arcs) {
    if (arc.to !== to) continue;
    const before = chainBetween(from, arc.from, arcs);
    if (before) return [...before, to];
  }
  return undefined;
}
