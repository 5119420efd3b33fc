import {
  areaOf,
  mainFinish,
  partLabel,
  type Kit,
  type Material,
  type MeasuredPlace,
  type Part,
  type Priority,
} from './kit.ts';
import { consequencesOf, type Consequence, type DividedKit } from './consequences.ts';
import { bareClearance } from './fitAfterPaint.ts';
import { jointName } from './hardConstraints.ts';
import { isPaintedLook, seamLength } from './jointCosts.ts';
import { kitTasks, type TrayTask } from './kitTasks.ts';
import { runTasks, type RunStep } from './runTasks.ts';
import { resolveVersion } from './version.ts';

/** What the rest of Fanfare needs to know of a kit. */
export interface KitSummary {
  pieces: number;
  unchecked: number;
  lost: number;
  jointCount: number;
  openConflicts: number;
  /** Version choices still open. */
  openChoices: string[];
  /** Steps that must wait for a decision. */
  holds: KitHold[];
  /** Holes, cuts and pins that the chosen version needs. */
  openings: KitTask[];
  /** Second colours on a tray, by brush or mask after its main finish. */
  pickOuts: KitTask[];
  /** What else the parts of each sub-assembly ask for. */
  tasks: TrayTask[];
  /** Wires and pipes between two sub-assemblies. */
  runs: RunStep[];
  /** Whether four wheels are to stand level at the end. */
  stance: boolean;
  /** Joints made before paint, in words, by sub-assembly; absent where the kit knows no joint of its parts. */
  joinsBefore: Record<string, string[]>;
  /** What the parts of each sub-assembly are made of. */
  materials: Record<string, Material[]>;
  /** What the builder changed in the plan. */
  plan: Pick<Kit, 'mishaps' | 'ownSteps' | 'stepEdits' | 'cureChecks' | 'pins'> & {
    deadline: string | null;
    priority: Priority;
  };
  /** What steps that cannot be taken back serve and prevent. */
  consequences: Consequence[];
  /** Where film takes up room that is known. */
  fits: KitFits;
  /** Holes and cuts that the sheet may ask for and this version does not need. */
  needless: { workId: string; trayId: string; name: string; reason: string }[];
  /** What the version needs and nobody has yet. */
  wants: { name: string; leadDays: number; have: boolean }[];
}

/** Joints after paint and measured places whose room is known, with the sub-assemblies that carry film into them. */
export interface KitFits {
  joints: {
    jointId: string;
    joinId: string;
    name: string;
    clearanceMm: [number, number, number];
    trayIds: string[];
  }[];
  places: { place: MeasuredPlace; name: string; trayId: string; matingTrayId: string | null }[];
}

export interface KitHold {
  trayId: string;
  /** null holds every step. */
  stepKind: string | null;
  reason: string;
}

export interface KitTask {
  id: string;
  trayId: string;
  title: string;
  minutes: number;
  because: string;
  details: string[];
}

const WORK_MINUTES = { hole: 5, cut: 10, pin: 4, scribe: 15, plug: 12 } as const;
const WORK_WORDS = { hole: 'Open', cut: 'Cut', pin: 'Cut pin', scribe: 'Scribe', plug: 'Plug' } as const;
const BRUSH_SET_UP = 4;
const BRUSH_PER_CM2 = 0.5;
const MASK_PER_MM = 0.12;

/** Denominator where nobody said a scale. */
const USUAL_SCALE = 24;

/** Facts of a kit by sub-assembly, for the plan and for the stages' states. `joins`: what the division leaves for
 *  after paint; `scale`: its denominator. */
