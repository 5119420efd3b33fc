import type { Stance } from './kit.ts';
import { nearestStack, stacksOf, type SheetStack } from './sheetStacks.ts';

const CORNERS = ['front left', 'front right', 'rear left', 'rear right'] as const;

export interface ShimPlan {
  /** Sheets under each corner, thickest first, mm. */
  shims: number[][];
  /** Height of each corner afterwards, mm. */
  heightsMm: number[];
  /** Root mean square of what is left, mm. */
  residualMm: number;
  /** How far one corner stands off the plane of the other three before shimming, mm: the wheel that hangs. */
  twistMm: number;
  words: string;
}

/** The shims that bring four corners to one level (the rear higher by the rake) with the sheets on hand: least
 *  squares over the corners, then the least plastic. A corner can only be raised.
 *  Exact: between the heights at which a corner's best stack of sheets changes, the best level is the mean.
 *  Throws RangeError for heights or sheets that make no sense. */
export function shimPlan({
  heightsMm,
  rakeMm,
  shimsMm,
}: Pick<Stance, 'heightsMm' | 'rakeMm' | 'shimsMm'>): ShimPlan {
  if (heightsMm.some((height) => !Number.isFinite(height) || height < 0 || height > 200))
    throw new RangeError('Corner heights must lie between 0 and 200 mm.');
  if (shimsMm.some((sheet) => !(sheet > 0) || sheet > 20))
    throw new RangeError('Sheets are between 0 and 20 mm thick.');
  const stacks = stacksOf(shimsMm);
  const flat = heightsMm.map((height, corner) => (corner < 2 ? height : height - rakeMm));
  // Levels at which some corner changes from one stack to the next.
  const turns = new Set<number>();
  for (const height of flat) {
    stacks.forEach(({ mm }, at) => {
      const next = stacks[at + 1];
      if (next) turns.add(height + (mm + next.mm) / 2);
    });
  }
  const highest = Math.max(...flat) + (stacks.at(-1)?.mm ?? 0) + 1;
  const lowest = Math.min(...flat) - 1;
  const levels = [lowest, ...[...turns].sort((p, q) => p - q), highest];
  let best: { squares: number; plastic: number; stacks: SheetStack[] } | undefined;
  for (let at = 0; at + 1 < levels.length; at++) {
    const middle = (levels[at]! + levels[at + 1]!) / 2;
    const chosen = flat.map((height) => nearestStack(stacks, middle - height));
    const raised = flat.map((height, corner) => height + chosen[corner]!.mm);
    const level = Math.min(levels[at + 1]!, Math.max(levels[at]!, mean(raised)));
    const squares = raised.reduce((sum, height) => sum + (height - level) ** 2, 0);
    const plastic = chosen.reduce((sum, { mm }) => sum + mm, 0);
    if (
      !best ||
      squares < best.squares - 1e-9 ||
      (squares < best.squares + 1e-9 && plastic < best.plastic - 1e-9)
    )
      best = { squares, plastic, stacks: chosen };
  }
  const shims = best!.stacks.map(({ sheets }) => sheets);
  const [fl, fr, rl, rr] = flat as [number, number, number, number];
  const residualMm = Math.sqrt(best!.squares / 4);
  const under = shims
    .map((sheets, corner) => (sheets.length > 0 ? `${sheets.join(' + ')} mm ${CORNERS[corner]}` : ''))
    .filter(Boolean);
  return {
    shims,
    heightsMm: heightsMm.map(
      (height, corner) => Math.round((height + best!.stacks[corner]!.mm) * 1000) / 1000,
    ),
    residualMm: Math.round(residualMm * 1000) / 1000,
    twistMm: Math.round(Math.abs(fl + rr - fr - rl) * 1000) / 1000,
    words: under.length > 0 ? `Shim ${under.join(', ')}.` : 'Leave it: no sheet on hand brings it nearer.',
  };
}

const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;
