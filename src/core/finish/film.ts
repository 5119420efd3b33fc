import { FAMILIES } from './families.ts';
import { layerArea } from './severalColours.ts';
import { isPainted, type StackLayer, type Tool } from './stack.ts';
import { settingFor, type ToolSettings } from './toolSettings.ts';

/** A length in um that is only known within limits. */
export interface FilmBand {
  low: number;
  usual: number;
  high: number;
}

/** Spray and brush lay different coats from the same paint, against the airbrush. */
const TOOL_BUILD: Readonly<Record<Tool, number>> = {
  airbrush: 1,
  can: 1.5,
  brush: 1.6,
  marker: 1,
  sponge: 1.2,
  hand: 1,
};
/** A dusted coat is about half a wet one. */
const MIST_SHARE = 0.5;
/** Film on sharp edges and raised lines against the flats: paint draws away from them. */
export const EDGE_SHARE = 0.5;
/** Edges and raised lines are cut faster than flats, since all the pressure lies on them. */
export const EDGE_WEAR = 1.5;
const DECAL_FILM: FilmBand = { low: 8, usual: 12, high: 20 };
/** What flatting and polishing take off, um. */
export const FLATTING_UM = 6;
export const POLISHING_UM = 3;

const NOTHING: FilmBand = { low: 0, usual: 0, high: 0 };

/** Dry film that one full coat of a layer leaves on flats, um. */
export function filmPerCoat(layer: StackLayer): FilmBand {
  if (!isPainted(layer)) return NOTHING;
  const { filmPerCoat: coat, laidBy } = FAMILIES[layer.product.family];
  const { low, usual, high } = coat;
  // The family's figure is that of the tool it usually comes with.
  const build = TOOL_BUILD[layer.tool] / TOOL_BUILD[laidBy];
  return { low: low * build, usual: usual * build, high: high * build };
}

/** Dry film of a whole layer on flats, um; decals add carrier film, flatting and polishing take away. */
export function layerFilm(layer: StackLayer): FilmBand {
  if (layer.kind === 'decal') return DECAL_FILM;
  if (layer.kind === 'flat') return { low: -FLATTING_UM, usual: -FLATTING_UM, high: -FLATTING_UM };
  if (layer.kind === 'polish') return { low: -POLISHING_UM, usual: -POLISHING_UM, high: -POLISHING_UM };
  const { low, usual, high } = filmPerCoat(layer);
  const mist = Math.min(layer.mistCoats ?? 0, layer.coats);
  const coats = layer.coats - mist + mist * MIST_SHARE;
  return { low: low * coats, usual: usual * coats, high: high * coats };
}

/** Share of the variance of films that one builder's hand gives all layers alike; the rest is each layer's own. */
export const SHARED_HAND = 0.4;

/** Film of several layers together, at 90 % like the layers. A heavy hand is heavy in all of them, but a bottle that
 *  builds more or a coat that ran dry is a matter of its own: half-widths add as deviations that correlate by
 *  SHARED_HAND, sqrt((1 - c) sum d^2 + c (sum d)^2). */
export function sumFilm(layers: readonly FilmBand[]): FilmBand {
  let usual = 0;
  let below = 0;
  let above = 0;
  let belowSquares = 0;
  let aboveSquares = 0;
  for (const film of layers) {
    usual += film.usual;
    below += film.usual - film.low;
    above += film.high - film.usual;
    belowSquares += (film.usual - film.low) ** 2;
    aboveSquares += (film.high - film.usual) ** 2;
  }
  const together = (sum: number, squares: number) =>
    Math.sqrt((1 - SHARED_HAND) * squares + SHARED_HAND * sum * sum);
  return {
    low: Math.min(usual, Math.max(0, usual - together(below, belowSquares))),
    usual,
    high: usual + together(above, aboveSquares),
  };
}

/** Film on edges where so much was laid on flats and so much of it taken off again, um: an edge gets about half and
 *  loses half as much again as the flats. Below zero what lies beneath is bare. */
export function edgeFilm(laid: FilmBand, removed: FilmBand): FilmBand {
  const usual = EDGE_SHARE * laid.usual - EDGE_WEAR * removed.usual;
  // Film and cut stray independently: their spans add in quadrature.
  const below = Math.hypot(EDGE_SHARE * (laid.usual - laid.low), EDGE_WEAR * (removed.high - removed.usual));
  const above = Math.hypot(EDGE_SHARE * (laid.high - laid.usual), EDGE_WEAR * (removed.usual - removed.low));
  return { low: usual - below, usual, high: usual + above };
}

/** Film on edges of layers together: those that lay, less those that take away. */
export function edgeFilmOf(films: readonly FilmBand[]): FilmBand {
  const laid = sumFilm(films.filter(({ usual }) => usual > 0));
  const removed = films
    .filter(({ usual }) => usual < 0)
    .reduce<FilmBand>(
      (sum, { low, usual, high }) => ({
        low: sum.low - high,
        usual: sum.usual - usual,
        high: sum.high - low,
      }),
      NOTHING,
    );
  return edgeFilm(laid, removed);
}

export interface PaintVolume {
  /** Paint as it comes, ml. */
  paintMl: number;
  thinnerMl: number;
}

/** Share of what leaves the tool that ends on the part. */
const TRANSFER: Readonly<Record<Tool, number>> = {
  airbrush: 0.4,
  can: 0.25,
  brush: 0.9,
  marker: 0.9,
  sponge: 0.8,
  hand: 1,
};
/** What stays in cup, bottle and tip whenever a layer is sprayed, ml. */
const CUP_LOSS_ML = 0.5;

/** Paint and thinner for a layer on a body of an area (cm2): dry film over solids over what reaches the part. `own` are the
 *  builder's tool settings. */
export function paintVolume(layer: StackLayer, areaCm2: number, own: ToolSettings = {}): PaintVolume {
  if (!isPainted(layer)) return { paintMl: 0, thinnerMl: 0 };
  const family = FAMILIES[layer.product.family];
  const dryMl = layerArea(layer, areaCm2) * layerFilm(layer).usual * 1e-4;
  const loss = layer.tool === 'airbrush' ? CUP_LOSS_ML : 0;
  const paintMl = dryMl / family.solids / TRANSFER[layer.tool] + loss;
  const { thinner } = settingFor(family.id, false, own);
  return { paintMl, thinnerMl: layer.tool === 'airbrush' ? paintMl * thinner : 0 };
}
