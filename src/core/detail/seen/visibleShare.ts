import { seededRandom } from '../../seededRandom.ts';
import { facesTowards, type Face, type Vector } from './facesTowards.ts';

/** x forward, y left, z up; mm. A panel lies across one of them. */
export type Axis = 'x' | 'y' | 'z';

/** A rectangle in a panel: u and v are the two axes that the panel lies along, in the order x, y, z. */
export interface Hole {
  from: readonly [number, number];
  to: readonly [number, number];
  /** How much light it lets through, 0..1: 1 for an opening, less for tinted glass. */
  clear: number;
}

/** An opaque rectangle with holes: a side of a shell, a floor, a lid. */
export interface Panel {
  axis: Axis;
  at: number;
  from: readonly [number, number];
  to: readonly [number, number];
  holes: readonly Hole[];
}

/** A part as an opaque box. */
export interface SeenPart {
  id: string;
  min: Vector;
  max: Vector;
}

export interface Viewer {
  at: Vector;
  /** All of them add up to 1. */
  weight: number;
}

export interface SeenScene {
  panels: readonly Panel[];
  parts: readonly SeenPart[];
  viewers: readonly Viewer[];
}

export interface SeenShare {
  id: string;
  /** 0..1. */
  share: number;
  /** One standard deviation. */
  error: number;
}

const AXES: readonly Axis[] = ['x', 'y', 'z'];
/** Work in all, however many rays are asked for. */
const MOST_RAYS = 2_000_000;
const LEAST_RAYS = 16;
/** A part's own surface, and what touches it, does not hide it. */
const TOUCHING = 1e-7;

/** How much of each part is seen: over the viewers the weighted mean of the solid angle of the part from which light reaches
 *  the eye, divided by its solid angle were nothing else there. `rays`: for each part, shared among the viewers by weight.
 *  `only`: of these parts alone, the others are there to hide them.
 *  Directions are drawn evenly over the solid angle of the faces that a viewer could see, one in each cell of a grid.
 *  Throws RangeError for a box inside out, a viewer inside a part, weights that do not add up to 1. */
export function visibleShare(
  scene: SeenScene,
  { rays, seed, only }: { rays: number; seed: number; only?: ReadonlySet<string> },
): { parts: SeenShare[] } {
  requireSound(scene, rays);
  const random = seededRandom(seed);
  const each = Math.min(rays, MOST_RAYS / Math.max(1, scene.parts.length));
  const wanted = only ? scene.parts.filter(({ id }) => only.has(id)) : scene.parts;
  const parts = wanted.map((part): SeenShare => {
    let [share, variance] = [0, 0];
    for (const { at: eye, weight } of scene.viewers) {
      if (weight === 0) continue;
      const count = Math.max(LEAST_RAYS, Math.round(each * weight));
      const seen = seenFrom(eye, part, scene, count, random);
      share += weight * seen.mean;
      variance += weight * weight * seen.variance;
    }
    return { id: part.id, share, error: Math.sqrt(variance) };
  });
  return { parts };
}

function requireSound({ panels, parts, viewers }: SeenScene, rays: number): void {
  if (!(rays > 0)) throw new RangeError(`Give a number of rays above zero, not ${rays}.`);
  const sum = viewers.reduce((all, { weight }) => all + weight, 0);
  if (!(Math.abs(sum - 1) < 1e-6) || viewers.some(({ weight }) => !(weight >= 0)))
    throw new RangeError(
      `The weights of the viewers add up to ${sum}: they must be 0 or more, and 1 together.`,
    );
  for (const { id, min, max } of parts) {
    if (![0, 1, 2].every((axis) => max[axis]! > min[axis]!))
      throw new RangeError(
        `The box of ${id} has no inside: each of its greater corner must lie beyond the lesser.`,
      );
    viewers.forEach(({ at }, place) => {
      if ([0, 1, 2].every((axis) => at[axis]! > min[axis]! && at[axis]! < max[axis]!))
        throw new RangeError(`Viewer ${place + 1} stands inside ${id}.`);
    });
  }
  for (const { holes } of panels)
    for (const { clear } of holes)
      if (!(clear >= 0 && clear <= 1))
        throw new RangeError(`A hole lets ${clear} of the light through: give 0 to 1.`);
}

