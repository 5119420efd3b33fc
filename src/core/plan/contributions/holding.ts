import { isPaintedLook, mainFinish } from '../../kit/index.ts';
import { COATS, type KitAdvice } from '../advice/kitAdvice.ts';
import { few, trayTask, type DividedKit, type PlanContribution } from '../contribution.ts';

type Tray = DividedKit['trays'][number];

/** A part shorter than this does not cover the mark of a clip, mm. */
const CLIP_MM = 10;
const TOUCH = { start: 4, each: 4 };

const holdingsOf = ({ kit }: DividedKit, { partIds }: Tray) =>
  kit.holdings.filter(({ partId }) => partIds.includes(partId));

const isPainted = (build: DividedKit, tray: Tray): boolean =>
  build.partsIn(tray).some((part) => isPaintedLook(mainFinish(part, build.finishes)?.look ?? 'bare'));

/** Faces that a later join hides: a clip there leaves no mark that is seen. */
function hiddenFaces({ kit, parts, joinOf }: DividedKit, { partIds }: Tray): string[] {
  return kit.joints.flatMap(({ id, a, b, seam }) => {
    if (!joinOf.has(id) || seam !== 'hidden' || partIds.includes(a) === partIds.includes(b)) return [];
    const [own, other] = partIds.includes(a) ? [a, b] : [b, a];
    const cover = parts.get(other)?.lengthMm ?? CLIP_MM;
    if (cover < CLIP_MM) return [];
    return [`${parts.get(own)?.name.toLowerCase()}, towards ${parts.get(other)?.name.toLowerCase()}`];
  });
}

function sayWhereItIsHeld(build: DividedKit, tray: Tray): KitAdvice[] {
  const held = holdingsOf(build, tray);
  const said = {
    subject: tray.id,
    severity: 'note' as const,
    topic: 'note' as const,
    about: { trays: [tray.id] },
    stage: 'kit' as const,
    page: 'trays',
  };
  if (held.length === 0) {
    if (!isPainted(build, tray)) return [];
    const hidden = hiddenFaces(build, tray);
    return [
      {
        ...said,
        rule: 'nowhere-to-hold',
        text: 'Not said where it is held',
        why: 'The clip, stick or pin touches wet paint unless its place is chosen before the first coat.',
        remedy:
          hidden.length > 0
            ? `Faces that are hidden later: ${few(hidden).join('; ')}.`
            : 'No joint is known that would hide it: choose a face that is looked at least, and note it.',
        at: { trays: [tray.id], joins: [], kinds: COATS, once: true, before: COATS },
      },
    ];
  }
  return held.map(({ id, partId, where, shows }) => ({
    ...said,
    rule: 'held-at',
    subject: id,
    about: { trays: [tray.id], parts: [partId] },
    text: `Hold it: ${where} (${build.parts.get(partId)?.name.toLowerCase() ?? 'a part that is gone'})`,
    why:
      shows === 'shows'
        ? 'The mark will be seen; touching it in is planned after the last coat.'
        : shows === 'hidden'
          ? 'The mark is hidden on the finished model.'
          : 'Whether the mark will be seen is not known.',
    source: 'your holding point',
    at: { trays: [tray.id], joins: [], kinds: COATS, once: false },
  }));
}

/** Where each sub-assembly is held while it is painted, and what the clip leaves behind. */
export const holding: PlanContribution = {
  id: 'holding',

  trayTasks: (build) =>
    build.trays.flatMap((tray) => {
      const seen = holdingsOf(build, tray).filter(({ shows }) => shows === 'shows');
      return seen.length === 0 || !isPainted(build, tray)
        ? []
        : [
            trayTask('touch-hold', tray.id, {
              title: 'Touch in where it was held',
              minutes: TOUCH.start + TOUCH.each * seen.length,
              because: 'Paint never gets under the clip, and there it will be seen.',
              details: [
                ...few(seen.map(({ where }) => where)),
                'the paint of the last coat, with a fine brush, from the cup or lid',
              ],
            }),
          ];
    }),

  kitAdvice: (build) => build.trays.flatMap((tray) => sayWhereItIsHeld(build, tray)),
};
