import type { KitAdvice } from '../advice/kitAdvice.ts';
import { trayTask, type DividedKit, type PlanContribution, type TrayTask } from '../contribution.ts';
import { detailsOf, type Detail } from './detailsOf.ts';
import type { Made } from './made.ts';

/** Work that takes longer than a sitting is put down and taken up again. */
const SITTING = 90;

/** Fine work on a sub-assembly, cut into sittings. */
function tasksOn(
  kind: Detail['kind'],
  trayId: string,
  id: string,
  { minutes, title, ...made }: Made,
): TrayTask[] {
  const sittings = Math.max(1, Math.ceil(minutes / SITTING));
  return Array.from({ length: sittings }, (_, at) =>
    trayTask(kind, trayId, {
      ...made,
      id: sittings === 1 ? id : `${id}-${at + 1}`,
      title: sittings === 1 ? title : `${title} (${at + 1} of ${sittings})`,
      minutes: minutes / sittings,
    }),
  );
}

const trayTasks = ({ kit, scale, trayOf, version: { used } }: DividedKit): TrayTask[] =>
  detailsOf(kit, scale).flatMap(({ id, partId, kind, made: { answer } }): TrayTask[] => {
    const trayId = partId !== null && used.has(partId) ? trayOf.get(partId) : undefined;
    return trayId === undefined || !answer ? [] : tasksOn(kind, trayId, id, answer);
  });

/** What cannot be made as it stands, at the first step of its part. */
const wrong = ({ kit, scale, trayOf }: DividedKit): KitAdvice[] => {
  const told = new Set<string>();
  return detailsOf(kit, scale).flatMap(({ page, id, recordId, name, partId, made }): KitAdvice[] => {
    const { fault } = made;
    const trayId = partId === null ? undefined : trayOf.get(partId);
    if (fault === undefined || trayId === undefined || told.has(recordId)) return [];
    told.add(recordId);
    return [
      {
        rule: 'detail-wrong',
        subject: id,
        severity: 'warn',
        about: { trays: [trayId], parts: [partId!] },
        text: `Cannot be made as it stands: ${name}`,
        why: fault,
        remedy: 'Mend what was typed of it; until then the plan leaves it out.',
        stage: 'detail',
        page,
        at: { trays: [trayId], joins: [], kinds: ['clean', 'primer', 'colour', 'metal'], once: true },
      },
    ];
  });
};

/** Wheels that are laced, chains, what is cut in the flat, and what is thinned. */
export const fineDetail: PlanContribution = {
  id: 'fine-detail',
  trayTasks,
  kitAdvice: wrong,
  stillOpen: ({ kit, scale }) =>
    new Set(
      detailsOf(kit, scale).flatMap(({ partId, isDecided, made, recordId }) =>
        partId === null || !isDecided || made.fault !== undefined ? [recordId] : [],
      ),
    ).size,

  needs: ({ kit: { patterns }, version: { used }, material }) =>
    patterns.some(
      (pattern) => pattern.material === 'foil' && (pattern.partId === null || used.has(pattern.partId)),
    )
      ? [
          material('bare-metal-foil', 'adhesive metal foil', 'patterns in the flat', {
            substitute: 'kitchen foil with a thin adhesive',
            looks: 'it creases sooner',
          }),
        ]
      : [],
};
