/** A layer of a body in several colours. */
interface OfColour {
  /** Finish on whose areas it lies; absent where it lies on all of the body. */
  finishId?: string;
  /** Share of the body that those take up, 0..1; absent for all of it, or where nobody measured. */
  share?: number;
}

/** The colours of a body, in the order in which they go on; none where its layers lie on all of it. */
export const coloursOf = (layers: readonly OfColour[]): string[] => [
  ...new Set(layers.flatMap(({ finishId }) => finishId ?? [])),
];

/** What lies on the areas of one colour: its own layers, and those that all colours share. */
export const seenAs = <T extends OfColour>(layers: readonly T[], finishId: string): T[] =>
  layers.filter((layer) => layer.finishId === undefined || layer.finishId === finishId);

/** Surface that a layer covers, cm2, of a body of so much. */
export const layerArea = ({ share = 1 }: OfColour, areaCm2: number): number => share * areaCm2;
