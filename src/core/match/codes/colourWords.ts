import { chroma, hueAngle, type Lab } from '../../colour/index.ts';

type Judge = (lab: Lab) => boolean;

/** Within so many degrees of a hue, and coloured enough to have one. */
const around =
  (hue: number, reach: number, leastChroma = 8): Judge =>
  (lab) =>
    chroma(lab) >= leastChroma && Math.abs(((hueAngle(lab) - hue + 540) % 360) - 180) <= reach;

/** Hues in degrees of CIELAB, and what goes by lightness and chroma. Borders are working values. */
const HUES: Record<string, [hue: number, reach: number]> = {
  pink: [5, 25],
  red: [32, 25],
  orange: [62, 20],
  yellow: [92, 20],
  green: [145, 45],
  turquoise: [198, 25],
  blue: [258, 40],
  violet: [312, 25],
  purple: [320, 25],
};
const WORDS: Record<string, Judge> = {
  ...Object.fromEntries(Object.entries(HUES).map(([word, [hue, reach]]) => [word, around(hue, reach)])),
  pink: (lab) => around(10, 35)(lab) && lab.L > 55,
  brown: (lab) => around(60, 30)(lab) && lab.L < 50 && chroma(lab) < 45,
  cream: (lab) => lab.L > 80 && around(88, 25, 4)(lab) && chroma(lab) < 30,
  white: ({ L, a, b }) => L > 88 && Math.hypot(a, b) < 6,
  black: ({ L, a, b }) => L < 22 && Math.hypot(a, b) < 6,
  grey: ({ L, a, b }) => L >= 22 && L <= 88 && Math.hypot(a, b) < 8,
  gray: ({ L, a, b }) => L >= 22 && L <= 88 && Math.hypot(a, b) < 8,
  dark: ({ L }) => L < 40,
  light: ({ L }) => L > 65,
  pale: (lab) => lab.L > 70 && chroma(lab) < 30,
  vivid: (lab) => chroma(lab) > 45,
  bright: (lab) => chroma(lab) > 45,
  dull: (lab) => chroma(lab) < 20,
};
/** How far a colour called "greenish blue" may lie from the middle of blue, towards green, degrees. */
const TOWARDS = 60;

/** A test of colours for a word such as "dark", "blues" or, beside a hue, "greenish"; undefined for any other. */
export function colourWord(word: string, beside: readonly string[] = []): Judge | undefined {
  const plain = singular(word.toLowerCase());
  const shade = /^(.+?)(?:d?ish|y)$/.exec(plain)?.[1];
  const towards = shade === undefined ? undefined : (HUES[shade] ?? HUES[`${shade}e`]);
  if (towards && !(plain in WORDS)) {
    const base = beside.map((other) => HUES[singular(other.toLowerCase())]).find(Boolean);
    if (!base) return around(towards[0], towards[1] + 20);
    // Between the middle of the base hue and the other, on the near side.
    const way = ((towards[0] - base[0] + 540) % 360) - 180;
    const reach = Math.min(TOWARDS, Math.abs(way));
    const middle = base[0] + (Math.sign(way) * reach) / 2;
    return around(middle, reach / 2);
  }
  return WORDS[plain];
}

/** A hue word that an "-ish" word beside it bends should not be tested on its own. */
export function bentBy(word: string, beside: readonly string[]): boolean {
  const plain = singular(word.toLowerCase());
  return (
    plain in HUES &&
    beside.some((other) => other !== word && /ish$/i.test(other) && colourWord(other) !== undefined)
  );
}

function singular(word: string): string {
  return word in WORDS ? word : word.replace(/s$/, '');
}
