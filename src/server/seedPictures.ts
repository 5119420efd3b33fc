import sharp from 'sharp';
import { newRecord, photoRecord, type Photo } from '../core/kit/index.ts';
import type { Database } from './database/open.ts';
import { kitItems, pictures } from './database/schema.ts';

interface Drawn {
  id: string;
  what: string;
  of: Photo['of'];
  partId: string | null;
  hoursAgo: number;
  /** Wheel hubs in the drawing, shares of width and height: the marks by which it is laid over another. */
  hubs: [Photo['marks'][number], Photo['marks'][number]];
  tank: string;
  ground: string;
  /** Not there yet on the model. */
  lacks: readonly ('guards' | 'seat' | 'lamp')[];
}

const SIZE = { width: 1200, height: 800 };

/** The sample motorcycle from its left, drawn between two hubs: a made-up picture of a made-up machine. */
function drawing({ hubs, tank, ground, lacks }: Drawn): string {
  const [rear, front] = hubs.map(({ x, y }) => ({ x: x * SIZE.width, y: y * SIZE.height })) as [
    { x: number; y: number },
    { x: number; y: number },
  ];
  const base = Math.hypot(front.x - rear.x, front.y - rear.y);
  const turn = (Math.atan2(front.y - rear.y, front.x - rear.x) * 180) / Math.PI;
  const has = (what: Drawn['lacks'][number], shape: string) => (lacks.includes(what) ? '' : shape);
  const wheel = (x: number) =>
    `<circle cx="${x}" r="0.21" fill="none" stroke="#1c1c1c" stroke-width="0.06"/><circle cx="${x}" r="0.17" fill="none" stroke="#b8b8b4" stroke-width="0.02"/><circle cx="${x}" r="0.04" fill="#8c8c88"/>`;
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${SIZE.width} ${SIZE.height}">
<rect width="100%" height="100%" fill="${ground}"/>
<g transform="translate(${rear.x} ${rear.y}) rotate(${turn}) scale(${base})">
${wheel(0)}${wheel(1)}
<path d="M0 0 L0.35 -0.12 L0.82 -0.42 M0.82 -0.42 L1 0 M0.35 -0.12 L0.5 0.02 L0.7 0 L0.8 -0.36" fill="none" stroke="#2b2b2b" stroke-width="0.035"/>
<rect x="0.36" y="-0.24" width="0.3" height="0.24" rx="0.03" fill="#9a9a96"/>
<path d="M0.3 -0.02 L-0.1 0.03" stroke="#c9c9c4" stroke-width="0.045"/>
<path d="M0.42 -0.46 Q0.5 -0.56 0.78 -0.46 L0.76 -0.33 L0.44 -0.34 Z" fill="${tank}"/>
${has('seat', '<path d="M0 -0.34 Q0.2 -0.42 0.42 -0.38 L0.42 -0.32 L0.02 -0.28 Z" fill="#241c18"/>')}
${has('guards', '<path d="M-0.25 -0.02 A0.26 0.26 0 0 1 0.2 -0.17 M0.78 -0.14 A0.26 0.26 0 0 1 1.24 -0.08" fill="none" stroke="#e6e0cf" stroke-width="0.035"/>')}
${has('lamp', '<circle cx="0.9" cy="-0.44" r="0.06" fill="#d8d8d2"/>')}
<path d="M0.84 -0.52 L0.7 -0.58" stroke="#2b2b2b" stroke-width="0.02"/>
</g></svg>`;
}

const QUILLON: readonly Drawn[] = [
  {
    id: 'quillon-photo-real',
    what: 'The escort machine in the yard, left side',
    of: 'reference',
    partId: null,
    hoursAgo: 400,
    hubs: [
      { x: 0.26, y: 0.66 },
      { x: 0.72, y: 0.64 },
    ],
    tank: '#7a1d1f',
    ground: '#b9b7ae',
    lacks: [],
  },
  {
    id: 'quillon-photo-dry',
    what: 'Dry fit, left side',
    of: 'build',
    partId: null,
    hoursAgo: 160,
    hubs: [
      { x: 0.3, y: 0.58 },
      { x: 0.68, y: 0.62 },
    ],
    tank: '#c8c4b8',
    ground: '#8f8f8f',
    lacks: ['guards', 'seat', 'lamp'],
  },
  {
    id: 'quillon-photo-candy',
    what: 'Tank in colour, laid on',
    of: 'build',
    partId: null,
    hoursAgo: 20,
    hubs: [
      { x: 0.22, y: 0.62 },
      { x: 0.7, y: 0.62 },
    ],
    tank: '#8d1820',
    ground: '#8f8f8f',
    lacks: ['seat', 'lamp'],
  },
];

/** Puts made-up pictures into the album of a sample build; `now`: milliseconds since 1970. */
export async function seedPictures(db: Database, now: number): Promise<void> {
  for (const each of QUILLON) {
    const bytes = await sharp(Buffer.from(drawing(each)))
      .jpeg({ quality: 88 })
      .toBuffer();
    const pictureId = `${each.id}-file`;
    const { what, of, partId, hubs: marks } = each;
    const value = {
      ...newRecord(photoRecord),
      what,
      of,
      partId,
      marks,
      pictureId,
      at: Math.floor(now / 60000) - each.hoursAgo * 60,
    };
    db.insert(pictures).values({ id: pictureId, buildId: 'quillon', type: 'image/jpeg', bytes }).run();
    db.insert(kitItems).values({ kind: 'photo', id: each.id, buildId: 'quillon', value }).run();
  }
}
