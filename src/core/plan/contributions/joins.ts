import { ADHESIVES, jointName, rolesOf, type AdhesiveId, type Joint } from '../../kit/index.ts';
import { COATS } from '../advice/kitAdvice.ts';
import type { Consequence } from '../benchStep.ts';
import type { Ahead, DividedKit, PlanContribution, StepOfJoint } from '../contribution.ts';
import { isNoted } from '../gluedJoints.ts';
import type { PlanOperation } from '../operation.ts';
import { adviseOfClosures, shutIn, shutOff } from './closures.ts';
import { facesToKeepBare, glueAdvice } from './glues.ts';

/** Glues as builders write them. */
const CEMENT = /cement|solvent|poly(styrene)? glue|plastic (glue|weld)|liquid glue/i;
const NO_SOLVENT = /(no|non|without).{0,2}solvent|solvent.?(free|less)/i;
const CYANO = /cyano|super ?glue|instant (glue|adhesive)|\bCA\b|crazy glue/i;
const NO_BLOOM = /odou?r|non.?fog|low.?bloom|no bloom/i;
const SCREENS = ['windscreen'];

const ADHESIVE_SUBSTITUTES: Partial<Record<AdhesiveId, { instead: AdhesiveId; looks: string }>> = {
  'cement-gel': { instead: 'cement-thin', looks: 'none, but less time to align' },
  'cement-thin': { instead: 'cement-gel', looks: 'a thicker bead to sand' },
  'ca-clear': { instead: 'pva', looks: 'none, but it holds less and takes a night' },
  'ca-thin': { instead: 'ca-gel', looks: 'a rim of glue shows beside thin metal' },
  'ca-gel': { instead: 'epoxy', looks: 'none, but an hour to hold it' },
  epoxy: { instead: 'ca-gel', looks: 'none, but it breaks under load' },
  pva: { instead: 'ca-clear', looks: 'a spill on gloss stays' },
};

/** Joints and joins: what they are glued with, and what each shuts off or in. */
export const joins: PlanContribution = {
  id: 'joins',
  kitAdvice: (build) => [...glueAdvice(build), ...facesToKeepBare(build)],
  consequences: (build, stepOf) => [
    ...shutOff(build, stepOf),
    ...shutIn(build, stepOf),
    ...mirrorBeforeScreen(build, stepOf),
  ],

  needs({ adhesives, isInStock, material }) {
    const byAdhesive = new Map<AdhesiveId, string[]>();
    for (const { adhesive, joint } of adhesives) {
      if (adhesive !== 'none') byAdhesive.set(adhesive, [...(byAdhesive.get(adhesive) ?? []), joint]);
    }
    return [...byAdhesive].map(([adhesive, joints]) => {
      return material(
        adhesive,
        ADHESIVES[adhesive].name,
        `${joints.length} ${joints.length === 1 ? 'joint' : 'joints'}, ${joints[0]!}${joints.length > 1 ? ' among them' : ''}`,
        insteadOf(adhesive, isInStock),
      );
    });
  },

  advice(ahead) {
    adviseOfJoins(ahead);
    adviseOfClosures(ahead);
    adviseOfStock(ahead);
  },
};

/** What would do instead of a glue that is not there, where that is. */
function insteadOf(adhesive: AdhesiveId, isInStock: (kind: string) => boolean) {
  const other = ADHESIVE_SUBSTITUTES[adhesive];
  return other && isInStock(other.instead)
    ? { substitute: ADHESIVES[other.instead].name, looks: other.looks }
    : undefined;
}

/** Glues that a step asks for and the stock does not hold, each at the first step that it keeps waiting. Where nobody wrote
 *  down any glue, nothing is known of them. */
function adviseOfStock({ build, own, advise }: Ahead): void {
  const glues = build.materials.filter(({ kind }) => Object.hasOwn(ADHESIVES, kind));
  if (glues.length === 0) return;
  const isInStock = (kind: string) => glues.some((glue) => glue.kind === kind && glue.have);
  const { joinsBefore, joinsAfter } = build.kit;
  const afterOf = new Map(build.joins.map(({ id }) => [`${build.id}/join/${id}`, joinsAfter[id]]));
  const said = new Set<AdhesiveId>();
  for (const step of own) {
    const joints = step.kind === 'join' ? joinsBefore[step.trayId ?? ''] : afterOf.get(step.id);
    for (const { adhesive, words } of joints ?? []) {
      if (adhesive === 'none' || isInStock(adhesive) || said.has(adhesive)) continue;
      said.add(adhesive);
      const days = glues.find(({ kind }) => kind === adhesive)?.leadDays;
      const instead = insteadOf(adhesive, isInStock);
      advise([step], {
        rule: 'glue-not-in-stock',
        subject: adhesive,
        severity: 'warn',
        text: `Not in stock: ${ADHESIVES[adhesive].name}`,
        why: `${words} is the first that asks for it.${days ? ` It takes ${days} days to come.` : ''}`,
        remedy: instead
          ? `Order it now, or take ${instead.substitute} (${instead.looks}).`
          : 'Order it now; nothing in stock would do instead.',
        stage: 'kit',
        page: 'needs',
      });
    }
  }
}

