import type { Kit, KitFinish, Part, School } from './records/index.ts';

export * from './records/index.ts';

/** "A12", as it stands on the frame. */
export function partLabel({ frame, number }: Pick<Part, 'frame' | 'number'>): string {
  return `${frame}${number}`;
}

/** The finish of a part's main zone; undefined where none is given. */
export function mainFinish(part: Part, finishes: ReadonlyMap<string, KitFinish>): KitFinish | undefined {
  return part.zones[0] && finishes.get(part.zones[0].finishId);
}

const GUESSED_AREA_CM2 = 4;

/** Surface of one part, cm2, with a guess where nobody measured. */
export function areaOf({ areaCm2, lengthMm }: Part): number {
  if (areaCm2 !== null) return areaCm2;
  // A thing a third as wide as it is long, both faces.
  return lengthMm === null ? GUESSED_AREA_CM2 : (2 * lengthMm * lengthMm) / 3 / 100;
}

/** How a build is to be divided: in pieces where nobody chose. */
export const schoolOf = ({ assembly }: Pick<Kit, 'assembly'>): School => assembly[0]?.school ?? 'pieces';

/** Whether a part still asks for a finish; clear, rubber, metal and plated parts come with theirs. */
export const wantsFinish = ({ zones, plated, material }: Part): boolean =>
  zones.length === 0 && !plated && !['clear', 'vinyl', 'rubber', 'poly', 'metal'].includes(material);
