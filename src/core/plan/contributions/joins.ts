import { ADHESIVES, type AdhesiveId } from '../../kit/index.ts';
import type { Ahead, PlanContribution } from '../contribution.ts';
import { shutIn, shutOff, warnOfClosures } from './closures.ts';

const CEMENT = /cement/i;
/** The mirror of the cabin hangs behind the screen; one on a door or wing does not care for glass. */
const MIRROR =
  /(rear.?view|interior|inside|inner|cabin).*mirror|mirror.*(interior|inside|inner|cabin|rear.?view)/i;
const SCREEN = /windscreen|windshield|front (glass|screen|window)/i;

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
  consequences: (build, stepOf) => [...shutOff(build, stepOf), ...shutIn(build, stepOf)],

  needs({ adhesives, isInStock, material }) {
    const byAdhesive = new Map<AdhesiveId, string[]>();
    for (const { adhesive, joint } of adhesives) {
      if (adhesive !== 'none') byAdhesive.set(adhesive, [...(byAdhesive.get(adhesive) ?? []), joint]);
    }
    return [...byAdhesive].map(([adhesive, joints]) => {
      const other = ADHESIVE_SUBSTITUTES[adhesive];
      return material(
        adhesive,
        ADHESIVES[adhesive].name,
        `${joints.length} ${joints.length === 1 ? 'joint' : 'joints'}, ${joints[0]!}${joints.length > 1 ? ' among them' : ''}`,
        other && isInStock(other.instead)
          ? { substitute: ADHESIVES[other.instead].name, looks: other.looks }
          : undefined,
      );
    });
  },

  lookAhead(ahead) {
    warnOfJoins(ahead);
    warnOfClosures(ahead);
  },
};

/** Cement on paint, tyres on fresh paint, and mirrors that come after the glass. */
function warnOfJoins({ build, own, startOf, warn }: Ahead): void {
  for (const join of build.joins) {
    const step = own.find(({ id }) => id === `${build.id}/join/${join.id}`);
    if (!step) continue;
    const painted = build.trays.filter(({ id, painted: covered }) => covered && join.trayIds.includes(id));
    if (CEMENT.test(join.adhesive) && painted.length > 0) {
      warn(step, {
        id: `cement ${join.id}`,
        title: `Cement on a painted face: ${join.name}`,
        reason: `Solvent cement does not bond paint; ${painted.map(({ name }) => name).join(' and ')} ${painted.length > 1 ? 'are' : 'is'} painted by then.`,
        remedy: 'Mask the joint faces before primer, scrape them bare, or take cyanoacrylate or epoxy.',
        stage: 'kit',
      });
    }
    const tyres = build.trays.filter(({ id, tyre }) => tyre && join.trayIds.includes(id));
    const rims = build.trays.filter(
      ({ id, tyre, painted: covered }) => !tyre && covered && join.trayIds.includes(id),
    );
    if (tyres.length > 0 && rims.length > 0) {
      warn(step, {
        id: `tyre ${join.id}`,
        title: `Tyre on fresh paint: ${join.name}`,
        reason:
          'A vinyl tyre pressed on soft paint or chrome ink marks it, and its plasticiser eats bare rims in time.',
        remedy: 'Let the rims cure fully; a ring of water-based clear between rim and tyre keeps them apart.',
        stage: 'finish',
      });
    }
    if (SCREEN.test(join.name)) {
      const mirror = own.find(
        ({ kind, title }) => kind === 'assemble' && MIRROR.test(title) && !SCREEN.test(title),
      );
      if (mirror && startOf(mirror) > startOf(step)) {
        warn(mirror, {
          id: `mirror ${join.id}`,
          title: 'Mirror after glass',
          reason: `“${mirror.title}” comes after “${step.title}”: where its base sits under the glass it can no longer go in.`,
          remedy: 'Put the mirror join before the glass in the Kit stage, unless it stands outside.',
          stage: 'kit',
        });
      }
    }
  }
}
