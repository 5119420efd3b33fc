import Papa from 'papaparse';
import type { PaintInput } from '../../../api/index.ts';
import { parseHex } from '../../../core/colour/index.ts';
import type { FamilyId } from '../../../core/finish/index.ts';

export interface PaintListProblem {
  line: number;
  text: string;
  problem: string;
}

const SHEENS = ['gloss', 'semi-gloss', 'satin', 'matt', 'metal'] as const;
const HIDING = ['opaque', 'semi-opaque', 'transparent'] as const;

/** Reads a pasted list of paints: code, name, hex, then sheen, hiding, volume in ml and price where given.
 *  Lines that cannot be read come back with what was wrong. */
export function readPaintList(
  text: string,
  { range, family }: { range: string; family: FamilyId },
): { paints: PaintInput[]; problems: PaintListProblem[] } {
  const paints: PaintInput[] = [];
  const problems: PaintListProblem[] = [];
  const seen = new Set<string>();
  text.split(/\r?\n/).forEach((raw, index) => {
    if (raw.trim() === '') return;
    const [cells = []] = Papa.parse<string[]>(raw.replace(/([,;\t])\s+"/g, '$1"'), {
      delimitersToGuess: ['\t', ';', ','],
    }).data;
    const [
      code = '',
      name = '',
      hex = '',
      sheen = 'gloss',
      hiding = 'semi-opaque',
      volume = '17',
      price = '0',
    ] = cells.map((cell) => cell.trim() || undefined);
    const fail = (problem: string) => problems.push({ line: index + 1, text: raw, problem });
    if (range === '') return fail('fill in the range above first');
    if (!code || !name) return fail('it needs a code, a name and a colour, with commas between');
    if (seen.has(code)) return fail(`the code ${code} is in the list twice`);
    try {
      parseHex(hex);
    } catch (error) {
      return fail((error as Error).message.replace(/\.$/, ''));
    }
    const knownSheen = SHEENS.find((word) => word === sheen.toLowerCase());
    const knownHiding = HIDING.find((word) => word === hiding.toLowerCase());
    if (!knownSheen) return fail(`"${sheen}" is no sheen: use ${SHEENS.join(', ')}`);
    if (!knownHiding) return fail(`"${hiding}" is no hiding: use ${HIDING.join(', ')}`);
    const [volumeMl, money] = [
      Number(volume.replace(',', '.')),
      Number(price.replace(/[^\d.,]/g, '').replace(',', '.')),
    ];
    if (!(volumeMl > 0 && volumeMl <= 5000))
      return fail(`the volume must lie between 0 and 5000 ml, not "${volume}"`);
    if (!(money >= 0 && money <= 10000)) return fail(`the price cannot be "${price}"`);
    seen.add(code);
    paints.push({
      range,
      code,
      name,
      family,
      container: 'bottle',
      role: 'colour',
      sheen: knownSheen,
      hiding: knownHiding,
      priceCents: Math.round(100 * money),
      volumeMl,
      hex: hex.startsWith('#') ? hex : `#${hex}`,
      lab: undefined,
      owned: true,
    });
  });
  return { paints, problems };
}
