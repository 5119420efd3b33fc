import type { Kit, KitFinish, Look, Part, School } from './records/index.ts';

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

const LOOK_WORDS: readonly [Look, RegExp][] = [
  ['plating', /\b(plat(ed|ing)|kit chrome)\b/i],
  ['chrome-ink', /\bchrome ink\b/i],
  ['metal', /\b(metal|chrome|silver|alumini?um|steel|iron|gunmetal|brass|copper|gold|magnesium|bright)\b/i],
  ['clear', /\b(clear|transparent|glass)\b/i],
  ['bare', /\b(bare|unpainted|none|as (it )?is)\b/i],
  ['matt', /\b(matt|matte|flat|dull)\b/i],
  ['satin', /\b(satin|semi.?gloss|semi.?matt|eggshell)\b/i],
  ['polished', /\bpolished\b/i],
];

/** What a finish that somebody names looks like; gloss where the words do not tell. */
export const lookInWords = (name: string): Look =>
  LOOK_WORDS.find(([, words]) => words.test(name))?.[0] ?? 'gloss';
