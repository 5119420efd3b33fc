/** One rectangle to place, with the gap added to both sides; mm. */
export interface Piece {
  id: string;
  copy: number;
  width: number;
  height: number;
  /** How it can lie at all. */
  upright: boolean;
  onSide: boolean;
}

export interface Placed {
  piece: Piece;
  x: number;
  y: number;
  width: number;
  height: number;
  turned: boolean;
}

interface Rectangle {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** short-side: where the least is left beside it; bottom-left: as low as it goes. */
export type PlacingRule = 'short-side' | 'bottom-left';

const EPSILON = 1e-9;

/** From the lower edge to the top of the highest; 0 for an empty sheet. */
export const topOf = (placed: readonly Placed[]): number =>
  placed.reduce((top, { y, height }) => Math.max(top, y + height), 0);

/** Places pieces in their order, each on the first sheet that takes it, in a corner of one of the largest free rectangles
 *  of that sheet (Jylänki, A thousand ways to pack the bin, 2010). `most`: so many sheets at most; what then finds no place
 *  is the rest. */
export function fillSheets(
  room: { width: number; height: number },
  pieces: readonly Piece[],
  rule: PlacingRule,
  most = Infinity,
): { sheets: Placed[][]; rest: Piece[] } {
  const sheets: { placed: Placed[]; free: Rectangle[] }[] = [];
  const rest: Piece[] = [];
  for (const piece of pieces) {
    let spot: Placed | undefined;
    let into = sheets.find(({ free }) => (spot = bestSpot(free, piece, rule)) !== undefined);
    if (!into) {
      if (sheets.length >= most) {
        rest.push(piece);
        continue;
      }
      into = { placed: [], free: [{ x: 0, y: 0, ...room }] };
      sheets.push(into);
      spot = bestSpot(into.free, piece, rule);
    }
    into.placed.push(spot!);
    into.free = withoutSpot(into.free, spot!);
  }
  return { sheets: sheets.map(({ placed }) => placed), rest };
}

function bestSpot(free: readonly Rectangle[], piece: Piece, rule: PlacingRule): Placed | undefined {
  let best: Placed | undefined;
  let least = Infinity;
  let next = Infinity;
  const look = (width: number, height: number, turned: boolean) => {
    for (const each of free) {
      const [beside, above] = [each.width - width, each.height - height];
      if (beside < -EPSILON || above < -EPSILON) continue;
      const [first, second] =
        rule === 'short-side'
          ? [Math.min(beside, above), Math.max(beside, above)]
          : [each.y + height, each.x];
      if (first < least - EPSILON || (first <= least + EPSILON && second < next - EPSILON)) {
        least = first;
        next = second;
        best = { piece, x: each.x, y: each.y, width, height, turned };
      }
    }
  };
  if (piece.upright) look(piece.width, piece.height, false);
  if (piece.onSide) look(piece.height, piece.width, true);
  return best;
}

const overlaps = (p: Rectangle, q: Rectangle): boolean =>
  p.x < q.x + q.width - EPSILON &&
  q.x < p.x + p.width - EPSILON &&
  p.y < q.y + q.height - EPSILON &&
  q.y < p.y + p.height - EPSILON;

const within = (inner: Rectangle, outer: Rectangle): boolean =>
  inner.x >= outer.x - EPSILON &&
  inner.y >= outer.y - EPSILON &&
  inner.x + inner.width <= outer.x + outer.width + EPSILON &&
  inner.y + inner.height <= outer.y + outer.height + EPSILON;

/** The largest rectangles that are still free once a spot is taken. */
function withoutSpot(free: readonly Rectangle[], spot: Placed): Rectangle[] {
  const kept: Rectangle[] = [];
  const cut: Rectangle[] = [];
  for (const each of free) {
    if (!overlaps(each, spot)) {
      kept.push(each);
      continue;
    }
    const { x, y, width, height } = each;
    if (spot.x > x + EPSILON) cut.push({ x, y, width: spot.x - x, height });
    const right = spot.x + spot.width;
    if (right < x + width - EPSILON) cut.push({ x: right, y, width: x + width - right, height });
    if (spot.y > y + EPSILON) cut.push({ x, y, width, height: spot.y - y });
    const top = spot.y + spot.height;
    if (top < y + height - EPSILON) cut.push({ x, y: top, width, height: y + height - top });
  }
  // Of those that lie within another only the larger is kept; of equal ones the first.
  const largest = cut.filter(
    (each, at) =>
      !kept.some((other) => within(each, other)) &&
      !cut.some(
        (other, further) => further !== at && within(each, other) && (further < at || !within(other, each)),
      ),
  );
  return [...kept, ...largest];
}
