import sharp, { type Metadata } from 'sharp';
import type { KeptPictureRecord } from '../api/index.ts';
import { imageType } from './imageType.ts';
import { ProblemError } from './problem.ts';

/** Longest side that is kept, and the most pixels that are looked at, against files that swell when they are opened. */
const MOST_SIDE = 2400;
const MOST_PIXELS = 60_000_000;
const QUALITY = 88;
/** What files say that were never given a size. */
const SAYS_NOTHING_DPI = 96;

/** A picture drawn anew, upright, without what was hidden in its file: place, camera, and whatever trailed it. Throws
 *  ProblemError for a file that is no picture. */
export async function reencoded(
  bytes: Buffer,
): Promise<{ bytes: Buffer; type: string } & Omit<KeptPictureRecord, 'id'>> {
  const type = imageType(bytes);
  if (!type) throw noPicture('The file is neither JPEG, PNG, WebP nor GIF, whatever its name says.');
  try {
    const drawn = sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' })
      .rotate()
      .resize({ width: MOST_SIDE, height: MOST_SIDE, fit: 'inside', withoutEnlargement: true });
    const { density } = await sharp(bytes, { limitInputPixels: MOST_PIXELS }).metadata();
    // What may be see-through or drawn stays sharp; photographs stay small.
    const isDrawn = type === 'image/png' || type === 'image/gif';
    const { data, info } = await (isDrawn ? drawn.png() : drawn.jpeg({ quality: QUALITY })).toBuffer({
      resolveWithObject: true,
    });
    return {
      bytes: data,
      type: isDrawn ? 'image/png' : 'image/jpeg',
      width: info.width,
      height: info.height,
      dpi: density && density > SAYS_NOTHING_DPI ? density : null,
    };
  } catch {
    throw noPicture(
      'The file begins like a picture but cannot be opened as one: it is cut short or damaged.',
    );
  }
}

/** A picture that Fanfare has kept before, as it is; any other drawn anew. Throws ProblemError for a file that is no
 *  picture. */
export async function asKept(bytes: Buffer): Promise<{ bytes: Buffer; type: string }> {
  if (imageType(bytes) === 'image/jpeg') {
    const known: Partial<Metadata> = await sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' })
      .metadata()
      .catch(() => ({}));
    const hides = known.exif ?? known.icc ?? known.iptc ?? known.xmp ?? known.comments ?? known.orientation;
    const isSmall = Math.max(known.width ?? Infinity, known.height ?? Infinity) <= MOST_SIDE;
    // Without what hides a smaller picture, the first mark of an end is the end: nothing trails it.
    const endsOnce = bytes.indexOf(Buffer.from([0xff, 0xd9])) === bytes.length - 2;
    if (hides === undefined && isSmall && endsOnce && (await opens(bytes)))
      return { bytes, type: 'image/jpeg' };
  }
  return reencoded(bytes);
}

/** Longest side of a picture among others. */
const SMALL_SIDE = 360;

/** Longest side of a picture in a book: half a page at 300 dots per inch. */
const PRINT_SIDE = 1200;

/** A copy of a picture that was kept, for print. */
export const printCopy = (bytes: Buffer): Promise<Buffer> => jpegOf(bytes, PRINT_SIDE);

/** A small copy of a picture that was kept. */
export const smallCopy = (bytes: Buffer): Promise<Buffer> => jpegOf(bytes, SMALL_SIDE);

const jpegOf = (bytes: Buffer, side: number): Promise<Buffer> =>
  sharp(bytes, { limitInputPixels: MOST_PIXELS })
    .resize({ width: side, height: side, fit: 'inside', withoutEnlargement: true })
    .flatten({ background: '#ffffff' })
    .jpeg({ quality: QUALITY })
    .toBuffer();

const opens = (bytes: Buffer): Promise<boolean> =>
  sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' })
    .stats()
    .then(
      () => true,
      () => false,
    );

function noPicture(detail: string): ProblemError {
  return new ProblemError({
    status: 415,
    type: '/problems/no-picture',
    title: 'That is no picture',
    detail,
    remedy: 'Nothing was changed. Choose a picture, or write a link into the source.',
  });
}
