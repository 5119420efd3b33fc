import type { Photo } from '../../core/kit/index.ts';

/** What is drawn: a made-up machine from its side. */
export type Subject = 'motorcycle' | 'saloon' | 'drophead' | 'truck';
/** What is not there yet on a model. */
export type Lacking = 'guards' | 'seat' | 'lamp' | 'glass' | 'bright' | 'wheels';

/** A made-up picture of a made-up machine, laid between its two hubs. */
export interface Drawing {
  subject: Subject;
  /** Wheel hubs in the drawing, shares of width and height: the marks by which it is laid over another. */
  hubs: readonly [Photo['marks'][number], Photo['marks'][number]];
  colour: string;
  /** Where there are two colours. */
  second?: string;
  ground: string;
  lacks: readonly Lacking[];
  /** A grey card lies beside it, in a lamp of this colour: how much of red, green and blue the light holds, 0..1. */
  lamp?: readonly [number, number, number];
}

export const PICTURE_SIZE = { width: 1200, height: 800 };

type Has = (what: Lacking, shape: string) => string;

const wheel = (x: number, radius: number): string => {
  const tyre = 0.28 * radius;
  return `<circle cx="${x}" r="${radius}" fill="none" stroke="#1c1c1c" stroke-width="${tyre}"/><circle cx="${x}" r="${0.8 * radius}" fill="none" stroke="#b8b8b4" stroke-width="${0.1 * radius}"/><circle cx="${x}" r="${0.2 * radius}" fill="#8c8c88"/>`;
};

function motorcycle({ colour }: Drawing, has: Has): string {
  return `${wheel(0, 0.21)}${wheel(1, 0.21)}
<path d="M0 0 L0.35 -0.12 L0.82 -0.42 M0.82 -0.42 L1 0 M0.35 -0.12 L0.5 0.02 L0.7 0 L0.8 -0.36" fill="none" stroke="#2b2b2b" stroke-width="0.035"/>
<rect x="0.36" y="-0.24" width="0.3" height="0.24" rx="0.03" fill="#9a9a96"/>
<path d="M0.3 -0.02 L-0.1 0.03" stroke="#c9c9c4" stroke-width="0.045"/>
<path d="M0.42 -0.46 Q0.5 -0.56 0.78 -0.46 L0.76 -0.33 L0.44 -0.34 Z" fill="${colour}"/>
${has('seat', '<path d="M0 -0.34 Q0.2 -0.42 0.42 -0.38 L0.42 -0.32 L0.02 -0.28 Z" fill="#241c18"/>')}
${has('guards', '<path d="M-0.25 -0.02 A0.26 0.26 0 0 1 0.2 -0.17 M0.78 -0.14 A0.26 0.26 0 0 1 1.24 -0.08" fill="none" stroke="#e6e0cf" stroke-width="0.035"/>')}
${has('lamp', '<circle cx="0.9" cy="-0.44" r="0.06" fill="#d8d8d2"/>')}
<path d="M0.84 -0.52 L0.7 -0.58" stroke="#2b2b2b" stroke-width="0.02"/>`;
}

const SILL =
  'L1.3 0.03 L1.16 0.03 A0.16 0.16 0 0 0 0.84 0.03 L0.16 0.03 A0.16 0.16 0 0 0 -0.16 0.03 L-0.36 0.03 Z';
const CAR_BODIES = {
  saloon: `M-0.36 0.03 L-0.41 -0.14 Q-0.4 -0.3 -0.2 -0.33 L0.02 -0.36 Q0.12 -0.55 0.3 -0.57 L0.5 -0.57 Q0.62 -0.55 0.72 -0.36 L1.1 -0.31 Q1.3 -0.28 1.31 -0.1 ${SILL}`,
  drophead: `M-0.36 0.03 L-0.44 -0.16 Q-0.42 -0.3 -0.2 -0.32 L0.06 -0.35 L0.64 -0.35 L1.12 -0.31 Q1.3 -0.28 1.32 -0.1 ${SILL}`,
};

