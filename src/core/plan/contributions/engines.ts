import { engineFault, facingWords, isEngineOpen, kindKey, offsetWords, partLabel } from '../../kit/index.ts';
import type { KitAdvice } from '../advice/kitAdvice.ts';
import { joinsOf, traysOf, type DividedKit, type PlanContribution } from '../contribution.ts';

/** Says which way round a part sits. */
export const FACES_RULE = 'faces';

/** Which way round a part sits, where it is tried and where it is glued. */
function sayFacings(build: DividedKit): KitAdvice[] {
  return build.kit.facings.flatMap((facing): KitAdvice[] => {
    const part = build.parts.get(facing.partId);
    if (!part || !build.version.used.has(part.id)) return [];
    const trays = traysOf(build, [part.id]);
    const offset = offsetWords(facing);
    return [
      {
        rule: FACES_RULE,
        subject: facing.id,
        severity: 'note',
        topic: 'note',
        about: { trays, parts: [part.id] },
        text: `${partLabel(part)} ${part.name}: ${facingWords(facing)}`,
        why:
          [offset, facing.note].filter((words) => words !== '').join('. ') ||
          'Glued the other way round it shows for good.',
        source: 'what you noted',
        stage: 'detail',
        page: 'facings',
        at: { trays, joins: joinsOf(build, [part.id]), kinds: ['dry-fit', 'join', 'assemble'], once: false },
      },
      ...trimOf(build, part.id, facing.trim, offset),
    ];
  });
}

/** What must be cut before the part is painted, since the cut is bare plastic. */
const trimOf = (build: DividedKit, partId: string, trim: string, offset: string): KitAdvice[] => {
  if (trim === 'nothing') return [];
  const trays = traysOf(build, [partId]);
  return [
    {
      rule: 'sits-off-its-pins',
      subject: partId,
      severity: 'warn',
      about: { trays, parts: [partId] },
      text: `Sits off its pins: ${build.parts.get(partId)!.name}`,
      why: `${offset.replace(/^./, (first) => first.toUpperCase())}.`,
      remedy: 'Do it while it is bare, try it in its place, and paint then.',
      stage: 'detail',
      page: 'facings',
      at: {
        trays,
        joins: [],
        kinds: ['clean', 'open', 'dry-fit', 'primer'],
        once: true,
        before: ['primer', 'colour', 'metal'],
      },
    },
  ];
};

/** Parts of an engine that is not decided: what is cleaned and painted now may be left over. */
function sayOpen(build: DividedKit): KitAdvice[] {
  const { kit } = build;
  if (!isEngineOpen(kit)) return [];
  const kinds = new Set(kit.engines.flatMap(({ slots }) => slots.flatMap((slot) => slot.kinds.map(kindKey))));
  const parts = kit.parts.filter(
    ({ engineKind }) => engineKind !== undefined && kinds.has(kindKey(engineKind)),
  );
  const trays = traysOf(
    build,
    parts.map(({ id }) => id),
  );
  return trays.map((tray) => ({
    rule: 'engine-open',
    subject: tray,
    severity: 'warn',
    about: {
      trays: [tray],
      parts: parts.filter(({ id }) => build.trayOf.get(id) === tray).map(({ id }) => id),
    },
    text: 'Which engine is built is not decided',
    why: `${kit.engines.map(({ name }) => name).join(', ')}: what is joined or painted for one of them may be left over.`,
    remedy: 'See which can stand at once from the parts at hand, and take one.',
    stage: 'detail',
    page: 'engines',
    at: {
      trays: [tray],
      joins: [],
      kinds: ['join', 'primer', 'colour', 'metal'],
      once: true,
      until: ['join', 'primer', 'colour', 'metal'],
    },
  }));
}

/** Engines from the parts at hand, and which way round their parts go. */
export const engines: PlanContribution = {
  id: 'engines',
  kitAdvice: (build) => [...sayFacings(build), ...sayOpen(build)],
  stillOpen: (build) =>
    build.kit.engines.filter((engine) => engineFault(engine) !== null).length +
    (isEngineOpen(build.kit) ? 1 : 0),
};
