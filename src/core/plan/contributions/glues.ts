import {
  chooseAdhesive,
  glueJob,
  isPaintedLook,
  jointName,
  mainFinish,
  type AdhesiveId,
  type Joint,
  type JointTime,
} from '../../kit/index.ts';
import { COATS, type KitAdvice } from '../advice/kitAdvice.ts';
import { few, traysOf, type DividedKit } from '../contribution.ts';

const MOST_NAMED = 4;
/** Glues that want bare faces. */
const BARE_FACES: readonly AdhesiveId[] = ['cement-thin', 'cement-gel', 'ca-gel', 'epoxy'];

/** What the joints of every step may do, by the glue that their faces ask for. */
export function glueAdvice(build: DividedKit): KitAdvice[] {
  const { kit, trayOf, joinOf, parts } = build;
  const byRisk = new Map<string, KitAdvice>();
  for (const joint of kit.joints) {
    const home = trayOf.get(joint.a);
    const join = joinOf.get(joint.id);
    const where = join ?? (home === trayOf.get(joint.b) ? home : undefined);
    if (where === undefined) continue;
    const at: KitAdvice['at'] =
      join === undefined
        ? { trays: [where], joins: [], kinds: ['join'], once: false }
        : { trays: [], joins: [where], kinds: ['assemble'], once: false };
    for (const { id, severity, what, words, remedy } of gluedRisks(
      build,
      joint,
      join === undefined ? 'before' : 'after',
    )) {
      const key = `${id} ${where}`;
      const name = jointName(joint, parts);
      const known = byRisk.get(key);
      if (known) {
        known.about!.joints!.push(joint.id);
        if (known.about!.joints!.length <= MOST_NAMED) known.text += `; ${name}`;
        continue;
      }
      byRisk.set(key, {
        rule: id,
        subject: where,
        severity,
        about: { trays: traysOf(build, [joint.a, joint.b]), joints: [joint.id] },
        text: `${what.replace(/^./, (first) => first.toUpperCase())}: ${name}`,
        why: words,
        remedy,
        stage: 'kit',
        page: 'joints',
        at,
      });
    }
  }
  return [...byRisk.values()];
}

/** What could go wrong with a joint, its glue and its motion. */
function gluedRisks({ parts, finishes }: DividedKit, joint: Joint, when: JointTime) {
  const { adhesive, name, risks } = chooseAdhesive(glueJob(joint, when, parts, finishes));
  const moves = joint.motion !== 'none' && joint.motion !== 'comes-off';
  return [
    ...risks.flatMap(({ severity, ...risk }) =>
      severity === 'caution' ? [] : [{ ...risk, id: `glue-${risk.id}`, severity, what: name }],
    ),
    ...(moves && adhesive !== 'none'
      ? [
          {
            id: 'glued-solid',
            severity: 'stop' as const,
            what: 'Glued solid',
            words: `It is to move (${joint.motion}), and the joint is noted as one that is glued.`,
            remedy: 'Note it as a press fit, clip, screw or hinge; glue only what holds the pin.',
          },
        ]
      : []),
    ...(joint.motion === 'comes-off' && adhesive !== 'none'
      ? [
          {
            id: 'glued-shut',
            severity: 'warn' as const,
            what: 'Glued shut',
            words: 'It is to come off again, and the joint is noted as one that is glued.',
            remedy: 'Note it as a press fit, clip or screw, or leave the glue away.',
          },
        ]
      : []),
  ];
}

/** The faces of each sub-assembly that glue must reach after paint: to be masked, or scraped bare. */
export function facesToKeepBare(build: DividedKit): KitAdvice[] {
  const { kit, parts, finishes, trayOf, joinOf } = build;
  const faces = new Map<string, { joints: string[]; names: string[] }>();
  for (const joint of kit.joints) {
    if (!joinOf.has(joint.id)) continue;
    const { adhesive } = chooseAdhesive(glueJob(joint, 'after', parts, finishes));
    if (!BARE_FACES.includes(adhesive)) continue;
    for (const [partId, other] of [
      [joint.a, joint.b],
      [joint.b, joint.a],
    ] as const) {
      const part = parts.get(partId);
      const trayId = trayOf.get(partId);
      const isCoated = part && isPaintedLook(mainFinish(part, finishes)?.look ?? 'bare');
      if (!isCoated || trayId === undefined) continue;
      const of = faces.get(trayId) ?? { joints: [], names: [] };
      of.joints.push(joint.id);
      of.names.push(`${part.name.toLowerCase()} where ${parts.get(other)?.name.toLowerCase() ?? 'it'} goes`);
      faces.set(trayId, of);
    }
  }
  return [...faces].map(([trayId, { joints: ids, names }]) => ({
    rule: 'leave-bare',
    subject: trayId,
    severity: 'note',
    topic: 'bare',
    about: { trays: [trayId], joints: ids },
    text: `Leave bare: ${few(names).join('; ')}`,
    why: 'Glue on paint holds no better than the paint does.',
    remedy:
      'A dab of masking fluid or a strip of tape before the first coat, or scrape the spots bare afterwards.',
    stage: 'kit',
    page: 'joints',
    at: { trays: [trayId], joins: [], kinds: COATS, once: true, before: COATS },
  }));
}