export function summariseKit(
  kit: Kit,
  trays: DividedKit['trays'],
  joins: DividedKit['joins'] = [],
  scale = USUAL_SCALE,
): KitSummary {
  const version = resolveVersion(kit);
  const parts = new Map(kit.parts.map((part) => [part.id, part]));
  const finishes = new Map(kit.finishes.map((finish) => [finish.id, finish]));
  const trayOf = new Map(trays.flatMap(({ id, partIds }) => partIds.map((part) => [part, id] as const)));
  const open = kit.evidence.filter(({ verdict }) => verdict === 'open');
  const holds: KitHold[] = [];
  for (const { title, partIds, stepKind } of open) {
    for (const trayId of new Set(partIds.flatMap((part) => trayOf.get(part) ?? [])))
      holds.push({
        trayId,
        stepKind,
        reason: `The sheet and the evidence differ: ${title}. Decide it first.`,
      });
  }
  const openings: KitTask[] = [];
  const needless: KitSummary['needless'] = [];
  for (const { work, verdict, reason } of version.works) {
    const trayId = trayOf.get(work.partId);
    const part = parts.get(work.partId);
    if (trayId === undefined || !part) continue;
    if (verdict === 'wait')
      holds.push({
        trayId,
        stepKind: 'join',
        reason: `${work.name[0]!.toUpperCase()}${work.name.slice(1)}: ${reason}`,
      });
    if (verdict === 'refuse' && version.used.has(work.partId)) {
      needless.push({ workId: work.id, trayId, name: work.name, reason });
    }
    if (verdict !== 'do') continue;
    openings.push({
      id: work.id,
      trayId,
      title: `${WORK_WORDS[work.kind]}: ${work.name}`,
      minutes: WORK_MINUTES[work.kind],
      because: `${reason} It cannot be taken back.`,
      details: [
        `on ${partLabel(part)} ${part.name}`,
        'mark it, look again, then drill or cut from the inside',
      ],
    });
  }
  const late = new Set(joins.flatMap(({ jointIds }) => jointIds));
  const joinsBefore: Record<string, string[]> = {};
  for (const { id, a, b } of kit.joints) {
    for (const trayId of new Set([trayOf.get(a), trayOf.get(b)])) if (trayId) joinsBefore[trayId] ??= [];
    const home = trayOf.get(a);
    if (home !== undefined && home === trayOf.get(b) && !late.has(id))
      joinsBefore[home]!.push(`${parts.get(a)!.name} to ${parts.get(b)!.name.toLowerCase()}`);
  }
  const runs = runTasks(kit, { trays, joins }, scale);
  const materials: Record<string, Material[]> = {};
  for (const { id, partIds } of trays)
    materials[id] = [...new Set(partIds.flatMap((part) => parts.get(part)?.material ?? []))];
  return {
    pieces: kit.parts.reduce((sum, { count }) => sum + count, 0),
    unchecked: kit.parts.filter(({ checked }) => !checked).length,
    lost: kit.parts.filter(({ state, id }) => state === 'lost' && version.used.has(id)).length,
    jointCount: kit.joints.length,
    openConflicts: open.length,
    plan: {
      mishaps: kit.mishaps,
      ownSteps: kit.ownSteps,
      stepEdits: kit.stepEdits,
      cureChecks: kit.cureChecks,
      pins: kit.pins,
      deadline: kit.aims[0]?.deadline ?? null,
      priority: kit.aims[0]?.priority ?? 'usual',
    },
    consequences: consequencesOf(kit, { trays, joins }, runs.between),
    fits: fitsOf(kit, parts, trayOf, joins),
    needless,
    wants: kit.wants.map(({ name, leadDays, have }) => ({ name, leadDays, have })),
    openChoices: version.open,
    holds,
    openings,
    pickOuts: trays.flatMap(({ id, partIds }) =>
      pickOutsOf(
        id,
        partIds.flatMap((part) => parts.get(part) ?? []),
        finishes,
        kit,
        parts,
      ),
    ),
    tasks: kitTasks(kit, trays, late, runs.tasks),
    runs: runs.between,
    stance: kit.stances.length > 0,
    joinsBefore,
    materials,
  };
}

