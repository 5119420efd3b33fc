import sharp from 'sharp';
import { imageType } from './imageType.ts';
import { ProblemError } from './problem.ts';

/** A picture is nothing but a picture, whatever a browser makes of its bytes. */
export const PICTURE_POLICY = "sandbox; default-src 'none'";

/** Longest side that is kept, and the most pixels that are looked at, against files that swell when they are opened. */
const MOST_SIDE = 2400;
const MOST_PIXELS = 60_000_000;
const QUALITY = 88;

/** A picture drawn anew, upright, without what was hidden in its file: place, camera, and whatever trailed it. Throws
 *  ProblemError for a file that is no picture. */
export async function reencoded(bytes: Buffer): Promise<{ bytes: Buffer; type: string }> {
  const type = imageType(bytes);
  if (!type) throw noPicture('The file is neither JPEG, PNG, WebP nor GIF, whatever its name says.');
  try {
    const drawn = sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' })
      .rotate()
      .resize({ width: MOST_SIDE, height: MOST_SIDE, fit: 'inside', withoutEnlargement: true });
    // What may be see-through or drawn stays sharp; photographs stay small.
    return type === 'image/png' || type === 'image/gif'
      ? { bytes: await drawn.png().toBuffer(), type: 'image/png' }
      : { bytes: await drawn.jpeg({ quality: QUALITY }).toBuffer(), type: 'image/jpeg' };
  } catch {
    throw noPicture(
      'The file begins like a picture but cannot be opened as one: it is cut short or damaged.',
    );
  }
}

function noPicture(detail: string): ProblemError {
  return new ProblemError({
    status: 415,
    type: '/problems/no-picture',
    title: 'That is no picture',
    detail,
    remedy: 'Nothing was changed. Choose a picture, or write a link into the source.',
  });
}
