import { FLATTING_UM, layerFilm, filmPerCoat, POLISHING_UM, sumFilm, type FilmBand } from './film.ts';
import { coloursOf, seenAs } from './severalColours.ts';
import { isPainted, type StackLayer } from './stack.ts';

/** Where the film of one layer ends beside another: a ridge that the clear has to swallow. */
export interface EdgeStep {
  /** The layer whose film ends there: the last of a colour, or the decals. */
  layerId: string;
  /** The colour that stands proud; null for the carrier film of decals. */
  finishId: string | null;
  /** How far it stands proud of what is beside it, um. */
  step: FilmBand;
  /** Clear laid over it, um; none where nothing covers it. */
  clear: FilmBand;
  /** Whether that clear is flatted after it is on. */
  isFlatted: boolean;
  /** What is left of the clear on the higher side once it is flatted level, and polished, um. */
  leftUm: number;
  /** What becomes of it. */
  fate: 'open' | 'shows' | 'too-thin' | 'level';
  /** Coats of clear in all, dusted ones as they are, by which it can be flatted level; null where there is no clear. */
  coatsToLevel: number | null;
}

/** Steps below this are lost in the shine of a clear, um. */
const UNSEEN_UM = 2;

/** The steps that the colours of a body and its decals leave, in the order in which they come. The colour that goes on first
 *  leaves none: the others lie up to it, or over it, each by its own film. Paint flows over a step and keeps it: only flatting
 *  takes it out, and takes as much clear from the higher side. */
export function edgeSteps(layers: readonly StackLayer[]): EdgeStep[] {
  const colours = coloursOf(layers).flatMap((finishId) => {
    // The one that lies on all of it ends at no edge.
    if (finishId === null) return [];
    const own = layers.filter(
      (layer) => layer.finishId === finishId && isPainted(layer) && layer.kind !== 'clear',
    );
    return own.length > 0 ? [{ finishId, own }] : [];
  });
  return [
    ...colours
      .slice(1)
      .map(({ finishId, own }) =>
        stepOf(seenAs(layers, finishId), own.at(-1)!, finishId, sumFilm(own.map(layerFilm))),
      ),
    ...layers
      .filter(({ kind }) => kind === 'decal')
      .map((decal) => stepOf(layers, decal, null, layerFilm(decal))),
  ];
}

function stepOf(
  layers: readonly StackLayer[],
  last: StackLayer,
  finishId: string | null,
  step: FilmBand,
): EdgeStep {
  const above = layers.slice(layers.indexOf(last) + 1);
  const clears = above.filter(({ kind }) => kind === 'clear');
  const clear = sumFilm(clears.map(layerFilm));
  const firstClear = above.findIndex(({ kind }) => kind === 'clear');
  const isFlatted = above.some(({ kind }, at) => kind === 'flat' && firstClear >= 0 && at > firstClear);
  const spent = FLATTING_UM + POLISHING_UM;
  const leftUm = clear.usual - step.usual - spent;
  const laidCoats = clears.reduce((sum, { coats }) => sum + coats, 0);
  const perCoat = clears.length > 0 ? filmPerCoat(clears.at(-1)!).usual : 0;
  const fate =
    clears.length === 0
      ? 'open'
      : !isFlatted && step.usual > UNSEEN_UM
        ? 'shows'
        : leftUm < 0 && step.usual > UNSEEN_UM
          ? 'too-thin'
          : 'level';
  return {
    layerId: last.id,
    finishId,
    step,
    clear,
    isFlatted,
    leftUm,
    fate,
    coatsToLevel:
      perCoat > 0 ? Math.max(1, laidCoats + Math.ceil((step.usual + spent - clear.usual) / perCoat)) : null,
  };
}