function fitsOf(
  kit: Kit,
  parts: ReadonlyMap<string, Part>,
  trayOf: ReadonlyMap<string, string>,
  joins: DividedKit['joins'],
): KitFits {
  const joinOf = new Map(joins.flatMap(({ id, jointIds }) => jointIds.map((joint) => [joint, id] as const)));
  return {
    joints: kit.joints.flatMap((joint): KitFits['joints'] => {
      const clearanceMm = bareClearance(joint, kit.fits);
      const joinId = joinOf.get(joint.id);
      if (!clearanceMm || joinId === undefined) return [];
      const trayIds = [joint.a, joint.b].flatMap((id) => trayOf.get(id) ?? []);
      return [{ jointId: joint.id, joinId, name: jointName(joint, parts), clearanceMm, trayIds }];
    }),
    places: kit.places.flatMap((place): KitFits['places'] => {
      const trayId = trayOf.get(place.partId);
      const part = parts.get(place.partId);
      if (trayId === undefined || !part) return [];
      const matingTrayId = place.matingPartId === null ? null : (trayOf.get(place.matingPartId) ?? null);
      return [{ place, name: `${place.name} of ${part.name.toLowerCase()}`, trayId, matingTrayId }];
    }),
  };
}

/** Colours beside the main one on a tray: what is brushed or masked once the main finish is on. */
function pickOutsOf(
  trayId: string,
  held: readonly Part[],
  finishes: ReadonlyMap<string, Kit['finishes'][number]>,
  kit: Kit,
  parts: ReadonlyMap<string, Part>,
): KitTask[] {
  const surface = new Map<string, number>();
  for (const part of held) {
    const finish = mainFinish(part, finishes);
    if (finish) surface.set(finish.id, (surface.get(finish.id) ?? 0) + areaOf(part) * part.count);
  }
  const main = [...surface].sort((p, q) => q[1] - p[1])[0]?.[0];
  if (main === undefined) return [];
  const byFinish = new Map<string, { names: string[]; minutes: number; masked: boolean }>();
  const add = (finishId: string, name: string, minutes: number, masked: boolean) => {
    const known = byFinish.get(finishId) ?? { names: [], minutes: BRUSH_SET_UP, masked: false };
    byFinish.set(finishId, {
      names: [...known.names, name],
      minutes: known.minutes + minutes,
      masked: known.masked || masked,
    });
  };
  const ids = new Set(held.map(({ id }) => id));
  const isPaint = (id: string) => isPaintedLook(finishes.get(id)?.look ?? 'bare');
  for (const part of held) {
    const own = part.zones[0]?.finishId;
    if (own !== undefined && own !== main && isPaint(own)) {
      // Small pieces on one tray that are not joined to the main colour are sprayed apart, not picked out.
      const joined = kit.joints.find(
        ({ a, b }) => (a === part.id || b === part.id) && ids.has(a) && ids.has(b),
      );
      if (joined) {
        const edge = seamLength(joined, part, parts.get(joined.a === part.id ? joined.b : joined.a)!);
        add(own, part.name, BRUSH_PER_CM2 * areaOf(part) * part.count, edge > 60);
      }
    }
    for (const zone of part.zones.slice(1)) {
      if (!isPaint(zone.finishId)) continue;
      const masked = zone.boundary === 'masked';
      const edge = zone.edgeMm ?? 20 * Math.sqrt(areaOf(part) * zone.share);
      add(
        zone.finishId,
        `${zone.name || 'zone'} on ${part.name.toLowerCase()}`,
        masked ? MASK_PER_MM * edge : BRUSH_PER_CM2 * areaOf(part) * zone.share * part.count,
        masked,
      );
    }
  }
  return [...byFinish].map(([finishId, { names, minutes, masked }]) => {
    const finish = finishes.get(finishId)!;
    return {
      id: finishId,
      trayId,
      title: `${masked ? 'Mask and paint' : 'Pick out'} ${finish.name.toLowerCase()}`,
      minutes: Math.min(90, Math.max(5, Math.round(minutes))),
      because: 'It shares a piece with another colour, so it is done once that one is dry.',
      details: names.slice(0, 6).concat(names.length > 6 ? [`and ${names.length - 6} more`] : []),
    };
  });
}
