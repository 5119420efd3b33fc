import type { BuildRecord, CodeRecord } from '../../api/index.ts';
import type { Conditions } from '../../core/finish/index.ts';
import {
  bareClearance,
  fitAfterPaint,
  jointName,
  type FitForecast,
  type Joint,
  type Kit,
  type ProductIndex,
} from '../../core/kit/index.ts';
import { finishOf } from './workshop.ts';

/** A joint made after paint with what paint leaves of its clearance. */
export interface JointFit {
  joint: Joint;
  name: string;
  /** Usual film on the two faces, um. */
  films: [number, number];
  forecast: FitForecast;
}

/** How every joint that is made after paint, and whose clearance is known, will fit; tightest first. */
export function jointFits(
  build: BuildRecord,
  kit: Kit,
  products: ProductIndex,
  codes: readonly CodeRecord[],
  conditions: Conditions,
): JointFit[] {
  const film = new Map<string, number>();
  for (const tray of build.trays) {
    const usual = finishOf(tray, build.scale, products, codes, conditions).evaluation?.filmFlat.usual ?? 0;
    for (const { id } of tray.parts) film.set(id, usual);
  }
  const parts = new Map(kit.parts.map((part) => [part.id, part]));
  const late = new Set(build.joins.flatMap(({ jointIds }) => jointIds));
  return kit.joints
    .flatMap((joint): JointFit[] => {
      const clearance = bareClearance(joint, kit.fits);
      if (!clearance || !late.has(joint.id)) return [];
      const films: [number, number] = [film.get(joint.a) ?? 0, film.get(joint.b) ?? 0];
      return [{ joint, name: jointName(joint, parts), films, forecast: fitAfterPaint(clearance, films) }];
    })
    .sort((p, q) => p.forecast.leftMm[1] - q.forecast.leftMm[1]);
}