function car(drawing: Drawing, has: Has): string {
  const { colour, second } = drawing;
  const isOpen = drawing.subject === 'drophead';
  const flank = second ? `<path d="M-0.43 -0.13 Q0.4 -0.2 1.31 -0.12 ${SILL}" fill="${second}"/>` : '';
  const glass = isOpen
    ? '<path d="M0.66 -0.35 L0.56 -0.52" stroke="#cdd6d8" stroke-width="0.025"/><path d="M0.1 -0.35 Q0.22 -0.43 0.34 -0.35 Z" fill="#6d2424"/>'
    : '<path d="M0.09 -0.36 Q0.16 -0.51 0.3 -0.52 L0.38 -0.52 L0.38 -0.36 Z M0.41 -0.36 L0.41 -0.52 L0.5 -0.52 Q0.58 -0.5 0.66 -0.36 Z" fill="#c6d0d2"/>';
  return `<path d="${CAR_BODIES[isOpen ? 'drophead' : 'saloon']}" fill="${colour}"/>${flank}
${has('glass', glass)}
<path d="M0.7 -0.33 L0.68 0.03 M0.4 -0.35 L0.4 0.03" stroke="#0003" stroke-width="0.008"/>
${has('bright', '<path d="M-0.46 -0.06 L-0.34 -0.03 M1.24 -0.02 L1.37 -0.05" stroke="#dcdcd6" stroke-width="0.045"/><circle cx="1.25" cy="-0.22" r="0.045" fill="#e4e4de"/>')}
${has('wheels', wheel(0, 0.13) + wheel(1, 0.13))}`;
}

function truck({ colour, second }: Drawing, has: Has): string {
  return `<rect x="-0.42" y="-0.1" width="1.6" height="0.05" fill="#26262a"/>
<path d="M0.72 -0.05 L0.72 -0.56 Q0.73 -0.62 0.8 -0.62 L0.98 -0.6 L1.04 -0.34 L1.24 -0.29 L1.27 -0.05 L1.16 -0.03 A0.16 0.16 0 0 0 0.84 -0.03 Z" fill="${colour}"/>
<rect x="0.73" y="-0.2" width="0.1" height="0.14" fill="${second ?? colour}"/>
${has('glass', '<path d="M0.77 -0.36 L0.77 -0.54 L0.92 -0.54 L0.97 -0.36 Z" fill="#c6d0d2"/>')}
<rect x="-0.46" y="-0.18" width="1.14" height="0.05" fill="#8a6a44"/>
${has('bright', '<path d="M-0.44 -0.18 L-0.44 -0.4 L0.66 -0.4 L0.66 -0.18 M-0.07 -0.4 L-0.07 -0.18 M0.3 -0.4 L0.3 -0.18" fill="none" stroke="#d9d9d2" stroke-width="0.018"/>')}
${has('wheels', wheel(0, 0.14) + wheel(1, 0.14))}`;
}

const SHAPES: Record<Subject, (drawing: Drawing, has: Has) => string> = {
  motorcycle,
  saloon: car,
  drophead: car,
  truck,
};

/** Reflects 18 %. */
const GREY_CARD = '<rect x="70" y="620" width="170" height="120" fill="#767676"/>';

/** Light falls on everything in a picture; a filter works in linear light, as light does. */
const lampFilter = (lamp: Drawing['lamp']): string =>
  lamp
    ? `<filter id="lamp" x="0" y="0" width="1" height="1"><feColorMatrix values="${lamp[0]} 0 0 0 0 0 ${lamp[1]} 0 0 0 0 0 ${lamp[2]} 0 0 0 0 0 1 0"/></filter>`
    : '';

/** The drawing as SVG, `PICTURE_SIZE` large. */
export function drawn(drawing: Drawing): string {
  const { width, height } = PICTURE_SIZE;
  const [rear, front] = drawing.hubs.map(({ x, y }) => ({ x: x * width, y: y * height })) as [
    { x: number; y: number },
    { x: number; y: number },
  ];
  const base = Math.hypot(front.x - rear.x, front.y - rear.y);
  const turn = (Math.atan2(front.y - rear.y, front.x - rear.x) * 180) / Math.PI;
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}">
${lampFilter(drawing.lamp)}<g${drawing.lamp ? ' filter="url(#lamp)"' : ''}>
<rect width="100%" height="100%" fill="${drawing.ground}"/>
${drawing.lamp ? GREY_CARD : ''}<g transform="translate(${rear.x} ${rear.y}) rotate(${turn}) scale(${base})">
${SHAPES[drawing.subject](drawing, (what, shape) => (drawing.lacks.includes(what) ? '' : shape))}
</g></g></svg>`;
}
