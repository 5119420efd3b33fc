import evenAddress from '@fontsource/jetbrains-mono/files/jetbrains-mono-latin-600-normal.woff?url';
import plainAddress from '@fontsource/barlow/files/barlow-latin-600-normal.woff?url';
import serifAddress from '@fontsource/libre-baskerville/files/libre-baskerville-latin-700-normal.woff?url';
import usualAddress from '@fontsource/barlow-condensed/files/barlow-condensed-latin-600-normal.woff?url';
import { PATHS, pathTo } from '../../api/index.ts';
import type { Marking } from '../../core/kit/index.ts';
import {
  readTypeface,
  type Faces,
  type KeptPicture,
  type ShippedFace,
  type Typeface,
} from '../../core/livery/index.ts';

const SHIPPED: Readonly<Record<ShippedFace, string>> = {
  signwriter: usualAddress,
  plain: plainAddress,
  even: evenAddress,
  serif: serifAddress,
};
const isShipped = (face: string): face is ShippedFace => face in SHIPPED;

/** What was fetched once is kept; what failed, or was not there, is asked for again. */
function keeping<T>(fetchIt: (key: string) => Promise<T | undefined>) {
  const known = new Map<string, Promise<T | undefined>>();
  return async (key: string): Promise<T | undefined> => {
    const now =
      known.get(key) ??
      fetchIt(key).catch((failure: unknown) => {
        known.delete(key);
        throw failure;
      });
    known.set(key, now);
    const value = await now;
    if (value === undefined) known.delete(key);
    return value;
  };
}

/** Undefined for what is not on this bench. */
async function bytesOf(address: string): Promise<Response | undefined> {
  const answer = await fetch(address);
  if (answer.status === 404) return undefined;
  if (!answer.ok) throw new Error(`${address} was not answered: ${answer.statusText || answer.status}.`);
  return answer;
}

const typeface = keeping(async (face: string): Promise<Typeface | undefined> => {
  const answer = await bytesOf(isShipped(face) ? SHIPPED[face] : pathTo(PATHS.typeface, face));
  return answer && readTypeface(await answer.arrayBuffer());
});

const picture = keeping(async (id: string): Promise<KeptPicture | undefined> => {
  const answer = await bytesOf(pathTo(PATHS.picture, id));
  if (!answer) return undefined;
  const blob = await answer.blob();
  const bitmap = await createImageBitmap(blob);
  const bytes = new Uint8Array(await blob.arrayBuffer());
  let binary = '';
  for (let at = 0; at < bytes.length; at += CHUNK)
    binary += String.fromCharCode(...bytes.subarray(at, at + CHUNK));
  return {
    type: blob.type === 'image/png' ? 'image/png' : 'image/jpeg',
    base64: btoa(binary),
    width: bitmap.width,
    height: bitmap.height,
  };
});
const CHUNK = 0x8000;

/** The signwriter's face, in which what is printed beside artwork is lettered, too. */
export const usualFace = async (): Promise<Typeface> => (await typeface('signwriter'))!;

const found = async <T>(keys: Iterable<string>, one: (key: string) => Promise<T | undefined>) =>
  new Map(
    (await Promise.all([...new Set(keys)].map(async (key) => [key, await one(key)] as const))).flatMap(
      ([key, value]) => (value === undefined ? [] : [[key, value] as const]),
    ),
  );

/** The typefaces that some markings are lettered in, as far as they are on this bench. */
export const facesOf = async (markings: readonly Marking[]): Promise<Faces> => ({
  usual: await usualFace(),
  others: await found(
    markings.flatMap(({ artwork: { face } }) => (face ? [face] : [])),
    typeface,
  ),
});

/** The pictures that some markings are printed from. */
export const picturesOf = (markings: readonly Marking[]): Promise<Map<string, KeptPicture>> =>
  found(
    markings.flatMap(({ artwork, pictureId }) =>
      artwork.kind === 'picture' && pictureId ? [pictureId] : [],
    ),
    picture,
  );