/** What of one part reaches one eye. */
function seenFrom(eye: Vector, part: SeenPart, scene: SeenScene, count: number, random: () => number) {
  const faces = facesTowards(eye, part);
  const whole = faces.reduce((sum, { solidAngle }) => sum + solidAngle, 0);
  if (whole <= 0) return { mean: 0, variance: 0 };
  const boxes = scene.parts.filter((other) => other !== part && mayHide(other, eye, part));
  const panels = scene.panels.filter((panel) => mayCross(panel, eye, part)).map(placedPanel);
  let [mean, variance] = [0, 0];
  for (const face of faces) {
    const weight = face.solidAngle / whole;
    const of = overFace(face, Math.max(4, Math.round(count * weight)), random, (point) =>
      lightFrom(point, eye, boxes, panels),
    );
    mean += weight * of.mean;
    variance += weight * weight * of.variance;
  }
  return { mean, variance };
}

/** The mean of what is let through over one face, a direction in each cell of a grid. Its variance is that of directions
 *  drawn at will: a grid does better. */
function overFace(face: Face, count: number, random: () => number, light: (point: Vector) => number) {
  const [across, down] = [
    Math.max(2, Math.round(Math.sqrt(count))),
    Math.max(2, Math.round(Math.sqrt(count))),
  ];
  const number = across * down;
  let [sum, squares] = [0, 0];
  for (let p = 0; p < across; p++)
    for (let q = 0; q < down; q++) {
      const through = light(face.pointAt((p + random()) / across, (q + random()) / down));
      sum += through;
      squares += through * through;
    }
  const mean = sum / number;
  // One more half seen and one more half hidden: where all agree the doubt is small, and not none.
  const spread = Math.max(squares / number - mean * mean, mean * (1 - mean) === 0 ? 0.25 / number : 0);
  return { mean, variance: spread / number };
}

/** How much of the light from a point reaches the eye. */
function lightFrom(
  point: Vector,
  eye: Vector,
  boxes: readonly SeenPart[],
  panels: readonly PlacedPanel[],
): number {
  for (const box of boxes) if (isHidden(point, eye, box)) return 0;
  let through = 1;
  for (const panel of panels) {
    through *= letThrough(point, eye, panel);
    if (through === 0) return 0;
  }
  return through;
}

/** Whether a box lies between a point and the eye. */
function isHidden(point: Vector, eye: Vector, { min, max }: SeenPart): boolean {
  let [near, far] = [TOUCHING, 1 - TOUCHING];
  for (let axis = 0; axis < 3; axis++) {
    const [from, along] = [point[axis]!, eye[axis]! - point[axis]!];
    if (Math.abs(along) < 1e-12) {
      if (from <= min[axis]! || from >= max[axis]!) return false;
      continue;
    }
    const [p, q] = [(min[axis]! - from) / along, (max[axis]! - from) / along];
    near = Math.max(near, Math.min(p, q));
    far = Math.min(far, Math.max(p, q));
    if (near >= far) return false;
  }
  return true;
}

/** What a panel lets through between a point and the eye: 1 where it does not lie between them. */
function letThrough(point: Vector, eye: Vector, { at, from, to, holes, across, along }: PlacedPanel): number {
  const [p, q] = [point[across]! - at, eye[across]! - at];
  if (p * q >= 0) return 1;
  const t = p / (p - q);
  const u = point[along[0]]! + t * (eye[along[0]]! - point[along[0]]!);
  const v = point[along[1]]! + t * (eye[along[1]]! - point[along[1]]!);
  if (!isIn(u, v, from, to)) return 1;
  let most = 0;
  for (const hole of holes) if (hole.clear > most && isIn(u, v, hole.from, hole.to)) most = hole.clear;
  return most;
}

type Corner = readonly [number, number];
const isIn = (u: number, v: number, low: Corner, high: Corner): boolean =>
  u >= low[0] && u <= high[0] && v >= low[1] && v <= high[1];

/** A panel with its axes by number: the one that it lies across, and the two that it lies along. */
interface PlacedPanel extends Panel {
  across: number;
  along: readonly [number, number];
}
const ALONG: Readonly<Record<Axis, readonly [number, number]>> = { x: [1, 2], y: [0, 2], z: [0, 1] };
const placedPanel = (panel: Panel): PlacedPanel => ({
  ...panel,
  across: AXES.indexOf(panel.axis),
  along: ALONG[panel.axis],
});

/** Whether a box reaches into the space between the eye and a part. */
const mayHide = ({ min, max }: SeenPart, eye: Vector, part: SeenPart): boolean =>
  [0, 1, 2].every(
    (axis) =>
      max[axis]! > Math.min(eye[axis]!, part.min[axis]!) &&
      min[axis]! < Math.max(eye[axis]!, part.max[axis]!),
  );

const mayCross = ({ axis, at }: Panel, eye: Vector, part: SeenPart): boolean => {
  const across = AXES.indexOf(axis);
  return at > Math.min(eye[across]!, part.min[across]!) && at < Math.max(eye[across]!, part.max[across]!);
};
