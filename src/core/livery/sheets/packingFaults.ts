import type { SheetPacking, SheetQuestion } from './packSheets.ts';

/** How far a figure may be off, mm. */
const EPSILON = 1e-6;

/** What is wrong with a packing, worked out from the question alone and in another way than it was found; empty where it
 *  holds: everything there once, within the margin, a gap apart, turned only where it may be. */
export function packingFaults({ sheet, gap, items }: SheetQuestion, { sheets }: SheetPacking): string[] {
  const faults: string[] = [];
  const seen = new Set<string>();
  const known = new Map(items.map((item) => [item.id, item]));
  for (const { placements, usedHeight } of sheets) {
    const boxes = placements.flatMap(({ id, copy, x, y, turned }) => {
      const of = known.get(id);
      if (!of || copy >= of.count) {
        faults.push(`${id} ${copy} was not asked for`);
        return [];
      }
      if (turned && !of.turn) faults.push(`${id} is turned`);
      if (seen.has(`${id} ${copy}`)) faults.push(`${id} ${copy} lies there twice`);
      seen.add(`${id} ${copy}`);
      const [width, height] = turned ? [of.height, of.width] : [of.width, of.height];
      return [{ id, x, y, right: x + width, top: y + height }];
    });
    for (const { id, x, y, right, top } of boxes)
      if (
        Math.min(x, y) < sheet.margin - EPSILON ||
        right > sheet.width - sheet.margin + EPSILON ||
        top > sheet.height - sheet.margin + EPSILON
      )
        faults.push(`${id} lies in the margin`);
    boxes.forEach((p, at) => {
      for (const q of boxes.slice(at + 1)) {
        const apart = Math.max(q.x - p.right, p.x - q.right, q.y - p.top, p.y - q.top);
        if (apart < gap - EPSILON) faults.push(`${p.id} and ${q.id} are too close`);
      }
    });
    const highest = boxes.reduce((top, box) => Math.max(top, box.top), 0);
    if (Math.abs(highest - usedHeight) > EPSILON) faults.push('the height is another');
  }
  const wanted = items.reduce((sum, { count }) => sum + count, 0);
  if (seen.size !== wanted) faults.push(`${seen.size} of ${wanted} lie there`);
  return faults;
}
