import { expose } from 'comlink';
import {
  photographColours,
  sampleRegion,
  type PhotographColour,
  type Pixels,
  type Region,
} from '../../core/colour/index.ts';

/** Longest side that is kept: more pixels say nothing more about a colour. */
const LONGEST_SIDE = 2000;

let pixels: Pixels | undefined;

/** Decodes a picture and keeps its pixels. Throws Error where the browser cannot read it. */
async function open(file: Blob): Promise<{ width: number; height: number }> {
  pixels = undefined;
  let picture: ImageBitmap;
  try {
    picture = await createImageBitmap(file);
  } catch {
    throw new Error(
      'This file is no picture that the browser can read. Give a JPEG, PNG or WebP; nothing was changed.',
    );
  }
  const share = Math.min(1, LONGEST_SIDE / Math.max(picture.width, picture.height));
  const width = Math.max(1, Math.round(picture.width * share));
  const height = Math.max(1, Math.round(picture.height * share));
  const canvas = new OffscreenCanvas(width, height);
  const context = canvas.getContext('2d', { willReadFrequently: true })!;
  context.drawImage(picture, 0, 0, width, height);
  pixels = { data: context.getImageData(0, 0, width, height).data, width, height };
  return { width: picture.width, height: picture.height };
}

export interface PictureQuestion {
  cards: { name: string; region: Region; reflectance: number }[];
  patches: Region[];
}

/** Colours of the patches by the cards in the same picture. */
function colours({ cards, patches }: PictureQuestion): PhotographColour[] {
  if (!pixels) throw new Error('There is no picture yet.');
  const held = pixels;
  return photographColours(
    cards.map(({ name, region, reflectance }) => ({ name, sample: sampleRegion(held, region), reflectance })),
    patches.map((region) => sampleRegion(held, region)),
  );
}

const pictureWorker = { open, colours };
export type PictureWorker = typeof pictureWorker;
expose(pictureWorker);
