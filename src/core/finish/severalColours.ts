import type { LayerKind } from './layerKinds.ts';

/** A layer of a body in several colours. */
interface OfColour {
  kind: LayerKind;
  /** Finish on whose areas it lies; absent where it lies on all of the body. */
  finishId?: string;
  /** Share of the body that those take up, 0..1; absent for all of it, or where nobody measured. */
  share?: number;
}

/** The colours of a body, in the order in which they go on; none where its layers lie on all of it. Where one lies on all
 *  of it and others are picked out over it, what these leave free is a colour too: null, and the first. */
export function coloursOf(layers: readonly OfColour[]): (string | null)[] {
  const own = [...new Set(layers.flatMap(({ finishId }) => finishId ?? []))];
  const isShared = layers.some(
    ({ kind, finishId }) => finishId === undefined && (kind === 'colour' || kind === 'metal'),
  );
  return own.length > 0 && isShared ? [null, ...own] : own;
}

/** What lies on the areas of one colour: its own layers, and those that all colours share; on what is not picked out (null)
 *  these alone. */
export const seenAs = <T extends OfColour>(layers: readonly T[], finishId: string | null): T[] =>
  layers.filter((layer) => layer.finishId === undefined || layer.finishId === finishId);

/** Surface that a layer covers, cm2, of a body of so much. */
export const layerArea = ({ share = 1 }: Pick<OfColour, 'share'>, areaCm2: number): number => share * areaCm2;
