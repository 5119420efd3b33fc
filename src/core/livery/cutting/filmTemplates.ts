import {
  areaOf,
  grown,
  regionOf,
  ringsOf,
  separate,
  together,
  without,
  type Region,
} from '../geometry/region.ts';
import { boxAround, type Point, type Ring } from '../geometry/readOutline.ts';

/** How film is to lie on an area. */
export interface FilmLay {
  /** How far it reaches past the area, to be turned under or trimmed, mm. */
  marginMm: number;
  /** The weave against the length of the view, degrees clockwise. */
  weaveDeg: number;
  /** The other side of the model gets one as well, mirrored. */
  bothSides: boolean;
  /** The surface curves both ways: straight edges are slit, too. */
  doubleCurve: boolean;
}

/** A piece of patterned film to be cut out, mm from its own upper left corner. */
export interface FilmTemplate {
  id: string;
  isMirrored: boolean;
  /** To be cut: the edge with its darts first, then holes. */
  rings: Point[][];
  /** Cuts from the margin inward that take nothing out. */
  slits: Point[][];
  /** The edge of the area itself, to lay it by. */
  fold: Point[][];
  /** An arrow along the weave. */
  arrow: Point[][];
  width: number;
  height: number;
  /** Film that it takes, darts and all, cm2. */
  cm2: number;
}

/** Along an edge a cut every so many mm. */
const EVERY_MM = 6;
/** Over this length the turn of an edge is looked at, mm. */
const SPAN_MM = 3;
/** A turn below this lies down by itself, radians. */
const LIES = 0.09;
/** Cuts end so far from the area itself, so that they are not seen, mm. */
const SHY_MM = 0.3;
const LEAST_MM2 = 1;
/** A turn sharper than this is a corner, radians. */
const CORNER = Math.PI / 6;
/** Length of the arrow against the smaller side of the piece. */
const ARROW_SHARE = 0.4;

/** Templates for what is seen of an area: its margin, with darts where it turns outward, since film has too much there, and
 *  slits where it turns inward, since it has too little. What lies under other colours or beside the model is not covered.
 *  Throws RangeError for a margin that is not from 0 up. */
export function filmTemplates(seen: readonly Ring[], lay: FilmLay): FilmTemplate[] {
  if (!(lay.marginMm >= 0))
    throw new RangeError(`A margin of ${lay.marginMm} mm cannot be cut: give 0 or more.`);
  const pieces = separate(regionOf(seen)).filter((piece) => areaOf(piece) > LEAST_MM2);
  return pieces.flatMap((piece, at) => {
    const one = templateOf(piece, lay, `${at + 1}`);
    return lay.bothSides ? [one, mirrored(one)] : [one];
  });
}

function templateOf(piece: Region, { marginMm, weaveDeg, doubleCurve }: FilmLay, id: string): FilmTemplate {
  const fold = ringsOf(piece);
  const wide = grown(piece, marginMm);
  const cuts = fold.flatMap((ring) => cutsAlong(ring, marginMm, doubleCurve));
  const darts = cuts.flatMap((cut) => (cut.kind === 'dart' ? [regionOf([cut.points])] : []));
  const shape = without(wide, together(darts));
  const rings = ringsOf(shape);
  const { x, y, width, height } = boxAround(rings)!;
  const home = ([px, py]: Point): Point => [px - x, py - y];
  const middle: Point = [width / 2, height / 2];
  return {
    id,
    isMirrored: false,
    rings: rings.map((ring) => ring.map(home)),
    slits: cuts.flatMap((cut) => (cut.kind === 'slit' ? [cut.points.map(home)] : [])),
    fold: fold.map((ring) => ring.map(home)),
    arrow: arrowAt(middle, weaveDeg, ARROW_SHARE * Math.min(width, height)),
    width,
    height,
    cm2: areaOf(shape) / 100,
  };
}

interface MarginCut {
  kind: 'dart' | 'slit';
  points: Point[];
}

