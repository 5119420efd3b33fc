import type { Artwork } from '../../kit/index.ts';
import { mirroredPath } from '../views/startingOutlines.ts';
import { fittedDrawing } from './fittedDrawing.ts';
import type { ArtworkBox, Draw } from './drawing.ts';
import { label, lettering, plate, roundel, scroll } from './lettered.ts';
import { checks, stripes, warning, weave } from './patterns.ts';
import { outlineOf } from './plainShapes.ts';
import { blockShade } from './shade.ts';
import type { Typeface } from './readTypeface.ts';

/** A filled path, mm from the upper left corner of the artwork; holes run the other way round. */
export interface DrawnShape {
  d: string;
  fill: string;
}

export interface DrawnArtwork {
  shapes: DrawnShape[];
  /** What is too fine to print, in words; empty where nothing is. */
  tooFine: string[];
}

/** Below these a printer's dots show, mm. */
export const FINEST = { letter: 0.7, line: 0.1 } as const;
const INK = '#111111';

const nothing: Draw = () => ({ shapes: [] });
const DRAW: Readonly<Record<Artwork['kind'], Draw>> = {
  none: nothing,
  lettering,
  scroll,
  roundel,
  plate,
  stripes,
  checks,
  warning,
  weave,
  label,
  drawing: fittedDrawing,
  // Dots, laid on the page by themselves.
  picture: nothing,
};

/** Draws the artwork of a marking in its size. `scale`: denominator of the model's scale, to say at which one it would be
 *  coarse enough. */
export function drawArtwork(artwork: Artwork, box: ArtworkBox, font: Typeface, scale: number): DrawnArtwork {
  const ink = artwork.ink || INK;
  const { kind, ground, shade = '', shadeMm = 0 } = artwork;
  const drawing = DRAW[kind](artwork, box, font);
  const { shapes, letters, coloured = [], letterMm, lineMm, missing } = drawing;
  const isShaded = shade !== '' && letters !== undefined && shadeMm > 0;
  const all: DrawnShape[] = [
    ...(ground && kind !== 'none' && kind !== 'picture'
      ? [{ d: drawing.ground ?? outlineOf(box), fill: ground }]
      : []),
    ...coloured.map(({ d, fill }) => ({ d, fill: fill || ink })),
    ...(isShaded ? [{ d: blockShade(letters, shadeMm), fill: shade }] : []),
    ...shapes.map((d) => ({ d, fill: ink })),
  ];
  const fine = (what: string, mm: number | undefined, least: number) =>
    mm !== undefined && mm > 0 && mm < least
      ? [
          `${what} of ${mm.toFixed(2)} mm: ${least} mm is the least; at 1:${Math.floor((scale * mm) / least)} they would be`,
        ]
      : [];
  return {
    shapes: all
      .filter(({ d }) => d !== '')
      .map(({ d, fill }) => ({ d: box.mirrored ? mirroredPath(d, box.width) : d, fill })),
    tooFine: [
      ...fine('letters', letterMm, FINEST.letter),
      ...(letterMm === 0 ? ['no letters: write what it says'] : []),
      ...(missing ? [missing] : []),
      ...fine('lines', lineMm, FINEST.line),
      ...(isShaded ? fine('shades', shadeMm, FINEST.line) : []),
    ],
  };
}
