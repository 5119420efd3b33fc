import {
  wantsFinish,
  type Kit,
  type Look,
  type Material,
  type Part,
  type Priority,
  type Verdict,
} from '../kit/index.ts';
import type { Consequence } from './benchStep.ts';
import type { KitAdvice } from './advice/kitAdvice.ts';
import {
  dividedKit,
  type CrossStep,
  type DividedKit,
  type Division,
  type FogAtJoin,
  type KitFits,
  type LayerLines,
  type MovingAtEnd,
  type PrintedMarking,
  type SeenAtSteps,
  type KitWant,
  type StepOfJoint,
  type TrayTask,
  type WayInAtJoin,
} from './contribution.ts';
import { movingOf } from './contributions/closing.ts';
import { fogsOf } from './contributions/fogging.ts';
import { CONTRIBUTIONS } from './contributions/index.ts';
import { kitFits } from './contributions/fits.ts';
import { printedMarkings } from './contributions/plannedMarkings.ts';
import { isTyre } from './contributions/parts.ts';
import { waysInOf } from './contributions/waysIn.ts';
import { gluedJoint, type GluedJoint } from './gluedJoints.ts';
import { seenAtSteps } from './seen/seenAtSteps.ts';
import { inOrderOfWork } from './tasks.ts';

/** What the rest of Fanfare needs to know of a kit. */
export interface KitSummary {
  pieces: number;
  unchecked: number;
  lost: number;
  jointCount: number;
  openConflicts: number;
  /** Version choices still open. */
  openChoices: string[];
  /** What the kit alone has to say, and at which steps. */
  advice: KitAdvice[];
  /** Sub-assemblies among whose parts are tyres. */
  tyres: string[];
  /** … and those with plated ones. */
  plated: string[];
  /** What the parts of each sub-assembly ask for, in order of work: holes and cuts, fits, second colours and so on. */
  tasks: TrayTask[];
  /** Work between two sub-assemblies, such as wires and pipes. */
  crossSteps: CrossStep[];
  /** What is to be said at the steps of a layer. */
  layerLines: LayerLines[];
  /** Names of the finishes, for layers of a body in several colours. */
  finishNames: Record<string, string>;
  /** Whether four wheels are to stand level at the end. */
  stance: boolean;
  /** Everything that is to move. */
  moving: MovingAtEnd[];
  /** How it ended; null while it goes on. */
  end: Verdict['end'];
  /** What was found when work was looked over. */
  inspections: Kit['inspections'];
  /** Units that go into a shell. */
  waysIn: WayInAtJoin[];
  /** Joints whose glue can fog a pane. */
  fogs: FogAtJoin[];
  /** Joints made before paint by sub-assembly; absent where the kit knows no joint of its parts. */
  joinsBefore: Record<string, GluedJoint[]>;
  /** Joints that every join after paint makes, by join. */
  joinsAfter: Record<string, GluedJoint[]>;
  /** What the parts of each sub-assembly are made of. */
  materials: Record<string, Material[]>;
  /** What the builder changed in the plan. */
  plan: Pick<
    Kit,
    'mishaps' | 'milestones' | 'ownSteps' | 'stepEdits' | 'cureChecks' | 'pins' | 'mutedAdvice'
  > & {
    deadline: string | null;
    priority: Priority;
  };
  /** What steps that cannot be taken back serve and prevent. */
  consequences: Consequence[];
  /** Where film takes up room that is known. */
  fits: KitFits;
  /** What the version needs and nobody has yet. */
  wants: KitWant[];
  /** What is printed on which colour. */
  printed: PrintedMarking[];
  /** Detail, and how it is looked at; absent where nothing is known of that. */
  seen?: SeenAtSteps;
  /** Pieces of the version that nobody gave a finish, and that do not come with theirs. */
  unfinished: number;
  /** Views and areas of colour, and parts of the version in more than one colour. */
  livery: { views: number; areas: number; markings: number; severalColours: number };
  /** What is led, wired, laced, cut and fitted beyond the kit's own parts. */
  detail: {
    runs: number;
    harnesses: number;
    wheels: number;
    chains: number;
    patterns: number;
    gauges: number;
    stretches: number;
    dressings: number;
    panels: number;
    carpets: number;
    belts: number;
    panes: number;
    seats: number;
    effects: number;
    lamps: number;
    insertions: number;
    levels: number;
    /** Of these, what is open: it names no part, cannot be made as it stands, or is not decided. */
    open: number;
  };
  /** Parts of each sub-assembly that end up with paint on them, as far as is known. */
  toPaint: Record<string, number>;
}

