/** A dial as it is printed, and as it is opened; mm from the upper left corner of the face. */
export interface PrintedDial {
  id: string;
  x: number;
  y: number;
  printedX: number;
  printedY: number;
}

/** A piece that is cut from the decal, with its dials, and how far it is moved from where it is printed, mm. */
export interface DecalPiece {
  ids: string[];
  shiftX: number;
  shiftY: number;
}

/** A dial so far off behind its hole is not seen to be, mm. */
const UNSEEN_MM = 0.15;

/** A printed decal cut into the fewest pieces found, each moved so that no dial lies further off behind its hole than can be seen.
 *  Dials that ask for the same shift stay together. */
export function decalPieces(dials: readonly PrintedDial[]): DecalPiece[] {
  const open = dials.map(({ id, x, y, printedX, printedY }) => ({ id, dx: x - printedX, dy: y - printedY }));
  const pieces: DecalPiece[] = [];
  while (open.length > 0) {
    // The shift that serves most of what is left.
    const best = open
      .map((middle) => open.filter(({ dx, dy }) => Math.hypot(dx - middle.dx, dy - middle.dy) <= UNSEEN_MM))
      .reduce((most, each) => (each.length > most.length ? each : most));
    pieces.push({
      ids: best.map(({ id }) => id),
      shiftX: best.reduce((sum, { dx }) => sum + dx, 0) / best.length,
      shiftY: best.reduce((sum, { dy }) => sum + dy, 0) / best.length,
    });
    for (const each of best) open.splice(open.indexOf(each), 1);
  }
  return pieces;
}

/** What of a decal is trimmed on each side to go into a recess, mm; 0 where it fits. */
export const trimmedMm = (decalMm: number, recessMm: number): number => Math.max(0, (decalMm - recessMm) / 2);

/** A drop of clear that stands on a dial as a lens: a cap of a ball, mm3 (1 mm3 is 1 ul). Throws RangeError for a lens without width, and
 *  for one that stands higher than half a ball. */
export function lensMm3(diameterMm: number, heightMm: number): number {
  if (!(diameterMm > 0)) throw new RangeError(`A lens of ${diameterMm} mm is none: give more than 0.`);
  if (!(heightMm >= 0) || heightMm > diameterMm / 2)
    throw new RangeError(`A drop on ${diameterMm} mm stands at most ${(diameterMm / 2).toFixed(2)} mm high.`);
  const radius = diameterMm / 2;
  return (Math.PI * heightMm * (3 * radius * radius + heightMm * heightMm)) / 6;
}
