/** Something that is opened in the face of a panel; mm from its upper left corner to the middle, x to the right, y downward. */
export interface PanelOpening {
  id: string;
  name: string;
  x: number;
  y: number;
  /** A round one by its diameter, else a rectangle. */
  round: boolean;
  widthMm: number;
  heightMm: number;
}

/** The face of a panel: a rectangle with rounded corners. */
export interface PanelFace {
  widthMm: number;
  heightMm: number;
  cornerMm: number;
}

interface Half {
  x: number;
  y: number;
}
const halfOf = ({ widthMm, heightMm }: Pick<PanelOpening, 'widthMm' | 'heightMm'>): Half => ({
  x: widthMm / 2,
  y: heightMm / 2,
});

/** Plastic between two openings, mm; below 0 where they overlap. Of two rectangles, or a round one and a rectangle, by their nearest
 *  points; where they overlap, how far they would have to be moved apart. */
export function betweenMm(one: PanelOpening, other: PanelOpening): number {
  const [dx, dy] = [Math.abs(one.x - other.x), Math.abs(one.y - other.y)];
  // A round one is its middle with so much about it.
  const [r, s] = [one.round ? one.widthMm / 2 : 0, other.round ? other.widthMm / 2 : 0];
  const [p, q] = [one.round ? { x: 0, y: 0 } : halfOf(one), other.round ? { x: 0, y: 0 } : halfOf(other)];
  const [gapX, gapY] = [dx - p.x - q.x, dy - p.y - q.y];
  const apart =
    gapX > 0 || gapY > 0 ? Math.hypot(Math.max(0, gapX), Math.max(0, gapY)) : Math.max(gapX, gapY);
  return apart - r - s;
}

/** How far a point lies within the face from its edge, mm; below 0 outside. */
function withinMm({ widthMm, heightMm, cornerMm }: PanelFace, x: number, y: number): number {
  const corner = Math.min(cornerMm, widthMm / 2, heightMm / 2);
  const [dx, dy] = [
    Math.abs(x - widthMm / 2) - (widthMm / 2 - corner),
    Math.abs(y - heightMm / 2) - (heightMm / 2 - corner),
  ];
  return corner - Math.min(Math.max(dx, dy), 0) - Math.hypot(Math.max(dx, 0), Math.max(dy, 0));
}

/** Plastic between an opening and the edge of the face, mm; below 0 where it breaks out. */
export function toEdgeMm(face: PanelFace, { x, y, round, widthMm, heightMm }: PanelOpening): number {
  if (round) return withinMm(face, x, y) - widthMm / 2;
  return Math.min(
    ...[-1, 1].flatMap((across) =>
      [-1, 1].map((down) => withinMm(face, x + (across * widthMm) / 2, y + (down * heightMm) / 2)),
    ),
  );
}