/** Facts of a kit by sub-assembly, for the plan and for the stages' states. `joins`: what the division leaves for
 *  after paint; `scale`: its denominator. */
export function summariseKit(
  kit: Kit,
  trays: Division['trays'],
  joins: Division['joins'] = [],
  scale?: number,
): KitSummary {
  const build = dividedKit(kit, { trays, joins }, scale);
  const { version, parts } = build;
  const crossSteps = CONTRIBUTIONS.flatMap((each) => each.crossSteps?.(build) ?? []);
  const withPart = (holds: (part: Part) => boolean) =>
    trays.filter((tray) => build.partsIn(tray).some(holds)).map(({ id }) => id);
  const materials: Record<string, Material[]> = {};
  for (const { id, partIds } of trays)
    materials[id] = [...new Set(partIds.flatMap((part) => parts.get(part)?.material ?? []))];
  return {
    pieces: kit.parts.reduce((sum, { count }) => sum + count, 0),
    unchecked: kit.parts.filter(({ checked }) => !checked).length,
    lost: kit.parts.filter(({ state, id }) => state === 'lost' && version.used.has(id)).length,
    jointCount: kit.joints.length,
    openConflicts: kit.evidence.filter(({ verdict }) => verdict === 'open').length,
    openChoices: version.open,
    advice: CONTRIBUTIONS.flatMap((each) => each.kitAdvice?.(build) ?? []),
    tyres: withPart(isTyre),
    plated: withPart(({ plated }) => plated),
    tasks: kitTasks(build),
    crossSteps,
    layerLines: CONTRIBUTIONS.flatMap((each) => each.layerLines?.(build) ?? []),
    finishNames: Object.fromEntries(kit.finishes.map(({ id, name }) => [id, name])),
    stance: kit.stances.length > 0,
    moving: movingOf(build),
    end: kit.verdicts[0]?.end ?? null,
    inspections: kit.inspections,
    waysIn: waysInOf(build),
    fogs: fogsOf(build),
    joinsBefore: joinsBefore(build),
    joinsAfter: joinsAfter(build),
    materials,
    plan: {
      mishaps: kit.mishaps,
      milestones: kit.milestones,
      ownSteps: kit.ownSteps,
      stepEdits: kit.stepEdits,
      cureChecks: kit.cureChecks,
      pins: kit.pins,
      mutedAdvice: kit.mutedAdvice,
      deadline: kit.aims[0]?.deadline ?? null,
      priority: kit.aims[0]?.priority ?? 'usual',
    },
    consequences: consequencesOf(build, crossSteps),
    fits: kitFits(build),
    wants: wantsOf(build),
    printed: printedMarkings(build),
    seen: seenAtSteps(build),
    unfinished: kit.parts
      .filter((part) => version.used.has(part.id) && wantsFinish(part))
      .reduce((sum, { count }) => sum + count, 0),
    livery: {
      views: kit.views.length,
      areas: kit.liveryAreas.length,
      markings: kit.markings.length,
      severalColours: kit.parts.filter(({ id, zones }) => version.used.has(id) && zones.length > 1).length,
    },
    detail: {
      runs: kit.runs.reduce((sum, { count }) => sum + count, 0),
      harnesses: kit.harnesses.length,
      wheels: kit.wheels.reduce((sum, { count }) => sum + count, 0),
      chains: kit.chains.length,
      patterns: kit.patterns.length,
      gauges: kit.gauges.length,
      stretches: kit.stretches.length,
      dressings: kit.dressings.reduce((sum, { count }) => sum + count, 0),
      panels: kit.panels.length,
      carpets: kit.carpets.length,
      belts: kit.belts.reduce((sum, { count }) => sum + count, 0),
      panes: kit.panes.length,
      seats: kit.seats.length,
      effects: kit.effects.length,
      lamps: kit.lamps.reduce((sum, { count }) => sum + count, 0),
      insertions: kit.insertions.length,
      levels: kit.levels.length,
      open: CONTRIBUTIONS.reduce((sum, each) => sum + (each.stillOpen?.(build) ?? 0), 0),
    },
    toPaint: Object.fromEntries(
      trays.map((tray) => [tray.id, build.partsIn(tray).filter((part) => isPainted(build, part)).length]),
    ),
  };
}

