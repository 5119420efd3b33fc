import {
  ADHESIVES,
  chooseAdhesive,
  glueJob,
  type AdhesiveId,
  type Joint,
  type JointTime,
  type KitFinish,
  type Part,
} from '../kit/index.ts';

/** A joint as the step that makes it tells of it. */
export interface GluedJoint {
  /** "rim to lens". */
  words: string;
  adhesive: AdhesiveId;
  preparation: string;
  /** Until it bears load, minutes at 20 C. */
  strongMinutes: number;
  /** A tyre goes on its rim. */
  isTyre: boolean;
}

/** A joint with the glue that its faces ask for at that time. */
export function gluedJoint(
  { parts, finishes }: { parts: ReadonlyMap<string, Part>; finishes: ReadonlyMap<string, KitFinish> },
  joint: Joint,
  when: JointTime,
): GluedJoint {
  const { adhesive, preparation, strongMinutes } = chooseAdhesive(glueJob(joint, when, parts, finishes));
  return {
    words: `${parts.get(joint.a)!.name} to ${parts.get(joint.b)!.name.toLowerCase()}`,
    adhesive,
    preparation,
    strongMinutes,
    isTyre: joint.kind === 'tyre',
  };
}

const MOST_NAMED = 8;

const sentence = (words: string): string => words.replace(/^./, (first) => first.toUpperCase());

/** The glues of a step, each with the joints that it is for and how their faces are prepared. */
export function glueLines(joints: readonly GluedJoint[]): string[] {
  const ways = new Map<string, GluedJoint[]>();
  for (const each of joints) {
    const way = `${each.adhesive} ${each.preparation}`;
    ways.set(way, [...(ways.get(way) ?? []), each]);
  }
  // Names hold commas.
  const named = (each: readonly GluedJoint[]) =>
    [
      ...each.slice(0, MOST_NAMED).map(({ words }) => words),
      ...(each.length > MOST_NAMED ? [`${each.length - MOST_NAMED} more, in the Kit stage`] : []),
    ].join('; ');
  return [...ways.values()].map((each) => {
    const { adhesive, preparation } = each[0]!;
    return `${ADHESIVES[adhesive].name}: ${named(each)}. ${sentence(preparation)}`;
  });
}

const gluesOf = (joints: readonly GluedJoint[]): ReadonlySet<string> =>
  new Set(joints.flatMap((joint) => (joint.adhesive === 'none' ? [] : [ADHESIVES[joint.adhesive].name])));

/** Whether what stands as the glue of a join is the builder's own word, and not what its joints ask for. */
export function isNoted(adhesive: string, joints: readonly GluedJoint[]): boolean {
  const glues = gluesOf(joints);
  return glues.size > 0 ? [...glues].join(', ') !== adhesive : !/^no glue/.test(adhesive);
}

/** What a join after paint is glued with, for its card: by the joints that it makes, and as it was noted where that is
 *  something else. */
export function joinLines(adhesive: string, joints: readonly GluedJoint[]): string[] {
  if (joints.length === 0) return [adhesive, 'dabs, not beads; test the fit first; gloves on'];
  const glues = gluesOf(joints);
  return [
    ...(isNoted(adhesive, joints) ? [`noted with the join: ${adhesive}`] : []),
    ...glueLines(joints),
    glues.size > 0 ? 'dabs, not beads; test the fit first; gloves on' : 'test the fit first; gloves on',
  ];
}

/** Minutes until epoxy among some joints bears load: what has only set moves under a stick or a weight; 0 without any. */
export const epoxyMinutes = (joints: readonly GluedJoint[]): number =>
  Math.max(
    0,
    ...joints.flatMap(({ adhesive, strongMinutes }) => (adhesive === 'epoxy' ? [strongMinutes] : [])),
  );
