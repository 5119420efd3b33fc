import { hazardsInWords } from '../finish/index.ts';
import { ADHESIVES, counted } from '../kit/index.ts';
import type { TrayTask } from './contribution.ts';
import { epoxyMinutes, glueLines, type GluedJoint } from './gluedJoints.ts';
import type { PlannableTray } from './plannableBuild.ts';
import { BARE_KINDS, TASKS } from './tasks.ts';
import { addInPieces, addTask, type TrayChain } from './trayChain.ts';

const CLEAN_MINUTES_PER_PART = 3;
const JOIN_MINUTES = 5;
const CEMENT_CURE_MINUTES = 12 * 60;
const WASH_DRY_MINUTES = 2 * 60;
const JOINTS_NOT_KNOWN =
  'which of these are joined, and how, is not known: note their joints in the Kit stage before anything is glued';

/** Adds the work on bare plastic, in the order of the kinds of step. */
export function prepareTray(
  chain: TrayChain,
  { name, partCount, partNames }: PlannableTray,
  joints: readonly GluedJoint[] | undefined,
  tasks: readonly TrayTask[],
): void {
  if (partCount === 0) return;
  for (const kind of BARE_KINDS) {
    if (kind === 'clean') clean(chain, name, partCount, !joints && partNames.length > 1);
    if (kind === 'join' && joints) join(chain, name, joints);
    for (const task of tasks) {
      if (task.kind !== kind) continue;
      addTask(chain, task, name);
      if (task.waitMinutes > 0) chain.waitFor(task.waitMinutes, null, task.waitBecause);
    }
    // Wet parts can be drilled and cut, and nothing more.
    if (kind === 'open') chain.waitFor(WASH_DRY_MINUTES, null, 'washed parts must be dry');
  }
}

function clean(chain: TrayChain, name: string, partCount: number, isUnjoined: boolean): void {
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
      ...(isUnjoined ? [JOINTS_NOT_KNOWN] : []),
    ],
    hazards: [...TASKS.clean.hazards],
  });
}

function join(chain: TrayChain, name: string, joints: readonly GluedJoint[]): void {
  if (joints.length === 0) return;
  const adhesives = [...new Set(joints.map(({ adhesive }) => ADHESIVES[adhesive].name))];
  addInPieces(chain, Math.max(10, joints.length * JOIN_MINUTES), 'join', {
    kind: 'join',
    title: `Join before paint: ${name}`,
    place: 'bench',
    family: null,
    chemistry: null,
    because: 'They end up the same colour and finish, so the seam can be filled once and vanish.',
    details: glueLines(joints),
    hazards: hazardsInWords(...adhesives),
  });
  const wait = Math.max(CEMENT_CURE_MINUTES, epoxyMinutes(joints));
  chain.waitFor(wait, null, 'glue and filler must be hard before sanding and primer');
}
