import { bareClearance, isPaintedLook, jointName, mainFinish, type Joint } from '../../kit/index.ts';
import { few, trayTask, type DividedKit, type KitFits, type PlanContribution } from '../contribution.ts';
import { kitGaps } from './gaps.ts';
import { adviseOfFilm, fitAdvice } from './fitAdvice.ts';

const FIT = { start: 3, each: 3 };
/** Gap, mm, below which film can make a joint bind. */
const CLOSE_FIT = 0.3;
/** What a pin needs to slip through a hole, mm. */
const SLIP_MM = 0.05;

/** Fits that are tried bare, and again after paint. */
function fitTasks(tray: DividedKit['trays'][number], { kit, parts, finishes, joinOf }: DividedKit) {
  const ids = new Set(tray.partIds);
  const name = (id: string) => parts.get(id)?.name ?? id;
  const jointWords = ({ a, b }: Joint) => `${name(a)} to ${name(b).toLowerCase()}`;
  const close = kit.joints.filter(
    ({ id, a, b, kind, motion, locating, clearanceMm }) =>
      joinOf.has(id) &&
      (ids.has(a) || ids.has(b)) &&
      (motion !== 'none' ||
        kind === 'press' ||
        locating === 'none' ||
        (clearanceMm !== null && clearanceMm < CLOSE_FIT)),
  );
  const places = kit.places.filter(({ partId, throughMm }) => throughMm !== null && ids.has(partId));
  const placeWords = (place: (typeof places)[number]) => `${place.name} of ${name(place.partId)}`;
  const untried = close.filter(({ id }) => !kit.fits.some(({ jointId }) => jointId === id));
  // A hole that was measured wide enough need not be tried before paint.
  const unsure = places.filter(({ sizeMm, throughMm }) => sizeMm - throughMm! < SLIP_MM);
  const bare = [...untried.map(jointWords), ...unsure.map(placeWords)];
  const fits = [...close.map(jointWords), ...places.map(placeWords)];
  // Film on either of two faces is enough.
  const met = [
    ...ids,
    ...close.flatMap(({ a, b }) => [a, b]),
    ...places.flatMap(({ matingPartId }) => matingPartId ?? []),
  ];
  const isPainted = met.some((id) => {
    const part = parts.get(id);
    return part !== undefined && isPaintedLook(mainFinish(part, finishes)?.look ?? 'bare');
  });
  const minutes = (count: number) => FIT.start + FIT.each * count;
  return [
    ...(bare.length > 0
      ? [
          trayTask('dry-fit', tray.id, {
            title: 'Dry fit, bare',
            minutes: minutes(bare.length),
            because: 'What moves, encloses or aligns is tried bare: every coat thickens both faces.',
            details: [...few(bare), 'tape it together; write down how it fits in the Kit stage'],
          }),
        ]
      : []),
    ...(fits.length > 0 && isPainted
      ? [
          trayTask('refit', tray.id, {
            title: 'Fit again after paint',
            minutes: minutes(fits.length),
            because:
              'Paint has thickened the faces; what binds is scraped now, while it can still be reached.',
            details: [...few(fits), 'no glue yet; the fits sheet says what should be left'],
          }),
        ]
      : []),
  ];
}

/** Joints and places whose room is known. */
export function kitFits(build: DividedKit): KitFits {
  const { kit, parts, trayOf, joinOf } = build;
  return {
    gaps: kitGaps(build),
    joints: kit.joints.flatMap((joint): KitFits['joints'] => {
      const clearanceMm = bareClearance(joint, kit.fits);
      const joinId = joinOf.get(joint.id);
      if (!clearanceMm || joinId === undefined) return [];
      const trayIds = [joint.a, joint.b].flatMap((id) => trayOf.get(id) ?? []);
      const last = kit.fits.findLast(({ jointId, stage }) => jointId === joint.id && stage === 'bare');
      const tried = last && `${last.feel}${last.done ? `, ${last.done}` : ''}`;
      return [{ jointId: joint.id, joinId, name: jointName(joint, parts), clearanceMm, tried, trayIds }];
    }),
    places: kit.places.flatMap((place): KitFits['places'] => {
      const trayId = trayOf.get(place.partId);
      const part = parts.get(place.partId);
      if (trayId === undefined || !part) return [];
      const matingTrayId = place.matingPartId === null ? null : (trayOf.get(place.matingPartId) ?? null);
      return [{ place, name: `${place.name} of ${part.name.toLowerCase()}`, trayId, matingTrayId }];
    }),
  };
}

/** What must fit, bare and after paint. */
export const fits: PlanContribution = {
  id: 'fits',
  trayTasks: (build) => build.trays.flatMap((tray) => fitTasks(tray, build)),
  kitAdvice: fitAdvice,
  advice: adviseOfFilm,
};
