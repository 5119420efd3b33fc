import type { BuildRecord, CodeRecord } from '../../api/index.ts';
import type { Conditions } from '../../core/finish/index.ts';
import {
  placeAfterPaint,
  type FilmOnFlats,
  type Kit,
  type MeasuredPlace,
  type PlaceForecast,
  type ProductIndex,
} from '../../core/kit/index.ts';
import { finishOf } from './workshop.ts';

/** A measured hole, slot or line with what paint leaves of it. */
export interface PlaceFit {
  place: MeasuredPlace;
  /** Part and place, for a list. */
  name: string;
  forecast: PlaceForecast;
}

const ORDER = { lost: 0, close: 1, stays: 2 } as const;

/** What paint leaves of every measured place of a build; the worst first. */
export function placeFits(
  build: BuildRecord,
  kit: Kit,
  products: ProductIndex,
  codes: readonly CodeRecord[],
  conditions: Conditions,
): PlaceFit[] {
  const film = new Map<string, FilmOnFlats>();
  for (const tray of build.trays) {
    const flats = finishOf(tray, build.scale, products, codes, conditions).evaluation?.filmFlat;
    if (flats) for (const { id } of tray.parts) film.set(id, flats);
  }
  const parts = new Map(kit.parts.map((part) => [part.id, part]));
  const bare: FilmOnFlats = { low: 0, usual: 0, high: 0 };
  return kit.places
    .map((place): PlaceFit => {
      const part = parts.get(place.partId);
      const through = place.matingPartId === null ? undefined : parts.get(place.matingPartId);
      return {
        place,
        name: `${part?.name ?? 'a part that is gone'}: ${place.name}${through ? `, for ${through.name}` : ''}`,
        forecast: placeAfterPaint(
          place,
          film.get(place.partId) ?? bare,
          place.matingPartId === null ? bare : (film.get(place.matingPartId) ?? bare),
        ),
      };
    })
    .sort(
      (p, q) =>
        ORDER[p.forecast.verdict] - ORDER[q.forecast.verdict] ||
        p.forecast.leftMm[1] / p.place.sizeMm - q.forecast.leftMm[1] / q.place.sizeMm,
    );
}
