import { regionOfPath, regionPath, swept, without } from '../geometry/region.ts';

/** The block that letters throw to their lower right, without the letters themselves; as deep as said, mm. */
export function blockShade(letters: string, depthMm: number): string {
  if (letters === '' || !(depthMm > 0)) return '';
  const face = regionOfPath(letters);
  const step = depthMm / Math.SQRT2;
  return regionPath(without(swept(face, [step, step]), face));
}
