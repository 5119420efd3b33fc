import { eq } from 'drizzle-orm';
import sharp from 'sharp';
import { newRecord, photoRecord, type Photo } from '../../core/kit/index.ts';
import type { Database } from '../database/open.ts';
import { kitItems, pictures, steps } from '../database/schema.ts';
import { drawn, PICTURE_SIZE, type Drawing } from './drawings.ts';

interface SamplePicture extends Drawing {
  id: string;
  what: string;
  of: Photo['of'];
  /** When it was taken: hours before the moment of seeding, or right after a step. */
  taken: number | string;
}

const GREY = '#8f8f8f';
const YARD = '#b9b7ae';
const hubs = (x0: number, y0: number, x1: number, y1: number): Drawing['hubs'] => [
  { x: x0, y: y0 },
  { x: x1, y: y1 },
];

const PICTURES: Readonly<Record<string, readonly SamplePicture[]>> = {
  quillon: [
    {
      id: 'real',
      what: 'The escort machine in the yard, left side',
      of: 'reference',
      taken: 410,
      subject: 'motorcycle',
      hubs: hubs(0.26, 0.66, 0.72, 0.64),
      colour: '#7a1d1f',
      ground: YARD,
      lacks: [],
    },
    {
      id: 'dry',
      what: 'Dry fit, left side',
      of: 'build',
      taken: 166,
      subject: 'motorcycle',
      hubs: hubs(0.3, 0.58, 0.68, 0.62),
      colour: '#c8c4b8',
      ground: GREY,
      lacks: ['guards', 'seat', 'lamp'],
    },
    {
      id: 'candy',
      what: 'Tank in colour, laid on',
      of: 'build',
      taken: 22,
      subject: 'motorcycle',
      hubs: hubs(0.22, 0.62, 0.7, 0.62),
      colour: '#ac5a60',
      ground: GREY,
      lacks: ['seat', 'lamp'],
      lamp: [1, 0.86, 0.62],
    },
  ],
  tolliver: [
    {
      id: 'real',
      what: 'A sister car at the bay, right side',
      of: 'reference',
      taken: 410,
      subject: 'drophead',
      hubs: hubs(0.3, 0.62, 0.74, 0.63),
      colour: '#4b9a9a',
      second: '#e5dcbf',
      ground: YARD,
      lacks: [],
    },
    {
      id: 'primer',
      what: 'Body in primer under the lamp',
      of: 'build',
      taken: 237,
      subject: 'drophead',
      hubs: hubs(0.28, 0.6, 0.7, 0.62),
      colour: '#9b9b98',
      ground: '#5f5f5f',
      lacks: ['glass', 'bright', 'wheels'],
    },
  ],
  pellam: [
    {
      id: 'real',
      what: 'The band on its truck, summer before',
      of: 'reference',
      taken: 386,
      subject: 'truck',
      hubs: hubs(0.3, 0.64, 0.7, 0.65),
      colour: '#8f2024',
      second: '#e8dfb6',
      ground: YARD,
      lacks: [],
    },
    {
      id: 'stretched',
      what: 'Frame stretched, cab laid on',
      of: 'build',
      taken: 190,
      subject: 'truck',
      hubs: hubs(0.24, 0.6, 0.72, 0.6),
      colour: '#b9bab4',
      ground: GREY,
      lacks: ['glass', 'bright', 'wheels'],
    },
  ],
  saloon: [
    {
      id: 'primer',
      what: 'Body in primer under the lamp',
      of: 'build',
      taken: 'saloon/saloon-body/primer-2',
      subject: 'saloon',
      hubs: hubs(0.3, 0.6, 0.7, 0.6),
      colour: '#9b9b98',
      ground: '#5f5f5f',
      lacks: ['glass', 'bright', 'wheels'],
    },
    {
      id: 'colour',
      what: 'Body in colour, before the clear',
      of: 'build',
      taken: 'saloon/saloon-body/colour-3',
      subject: 'saloon',
      hubs: hubs(0.28, 0.62, 0.7, 0.61),
      colour: '#a3b5a8',
      ground: GREY,
      lacks: ['glass', 'bright', 'wheels'],
    },
    {
      id: 'finished',
      what: 'Tolliver Three saloon, finished',
      of: 'build',
      taken: 'saloon/inspect',
      subject: 'saloon',
      hubs: hubs(0.27, 0.62, 0.73, 0.62),
      colour: '#a3b5a8',
      ground: GREY,
      lacks: [],
    },
  ],
};

/** Puts made-up pictures into the albums of the sample builds; `now`: milliseconds since 1970. Throws Error for a picture of a
 *  step that was not done. */
export async function seedPictures(db: Database, now: number): Promise<void> {
  const minute = Math.floor(now / 60000);
  const endOf = (operationId: string): number => {
    const [step] = db.select().from(steps).where(eq(steps.operationId, operationId)).all();
    if (!step) throw new Error(`The sample has a picture of a step that was not done: ${operationId}.`);
    return step.endedAt;
  };
  for (const [buildId, taken] of Object.entries(PICTURES))
    for (const each of taken) {
      const bytes = await sharp(Buffer.from(drawn(each)), { density: 72 })
        .resize(PICTURE_SIZE)
        .jpeg({ quality: 88 })
        .toBuffer();
      const id = `${buildId}-photo-${each.id}`;
      const pictureId = `${id}-file`;
      const ofStep = typeof each.taken === 'string' ? each.taken : null;
      const value = {
        ...newRecord(photoRecord),
        what: each.what,
        of: each.of,
        marks: [...each.hubs],
        pictureId,
        operationId: ofStep,
        at: ofStep === null ? minute - (each.taken as number) * 60 : endOf(ofStep) + 5,
      };
      db.insert(pictures).values({ id: pictureId, buildId, type: 'image/jpeg', bytes }).run();
      db.insert(kitItems).values({ kind: 'photo', id, buildId, value }).run();
    }
}
