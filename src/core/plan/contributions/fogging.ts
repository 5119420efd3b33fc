import { figure } from '../../figures.ts';
import {
  ADHESIVES,
  areaOf,
  boxGapMm,
  chooseAdhesive,
  glueJob,
  jointName,
  usedPanes,
  type AdhesiveId,
} from '../../kit/index.ts';
import { operationsOf } from '../benchSteps.ts';
import { few, joinsOf, type Ahead, type DividedKit, type FogAtJoin } from '../contribution.ts';

/** Glues whose vapour settles white. */
const BLOOMS: readonly AdhesiveId[] = ['ca-thin', 'ca-gel'];
/** So far it is found on clear plastic in still air, also through openings, mm; a working value. */
const REACH_MM = 50;

/** Joints after paint whose glue can fog a pane that it does not touch: by the places of the parts, and else where the builder said
 *  that the pane shuts one of them in. Of other panes nothing is known. */
export function fogsOf(build: DividedKit): FogAtJoin[] {
  const { kit, parts, finishes, joinOf, version } = build;
  const boxes = new Map(kit.partBoxes.map((box) => [box.partId, box]));
  const panes = usedPanes(kit).filter(({ partId }) => partId !== null);
  if (panes.length === 0) return [];
  return kit.joints.flatMap((joint): FogAtJoin[] => {
    const joinId = joinOf.get(joint.id);
    const [a, b] = [parts.get(joint.a), parts.get(joint.b)];
    if (joinId === undefined || !a || !b || !version.used.has(a.id) || !version.used.has(b.id)) return [];
    const { adhesive } = chooseAdhesive(glueJob(joint, 'after', parts, finishes));
    if (!BLOOMS.includes(adhesive)) return [];
    const glued = boxes.get((areaOf(a) <= areaOf(b) ? a : b).id);
    const near = panes.flatMap(({ partId, name, behind }) => {
      const isOwn = partId === a.id || partId === b.id;
      const box = boxes.get(partId!);
      const mm = glued && box ? boxGapMm(glued, box) : null;
      const isNear = mm === null ? behind.includes(a.id) || behind.includes(b.id) : mm <= REACH_MM;
      return isOwn || !isNear ? [] : [{ name, mm, joinIds: joinsOf(build, [partId!]) }];
    });
    return near.length === 0
      ? []
      : [
          {
            jointId: joint.id,
            joinId,
            name: jointName(joint, parts),
            adhesive: ADHESIVES[adhesive].name,
            near,
          },
        ];
  });
}

/** Glue that is opened near a pane once that is in. */
export function adviseOfFogging({ build, all, own, starts, advise }: Ahead): void {
  const startOf = (joinId: string): number | undefined => {
    const step = operationsOf(build.id, { work: 'assemble', joinId }, all)[0];
    // A step without a start is done.
    return step && (starts[step.id] ?? -Infinity);
  };
  for (const { jointId, joinId, name, adhesive, near } of build.kit.fogs) {
    const step = operationsOf(build.id, { work: 'assemble', joinId }, own)[0];
    if (!step) continue;
    const there = near.filter(({ joinIds }) =>
      joinIds.some((id) => id !== joinId && (startOf(id) ?? Infinity) < starts[step.id]!),
    );
    if (there.length === 0) continue;
    const words = there.map(
      ({ name: pane, mm }) => `${pane.toLowerCase()}${mm === null ? '' : ` (${figure(mm, 'mm', 0)} away)`}`,
    );
    advise([step], {
      rule: 'fogs-glass',
      subject: jointId,
      severity: 'warn',
      about: { joints: [jointId] },
      text: `Fogs ${few(words).join(', ')}: ${name}`,
      why: `${adhesive.replace(/^./, (first) => first.toUpperCase())} settles white on clear plastic, also through openings, and the glass is in by then.`,
      remedy:
        'Take the odourless, non-fogging kind or PVA, glue it before the glass, or blow the air through until it has set.',
      stage: 'detail',
      page: 'glass',
    });
  }
}
