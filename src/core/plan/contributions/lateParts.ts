import { lateGlue, type LateAnswer } from '../../cabin/index.ts';
import { figure } from '../../figures.ts';
import {
  ADHESIVES,
  areaOf,
  chooseAdhesive,
  glueJob,
  mainFinish,
  surfaceOf,
  type AdhesiveId,
  type Joint,
  type Part,
} from '../../kit/index.ts';
import type { KitAdvice } from '../advice/kitAdvice.ts';
import { few, traysOf, type DividedKit } from '../contribution.ts';

/** A small part that is fixed to something finished, and how. */
export interface LatePart extends LateAnswer {
  joint: Joint;
  joinId: string;
  part: Part;
  /** What it is set on. */
  onto: Part;
  adhesive: AdhesiveId;
  /** Holes for it that paint may have closed. */
  holes: string[];
}

/** Larger is no small part any more, cm2. */
const LATE_CM2 = 8;
const BRIGHT_LOOKS: readonly string[] = ['metal', 'chrome-ink', 'plating'];

/** Small parts that are glued after paint to a finish that a slip would spoil, or that break: by area, surface and glue, whatever
 *  they are called. Tyres seat themselves, and panes have rules of their own. */
export function lateParts(build: DividedKit): LatePart[] {
  const { kit, parts, finishes, joinOf, version } = build;
  return kit.joints.flatMap((joint): LatePart[] => {
    const joinId = joinOf.get(joint.id);
    const [a, b] = [parts.get(joint.a), parts.get(joint.b)];
    if (joinId === undefined || !a || !b || !version.used.has(a.id) || !version.used.has(b.id)) return [];
    const [part, onto] = areaOf(a) <= areaOf(b) ? [a, b] : [b, a];
    const isPane = joint.kind === 'glass' || kit.panes.some(({ partId }) => partId === part.id);
    if (joint.kind === 'tyre' || isPane || areaOf(part) > LATE_CM2) return [];
    const { adhesive } = chooseAdhesive(glueJob(joint, 'after', parts, finishes));
    const onGloss = surfaceOf(onto, mainFinish(onto, finishes), 'after') === 'clear-coated';
    if (adhesive === 'none' || !(onGloss || part.fragile || part.material === 'clear')) return [];
    const look = mainFinish(part, finishes)?.look;
    return [
      {
        joint,
        joinId,
        part,
        onto,
        adhesive,
        holes: kit.places
          .filter(
            ({ partId, matingPartId, kind }) =>
              partId === onto.id && matingPartId === part.id && kind !== 'line',
          )
          .map(({ name }) => name),
        ...lateGlue({
          lengthMm: part.lengthMm,
          clear: part.material === 'clear',
          bright: look === undefined ? part.plated : BRIGHT_LOOKS.includes(look),
          fragile: part.fragile,
          adhesive,
          onGloss,
        }),
      },
    ];
  });
}

/** The glue of a late part in words: "2 dots of PVA, 0.9 mm across (0.24 mm³ in all)". */
export function dotWords({ dots, adhesive, part }: LatePart): string {
  if (!dots) return 'no glue';
  const { count, mm, ul } = dots;
  return `${count} ${count === 1 ? 'dot' : 'dots'} of ${ADHESIVES[adhesive].name}${part.count > 1 ? ' each' : ''}, ${figure(mm, 'mm', 1)} across (${figure(count * ul, 'mm³', 2)} in all)`;
}

/** "30 s" or "10 min". */
export const heldWords = (minutes: number): string =>
  minutes < 2 ? `${Math.round(60 * minutes)} s` : `${Math.round(minutes)} min`;

/** How each small part of a join is glued, held and wiped, for its card. */
export function sayLateParts(build: DividedKit): KitAdvice[] {
  const byJoin = new Map<string, LatePart[]>();
  for (const late of lateParts(build)) byJoin.set(late.joinId, [...(byJoin.get(late.joinId) ?? []), late]);
  return [...byJoin].flatMap(([joinId, all]) => {
    // What is done alike is said once.
    const ways = new Map<string, LatePart[]>();
    for (const late of all) {
      const way = `${late.adhesive} ${late.holdBy} ${dotWords(late)}`;
      ways.set(way, [...(ways.get(way) ?? []), late]);
    }
    return [...ways.values()].map((some): KitAdvice => {
      const { holdBy, heldMinutes, slip } = some[0]!;
      const holes = some.flatMap((late) => late.holes);
      return {
        rule: 'late-part',
        subject: `${joinId} ${some[0]!.part.id}`,
        severity: 'note',
        topic: 'note',
        about: {
          trays: traysOf(
            build,
            some.map(({ part }) => part.id),
          ),
          parts: some.map(({ part }) => part.id),
          joints: some.map(({ joint }) => joint.id),
        },
        text: `${few(some.map(({ part }) => part.name)).join(', ')}: ${dotWords(some[0]!)}`,
        why: `Held by ${holdBy}${heldMinutes === undefined ? '' : `; ${heldWords(heldMinutes)} until it may be let go of`}.`,
        remedy: `${holes.length > 0 ? `Open again first: ${few(holes).join(', ')}. ` : ''}If it slips: ${slip}.`,
        stage: 'detail',
        page: 'closing',
        at: { trays: [], joins: [joinId], kinds: ['assemble'], once: true },
      };
    });
  });
}