/** What a builder noted as the glue of a join, where it does harm; and when a tyre may go on. */
function adviseOfJoins({ build, own, startOf, advise }: Ahead): void {
  for (const join of build.joins) {
    const step = own.find(({ id }) => id === `${build.id}/join/${join.id}`);
    if (!step) continue;
    const joined = build.trays.filter(({ id }) => join.trayIds.includes(id));
    const said = {
      subject: join.id,
      about: { trays: [...join.trayIds] },
      stage: 'kit' as const,
      page: 'trays',
    };
    // What the joints ask for is right for their faces.
    const noted = isNoted(join.adhesive, build.kit.joinsAfter[join.id] ?? []) ? join.adhesive : '';
    const isCement = CEMENT.test(noted) && !NO_SOLVENT.test(noted);
    const covered = joined.filter(({ painted }) => painted);
    if (isCement && covered.length > 0) {
      advise([step], {
        ...said,
        rule: 'cement-on-paint',
        severity: 'warn',
        text: `Cement on a painted face: ${join.name}`,
        why: `Solvent cement does not bond paint; ${covered.map(({ name }) => name).join(' and ')} ${covered.length > 1 ? 'are' : 'is'} painted by then.`,
        remedy: 'Mask the joint faces before primer, scrape them bare, or take cyanoacrylate or epoxy.',
      });
    }
    const clear = joined.find((tray) => tray.clear);
    if (isCement && clear) {
      advise([step], {
        ...said,
        rule: 'cement-on-clear',
        severity: 'stop',
        text: `Cement beside clear parts: ${join.name}`,
        why: `Solvent runs under clear plastic and crazes it for good; ${clear.name} holds clear parts.`,
        remedy: 'Take PVA or canopy glue, or odourless cyanoacrylate.',
      });
    }
    const bloom = joined.flatMap((tray) => tray.bloom ?? [])[0];
    if (CYANO.test(noted) && !NO_BLOOM.test(noted) && bloom !== undefined) {
      advise([step], {
        ...said,
        rule: 'glue-fogs',
        severity: 'warn',
        text: `Fumes leave a bloom: ${join.name}`,
        why: `Ordinary cyanoacrylate leaves a white bloom on ${bloom} close by.`,
        remedy: 'Take the odourless, non-fogging kind or PVA; else fan the air away for an hour.',
      });
    }
    adviseOfTyre(join, joined, step, startOf(step), own, advise);
  }
}

/** The plan keeps a tyre off paint until that has cured through; its card says so. */
function adviseOfTyre(
  join: Ahead['build']['joins'][number],
  joined: Ahead['build']['trays'],
  step: PlanOperation,
  start: number,
  own: Ahead['own'],
  advise: Ahead['advise'],
): void {
  const rims = joined.filter(({ tyre, painted }) => !tyre && painted);
  if (rims.length === 0 || !joined.some(({ tyre }) => tyre)) return;
  // Where no coat is still to come, it has waited already.
  const coated = own.some(
    ({ trayId, kind, id }) => rims.some((rim) => rim.id === trayId) && COATS.includes(kind) && id !== step.id,
  );
  if (!coated || !Number.isFinite(start)) return;
  advise([step], {
    rule: 'tyre-after-cure',
    subject: join.id,
    severity: 'note',
    topic: 'decided',
    about: { trays: [...join.trayIds] },
    text: `On only once ${rims.map(({ name }) => name.toLowerCase()).join(' and ')} has cured right through`,
    why: 'What is pressed on soft paint or chrome ink marks it, and the plasticiser of vinyl eats bare rims in time.',
    remedy: 'A ring of water-based clear between the two keeps them apart.',
    settledBy: 'the plan waits for the full cure',
    stage: 'plan',
  });
}

/** A mirror that hangs behind the screen goes in before it, wherever the two are kept. */
function mirrorBeforeScreen({ kit, parts }: DividedKit, stepOf: StepOfJoint): Consequence[] {
  const roles = new Map(rolesOf(kit).map((role) => [role.partId, role.thing]));
  const holds = (joint: Joint, things: readonly string[]) =>
    things.includes(roles.get(joint.a) ?? '') || things.includes(roles.get(joint.b) ?? '');
  const mirrors = kit.joints.filter((joint) => holds(joint, ['inside-mirror']));
  const screens = kit.joints.filter((joint) => holds(joint, SCREENS) && !holds(joint, ['inside-mirror']));
  return mirrors.flatMap((mirror) =>
    screens.flatMap((screen): Consequence[] => {
      const [step, other] = [stepOf(screen), stepOf(mirror)];
      if (step?.work !== 'assemble' || other?.work !== 'assemble' || step.joinId === other.joinId) return [];
      return [
        {
          id: `${screen.id} prevents ${mirror.id}`,
          step,
          effect: 'prevents',
          other,
          because: `${jointName(mirror, parts)} is made behind the screen, and can no longer be reached once that is in`,
        },
      ];
    }),
  );
}
