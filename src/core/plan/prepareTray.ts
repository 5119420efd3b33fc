import { counted } from '../kit/index.ts';
import type { TrayTask } from './contribution.ts';
import type { PlannableBuild, PlannableTray } from './plannableBuild.ts';
import { BARE_KINDS, TASKS } from './tasks.ts';
import { addInPieces, addTask, type TrayChain } from './trayChain.ts';

const CLEAN_MINUTES_PER_PART = 3;
const JOIN_MINUTES = 5;
const CEMENT_CURE_MINUTES = 12 * 60;
const WASH_DRY_MINUTES = 2 * 60;

/** Adds the work on bare plastic, in the order of the kinds of step. */
export function prepareTray(
  chain: TrayChain,
  { name, partCount }: PlannableTray,
  needless: PlannableBuild['kit']['needless'],
  joints: readonly string[] | undefined,
  tasks: readonly TrayTask[],
): void {
  if (partCount === 0) return;
  for (const kind of BARE_KINDS) {
    if (kind === 'clean') clean(chain, name, partCount, needless);
    if (kind === 'join') join(chain, name, partCount, joints);
    for (const task of tasks) {
      if (task.kind !== kind) continue;
      addTask(chain, task, name);
      if (task.waitMinutes > 0) chain.waitFor(task.waitMinutes, null, task.waitBecause);
    }
    // Wet parts can be drilled and cut, and nothing more.
    if (kind === 'open') chain.waitFor(WASH_DRY_MINUTES, null, 'washed parts must be dry');
  }
}

function clean(
  chain: TrayChain,
  name: string,
  partCount: number,
  needless: PlannableBuild['kit']['needless'],
): void {
  addInPieces(chain, Math.max(10, partCount * CLEAN_MINUTES_PER_PART), 'clean', {
    kind: 'clean',
    title: `Clean up: ${name}`,
    place: 'bench',
    family: null,
    chemistry: null,
    because: 'Gates, seams and flash show through every coat; washed plastic holds paint.',
    details: [
      `${counted(partCount, 'part')}: cut, trim, sand 400 then 1000`,
      'wash in soap and water, rinse',
      ...needless.map((work) => `not on this version, whatever the sheet says: ${work.name}`),
    ],
    hazards: [...TASKS.clean.hazards],
  });
}

function join(
  chain: TrayChain,
  name: string,
  partCount: number,
  joints: readonly string[] | undefined,
): void {
  // Without a joint map every part is taken to be joined to another.
  const jointCount = joints?.length ?? partCount - 1;
  if (jointCount < 1) return;
  addInPieces(chain, Math.max(10, jointCount * JOIN_MINUTES), 'join', {
    kind: 'join',
    title: `Join before paint: ${name}`,
    place: 'bench',
    family: null,
    chemistry: null,
    because: 'They end up the same colour and finish, so the seam can be filled once and vanish.',
    details: [
      ...(joints ?? []).slice(0, 8),
      ...((joints ?? []).length > 8 ? [`and ${joints!.length - 8} more, in the kit stage`] : []),
      'solvent cement, thin, on bare plastic; taped until it holds',
    ],
    hazards: [...TASKS.join.hazards],
  });
  chain.waitFor(CEMENT_CURE_MINUTES, null, 'cement and filler must be hard before sanding and primer');
}
