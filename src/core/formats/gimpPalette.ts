import { hexToLab } from '../colour/index.ts';
import { MOST_COLOURS, requireReadable, type ReadFile } from './readColour.ts';

/** Reads a GIMP palette: one colour a line as red, green, blue (0-255, sRGB) and a name.
 *  Throws RangeError where it is none. */
export function readGimpPalette(text: string): ReadFile {
  requireReadable(text);
  const [head = '', ...lines] = text.replace(/^\uFEFF/, '').split(/\r\n?|\n/);
  if (head.trim() !== 'GIMP Palette') {
    throw new RangeError(
      'This is not a GIMP palette: its first line is not "GIMP Palette". Nothing was kept.',
    );
  }
  const notes = ['screen colours: they say little about paint, so they come with a wide uncertainty'];
  const colours: ReadFile['colours'] = [];
  let odd = 0;
  for (const line of lines) {
    if (line.trim() === '' || /^\s*#|^(Name|Columns):/.test(line)) continue;
    const match = /^\s*(\d{1,3})\s+(\d{1,3})\s+(\d{1,3})(?:\s+(.*))?$/.exec(line);
    const channels = match ? [match[1], match[2], match[3]].map(Number) : [];
    if (!match || channels.some((value) => value > 255)) {
      odd++;
      continue;
    }
    const hex = `#${channels.map((value) => value.toString(16).padStart(2, '0')).join('')}`;
    const name = match[4]?.trim() ?? '';
    colours.push({
      name: name || hex,
      lab: { ...hexToLab(hex), illuminant: 'D65', observer: '2deg' },
    });
  }
  if (odd > 0)
    notes.push(
      `${odd} ${odd === 1 ? 'line was' : 'lines were'} not three numbers from 0 to 255 and left out`,
    );
  if (colours.length === 0) throw new RangeError('The palette has no colours. Nothing was kept.');
  if (colours.length > MOST_COLOURS)
    throw new RangeError(`At most ${MOST_COLOURS} colours are read. Nothing was kept.`);
  return { colours, notes };
}

/** A GIMP palette; colours as #rrggbb. */
export function writeGimpPalette(name: string, colours: readonly { name: string; hex: string }[]): string {
  const line = ({ name: label, hex }: { name: string; hex: string }) => {
    const channels = [1, 3, 5].map((at) => String(parseInt(hex.slice(at, at + 2), 16)).padStart(3));
    return `${channels.join(' ')}\t${label.replace(/[\r\n\t]+/g, ' ')}`;
  };
  return [
    'GIMP Palette',
    `Name: ${name.replace(/[\r\n]+/g, ' ')}`,
    'Columns: 8',
    '#',
    ...colours.map(line),
    '',
  ].join('\n');
}
