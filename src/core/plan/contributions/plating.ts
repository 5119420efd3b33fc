import { chooseAdhesive, glueJob, mainFinish, type Joint, type Part } from '../../kit/index.ts';
import type { KitAdvice } from '../advice/kitAdvice.ts';
import { few, joinsOf, type DividedKit, type PlanContribution } from '../contribution.ts';

/** What shows on a part and could be sanded away, were it not plated. */
const SCARS: readonly Part['needs'][number][] = ['seam', 'gates', 'flash'];
const SCAR_WORDS: Partial<Record<Part['needs'][number], string>> = {
  seam: 'its seam',
  gates: 'the scars of its gates',
  flash: 'its flash',
};

/** Parts whose plating stays, by their sub-assembly; of one that no stack is known of, by its finish. */
function keptPlating({ trays, partsIn, finishes, kit }: DividedKit): { trayId: string; part: Part }[] {
  const bright = new Map(kit.brightwork.map(({ partId, route }) => [partId, route]));
  return trays.flatMap((tray) => {
    const isStripped = tray.layers?.some(({ kind }) => kind === 'strip') === true;
    if (isStripped) return [];
    return partsIn(tray).flatMap((part) => {
      const look = mainFinish(part, finishes)?.look;
      const route = bright.get(part.id) ?? null;
      const stays =
        (look === undefined || look === 'plating') && (route === null || route === 'keep-plating');
      return part.plated && stays ? [{ trayId: tray.id, part }] : [];
    });
  });
}

/** Where the plating is scraped off a seat, since the glue that the joint asks for holds on plastic only. */
function seats(build: DividedKit, { trayId, part }: { trayId: string; part: Part }): KitAdvice[] {
  const { kit, parts, finishes, joinOf } = build;
  const glued = kit.joints.filter((joint: Joint) => {
    if (joint.a !== part.id && joint.b !== part.id) return false;
    const when = joinOf.has(joint.id) ? 'after' : 'before';
    return chooseAdhesive(glueJob(joint, when, parts, finishes)).scrapes;
  });
  if (glued.length === 0) return [];
  const others = glued.map(({ a, b }) => parts.get(a === part.id ? b : a)?.name.toLowerCase() ?? 'its place');
  return [
    {
      rule: 'scrape-seats',
      subject: part.id,
      severity: 'note',
      topic: 'bare',
      about: { trays: [trayId], parts: [part.id], joints: glued.map(({ id }) => id) },
      text: `Scrape the seats of ${part.name.toLowerCase()}: where it meets ${few(others).join(', ')}`,
      why: 'Cement does not bite on plating, and glue on it holds no better than the plating does.',
      remedy: 'Only as wide as the seat, with the back of a blade, before the part is fitted.',
      stage: 'kit',
      page: 'joints',
      at: { trays: [trayId], joins: [], kinds: ['clean', 'dry-fit', 'join'], once: true },
    },
  ];
}

/** A scar that must stay under the plating is turned to where nobody looks. */
function seams(build: DividedKit, { trayId, part }: { trayId: string; part: Part }): KitAdvice[] {
  const scars = part.needs.filter((need) => SCARS.includes(need));
  if (scars.length === 0) return [];
  const words = scars.map((need) => SCAR_WORDS[need]!).join(' and ');
  return [
    {
      rule: 'turn-seam-away',
      subject: part.id,
      severity: 'note',
      topic: 'note',
      about: { trays: [trayId], parts: [part.id] },
      text: `Turn ${words} away: ${part.name.toLowerCase()}`,
      why: 'Sanding goes through the plating, and what is sanded shows more than the scar.',
      remedy:
        'What is round is turned so that it faces down or inward; what cannot be turned is stripped and made bright another way.',
      stage: 'finish',
      page: 'brightwork',
      at: {
        trays: [trayId],
        joins: joinsOf(build, [part.id]),
        kinds: ['dry-fit', 'join', 'assemble'],
        once: false,
      },
    },
  ];
}

/** Plating that stays: seats that are scraped for the glue, and scars that are turned out of sight. */
export const plating: PlanContribution = {
  id: 'plating',
  kitAdvice: (build) => {
    const kept = keptPlating(build);
    return [...kept.flatMap((each) => seats(build, each)), ...kept.flatMap((each) => seams(build, each))];
  },
};
