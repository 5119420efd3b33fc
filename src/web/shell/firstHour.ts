import type { BuildRecord } from '../../api/index.ts';
import { counted } from '../../core/kit/index.ts';
import type { PlanView } from '../../core/plan/index.ts';

/** A step of the first hour with a kit. */
export interface FirstHourStep {
  id: 'parts' | 'finishes' | 'joints' | 'division' | 'stacks' | 'plan';
  title: string;
  /** Where it is done, within the build. */
  page: string;
  /** What to do there; what came of it once it is done. */
  words: string;
  done: boolean;
}

/** The way from a box to a first plan, with what of it is done. Each step stands on the one before, and none must be
 *  finished to look at the next. */
export function firstHour(
  { trays, kit }: BuildRecord,
  view: PlanView | null,
  buildId: string,
): FirstHourStep[] {
  const { pieces, unfinished, jointCount, toPaint } = kit;
  const painted = trays.filter(({ id }) => (toPaint[id] ?? 0) > 0);
  const stacked = painted.filter(({ layers }) => layers.length > 0);
  const isPlanned = view !== null && view.operations.some((step) => step.buildId === buildId);
  const has = { parts: pieces > 0, finishes: pieces > 0 && unfinished === 0, joints: jointCount > 0 };
  const isDivided = trays.length > 0;
  return [
    {
      id: 'parts',
      title: 'Parts',
      page: 'kit',
      words: has.parts ? counted(pieces, 'piece') : 'paste the list of parts, or type it in the grid',
      done: has.parts,
    },
    {
      id: 'finishes',
      title: 'Roles and finishes',
      page: 'kit/roles',
      words: has.finishes
        ? 'every part has a finish'
        : 'look at what belongs where, and take the finishes proposed',
      done: has.finishes,
    },
    {
      id: 'joints',
      title: 'Joints',
      page: 'kit/sheet',
      words: has.joints
        ? counted(jointCount, 'joint')
        : 'read the sheet in, or take the joints suggested from the parts',
      done: has.joints,
    },
    {
      id: 'division',
      title: 'Sub-assemblies',
      page: 'kit/trays',
      words: isDivided
        ? counted(trays.length, 'sub-assembly', 'sub-assemblies')
        : 'take the division proposed, or change what it pins',
      done: isDivided,
    },
    {
      id: 'stacks',
      title: 'Stacks',
      page: 'finish',
      words:
        isDivided && stacked.length === painted.length
          ? 'each begins with a stack; change its school there'
          : 'choose how each is painted',
      done: isDivided && painted.length > 0 && stacked.length === painted.length,
    },
    {
      id: 'plan',
      title: 'First plan',
      page: 'plan',
      words: isPlanned
        ? 'look at the evenings, then begin tonight'
        : 'comes by itself once there is something to do',
      done: isPlanned && isDivided && painted.length > 0 && stacked.length === painted.length,
    },
  ];
}
