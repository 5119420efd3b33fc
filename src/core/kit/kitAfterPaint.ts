import { bareClearance, fitAfterPaint, type FitForecast } from './fitAfterPaint.ts';
import { jointName } from './hardConstraints.ts';
import type { Joint, Kit, MeasuredPlace } from './kit.ts';
import { placeAfterPaint, type FilmOnFlats, type PlaceForecast } from './placesAfterPaint.ts';

/** A joint made after paint with what paint leaves of its clearance. */
export interface JointFit {
  joint: Joint;
  name: string;
  /** Usual film on the two faces, um. */
  films: [number, number];
  forecast: FitForecast;
}

/** A measured hole, slot or line with what paint leaves of it. */
export interface PlaceFit {
  place: MeasuredPlace;
  /** Part and place, for a list. */
  name: string;
  forecast: PlaceForecast;
}

export interface FitsAfterPaint {
  /** Tightest first. */
  joints: JointFit[];
  /** The worst first. */
  places: PlaceFit[];
}

const ORDER = { lost: 0, close: 1, stays: 2 } as const;
const BARE: FilmOnFlats = { low: 0, usual: 0, high: 0 };

/** What paint leaves of every joint of known clearance that is made after it, and of every measured place, from the film
 *  by part id; a part without any is bare. */
export function kitAfterPaint(
  kit: Pick<Kit, 'parts' | 'joints' | 'fits' | 'places'>,
  madeAfterPaint: ReadonlySet<string>,
  filmByPart: ReadonlyMap<string, FilmOnFlats>,
): FitsAfterPaint {
  const parts = new Map(kit.parts.map((part) => [part.id, part]));
  const filmOn = (partId: string) => filmByPart.get(partId) ?? BARE;
  const joints = kit.joints.flatMap((joint): JointFit[] => {
    const clearance = bareClearance(joint, kit.fits);
    if (!clearance || !madeAfterPaint.has(joint.id)) return [];
    const films: [number, number] = [filmOn(joint.a).usual, filmOn(joint.b).usual];
    return [{ joint, name: jointName(joint, parts), films, forecast: fitAfterPaint(clearance, films) }];
  });
  const places = kit.places.map((place): PlaceFit => {
    const { partId, matingPartId } = place;
    const through = matingPartId === null ? undefined : parts.get(matingPartId);
    return {
      place,
      name: `${parts.get(partId)?.name ?? 'a part that is gone'}: ${place.name}${through ? `, for ${through.name}` : ''}`,
      forecast: placeAfterPaint(place, filmOn(partId), matingPartId === null ? BARE : filmOn(matingPartId)),
    };
  });
  return {
    joints: joints.sort((p, q) => p.forecast.leftMm[1] - q.forecast.leftMm[1]),
    places: places.sort(
      (p, q) =>
        ORDER[p.forecast.verdict] - ORDER[q.forecast.verdict] ||
        p.forecast.leftMm[1] / p.place.sizeMm - q.forecast.leftMm[1] / q.place.sizeMm,
    ),
  };
}