/** The tasks of every sub-assembly, in the order of work. */
export const kitTasks = (build: DividedKit): TrayTask[] =>
  CONTRIBUTIONS.flatMap((each) => each.trayTasks?.(build) ?? []).sort(inOrderOfWork);

/** What every irreversible or closing step of a divided kit serves and prevents, what it serves first. Joints that no
 *  sub-assembly and no join makes are passed over: nothing is known of when they are made. */
export function consequencesOf(build: DividedKit, crossSteps: readonly CrossStep[] = []): Consequence[] {
  const { joinOf, trayOf } = build;
  const stepOf: StepOfJoint = ({ id, a, b }) => {
    const joinId = joinOf.get(id);
    if (joinId !== undefined) return { work: 'assemble', joinId };
    const trayId = trayOf.get(a);
    return trayId !== undefined && trayId === trayOf.get(b) ? { work: 'join', trayId } : undefined;
  };
  const rank = ({ effect }: Consequence) => (effect === 'serves' ? 0 : 1);
  return CONTRIBUTIONS.flatMap((each) => each.consequences?.(build, stepOf, crossSteps) ?? []).sort(
    (p, q) => rank(p) - rank(q),
  );
}

function joinsBefore(build: DividedKit): Record<string, GluedJoint[]> {
  const { kit, trayOf, joinOf } = build;
  const before: Record<string, GluedJoint[]> = {};
  for (const joint of kit.joints) {
    const [home, other] = [trayOf.get(joint.a), trayOf.get(joint.b)];
    for (const trayId of new Set([home, other])) if (trayId !== undefined) before[trayId] ??= [];
    if (home !== undefined && home === other && !joinOf.has(joint.id))
      before[home]!.push(gluedJoint(build, joint, 'before'));
  }
  return before;
}

function joinsAfter(build: DividedKit): Record<string, GluedJoint[]> {
  const joints = new Map(build.kit.joints.map((joint) => [joint.id, joint]));
  return Object.fromEntries(
    build.joins.map(({ id, jointIds }) => [
      id,
      jointIds.flatMap((jointId) => {
        const joint = joints.get(jointId);
        return joint ? [gluedJoint(build, joint, 'after')] : [];
      }),
    ]),
  );
}

/** What the kit, or the option that is picked, needs; where a choice is open nothing is called for on its account. */
function wantsOf({ kit: { wants, choices }, trayOf }: DividedKit): KitSummary['wants'] {
  const picked = new Set(choices.map(({ chosen }) => chosen));
  return wants
    .filter(({ optionId }) => optionId === null || picked.has(optionId))
    .map(({ id, name, leadDays, have, substitute, looks, partId = null, stepKind = null }) => ({
      id,
      name,
      leadDays,
      have,
      substitute,
      looks,
      trayId: partId === null ? null : (trayOf.get(partId) ?? null),
      stepKind,
    }));
}

const UNPAINTED: readonly Look[] = ['plating', 'clear', 'bare'];
const isPainted = ({ finishes }: DividedKit, { zones }: Part): boolean =>
  zones.some(({ finishId }) => {
    const look = finishes.get(finishId)?.look;
    return look !== undefined && !UNPAINTED.includes(look);
  });