/** Cuts through the margin of one ring; a ring turns by a whole round, outward where the margin lies on its left. */
function cutsAlong(ring: Ring, marginMm: number, doubleCurve: boolean): MarginCut[] {
  const walk = along(ring);
  if (marginMm <= SHY_MM || walk.length < 2 * EVERY_MM) return [];
  return placesOfCuts(ring, walk.length).flatMap(({ way, isCorner }): MarginCut[] => {
    const [before, here, after] = [-SPAN_MM, 0, SPAN_MM].map((by) => walk.at(way + by)) as [
      Point,
      Point,
      Point,
    ];
    const [first, second] = [direction(before, here), direction(here, after)];
    const seen = Math.atan2(Math.sin(second - first), Math.cos(second - first));
    // Along a curve each cut answers for all of its turn up to the next one.
    const turn = isCorner ? seen : seen * (EVERY_MM / SPAN_MM);
    const ahead = Math.atan2(Math.sin(first) + Math.sin(second), Math.cos(first) + Math.cos(second));
    // Clipping gives edges with what they enclose on their right as y points down, and holes the other way round.
    const outward = ahead - Math.PI / 2;
    const out = (mm: number, aside = 0): Point => [
      here[0] + mm * Math.cos(outward) + aside * Math.cos(ahead),
      here[1] + mm * Math.sin(outward) + aside * Math.sin(ahead),
    ];
    if (turn > LIES) {
      // At the margin the edge is longer by the turn times its width: that much is taken out.
      const half = marginMm * Math.tan(Math.min(turn, Math.PI / 2) / 2);
      const reach = 2 * marginMm;
      return [{ kind: 'dart', points: [out(SHY_MM), out(reach, 2 * half), out(reach, -2 * half)] }];
    }
    return turn < -LIES || doubleCurve ? [{ kind: 'slit', points: [out(SHY_MM), out(marginMm)] }] : [];
  });
}

/** Ways along a ring at which it is looked at: each of its corners, and between them evenly. */
function placesOfCuts(ring: Ring, length: number): { way: number; isCorner: boolean }[] {
  const corners: number[] = [];
  let gone = 0;
  ring.forEach((here, at) => {
    const before = ring[(at + ring.length - 1) % ring.length]!;
    const after = ring[(at + 1) % ring.length]!;
    const turn = direction(here, after) - direction(before, here);
    if (Math.abs(Math.atan2(Math.sin(turn), Math.cos(turn))) > CORNER) corners.push(gone);
    gone += Math.hypot(after[0] - here[0], after[1] - here[1]);
  });
  const count = Math.floor(length / EVERY_MM);
  const apart = (one: number, other: number) => {
    const way = Math.abs(one - other) % length;
    return Math.min(way, length - way);
  };
  const even = Array.from({ length: count }, (_, at) => (at * length) / count);
  const between = even.filter((way) => corners.every((corner) => apart(way, corner) > SPAN_MM));
  return [
    ...corners.map((way) => ({ way, isCorner: true })),
    ...between.map((way) => ({ way, isCorner: false })),
  ];
}

const direction = ([ax, ay]: Point, [bx, by]: Point): number => Math.atan2(by - ay, bx - ax);

/** A ring as places by the way gone along it. */
function along(ring: Ring): { length: number; at: (way: number) => Point } {
  const ends: number[] = [];
  let length = 0;
  ring.forEach((from, at) => {
    const to = ring[(at + 1) % ring.length]!;
    length += Math.hypot(to[0] - from[0], to[1] - from[1]);
    ends.push(length);
  });
  return {
    length,
    at(way) {
      const gone = ((way % length) + length) % length;
      const side = Math.min(
        ring.length - 1,
        Math.max(
          0,
          ends.findIndex((end) => end > gone),
        ),
      );
      const [from, to] = [ring[side]!, ring[(side + 1) % ring.length]!];
      const begins = side === 0 ? 0 : ends[side - 1]!;
      const t = ends[side]! > begins ? (gone - begins) / (ends[side]! - begins) : 0;
      return [from[0] + t * (to[0] - from[0]), from[1] + t * (to[1] - from[1])];
    },
  };
}

function arrowAt([x, y]: Point, degrees: number, length: number): Point[][] {
  const turn = (degrees * Math.PI) / 180;
  const at = (along: number, aside: number): Point => [
    x + along * Math.cos(turn) - aside * Math.sin(turn),
    y + along * Math.sin(turn) + aside * Math.cos(turn),
  ];
  const [half, barb] = [length / 2, length / 6];
  return [
    [at(-half, 0), at(half, 0)],
    [at(half - barb, -barb), at(half, 0), at(half - barb, barb)],
  ];
}

function mirrored(template: FilmTemplate): FilmTemplate {
  const across = (lines: Point[][]) =>
    lines.map((line) => line.map(([x, y]): Point => [template.width - x, y]));
  return {
    ...template,
    id: `${template.id} mirrored`,
    isMirrored: true,
    rings: across(template.rings),
    slits: across(template.slits),
    fold: across(template.fold),
    arrow: across(template.arrow),
  };
}
