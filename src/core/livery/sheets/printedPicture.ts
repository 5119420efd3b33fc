import type { PageImage } from '../../formats/index.ts';
import type { Marking, Printing } from '../../kit/index.ts';

/** A picture as it is kept, with its size in dots. */
export interface KeptPicture extends Pick<PageImage, 'type' | 'base64'> {
  width: number;
  height: number;
}

/** From here dots no longer show, to the inch. */
export const LEAST_DPI = 300;
export const MM_PER_INCH = 25.4;
/** Dots to the inch where so many lie on so many mm. */
export const dotsPerInch = (dots: number, mm: number): number => (MM_PER_INCH * dots) / mm;

/** Where something lies on a page, mm. */
export interface Place {
  x: number;
  y: number;
  turned: boolean;
}

/** What to know of a picture before it is printed; nothing where the artwork is none, null where it is not here. */
export const notesOnPicture = (
  { width, height, route }: Marking,
  picture: KeptPicture | null | undefined,
  { whitePlate }: Printing,
): string[] => {
  if (picture === undefined) return [];
  if (picture === null) return ['its picture is not here: open it again'];
  const across = dotsPerInch(picture.width, width);
  const along = dotsPerInch(picture.height, height);
  const dpi = Math.min(across, along);
  return [
    ...(whitePlate && route !== 'paper' && picture.type === 'image/png'
      ? ['white is laid under all of its picture, what may be see-through in it as well']
      : []),
    ...(dpi < LEAST_DPI
      ? [
          `its picture has ${Math.round(dpi)} dots to the inch at this size: below ${LEAST_DPI} they show; take a larger one, or a drawing`,
        ]
      : []),
    ...(Math.abs(across / along - 1) > 0.03
      ? ['its picture is stretched: width and height do not go together as they do in the file']
      : []),
  ];
};

/** A picture on the page: mirrored where the marking is, or goes on from behind, and turned where it lies on its side. */
export function placedPicture(
  { type, base64 }: KeptPicture,
  { width, height, mirrored, behind }: Marking,
  { x, y, turned }: Place,
): PageImage {
  const flip = mirrored !== behind;
  const [a, e] = flip ? [-width, width] : [width, 0];
  // A quarter turn takes (u, v) to (height - v, u).
  return {
    type,
    base64,
    matrix: turned ? [0, a, -height, 0, height + x, e + y] : [a, 0, 0, height, e + x, y],
  };
}
