import { counted, type KitTask, type TaskKind, type TrayTask } from '../kit/index.ts';
import type { PlannableBuild, PlannableTray } from './operation.ts';
import { addInPieces, addTask, type TrayChain } from './trayChain.ts';

const CLEAN_MINUTES_PER_PART = 3;
const JOIN_MINUTES = 5;
const CEMENT_CURE_MINUTES = 12 * 60;
const WASH_DRY_MINUTES = 2 * 60;

/** Adds the work on bare plastic, in the order in which it is done. */
export function prepareTray(
  chain: TrayChain,
  { name, partCount }: PlannableTray,
  openings: readonly KitTask[],
  needless: PlannableBuild['kit']['needless'],
  joints: readonly string[] | undefined,
  tasks: readonly TrayTask[],
): void {
  if (partCount === 0) return;
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
    hazards: ['blades', 'dust'],
  });
  const task = (kind: TaskKind) => {
    const found = tasks.find((each) => each.kind === kind);
    if (!found) return;
    addTask(chain, found, kind, name);
    if (found.waitMinutes > 0) chain.waitFor(found.waitMinutes, null, found.waitBecause);
  };
  for (const opening of openings) addTask(chain, opening, 'open', name);
  chain.waitFor(WASH_DRY_MINUTES, null, 'washed parts must be dry');
  task('straighten');
  task('true');
  join(chain, name, partCount, joints);
  task('fill');
  task('drill');
  task('dry-fit');
  task('glass');
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
    hazards: ['vapour'],
  });
  chain.waitFor(CEMENT_CURE_MINUTES, null, 'cement and filler must be hard before sanding and primer');
}
