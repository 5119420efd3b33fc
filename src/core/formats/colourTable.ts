import { hexToLab } from '../colour/index.ts';
import { MOST_COLOURS, type ReadChoices, type ReadColour, type ReadFile } from './readColour.ts';
import { asFractions, reflectanceScale, toBands } from './resample.ts';

/** What a column of a colour table holds: a wavelength in nm, or one of these; null is left out. */
export type ColourColumn = 'name' | 'code' | 'L' | 'a' | 'b' | 'hex' | number | null;

const HEADINGS: [Exclude<ColourColumn, number | null>, RegExp][] = [
  ['code', /^(code|no\.?|number|id|sample_?id|ref\.?)$/i],
  ['name', /^(name|colou?r|sample|sample_?name|description|label)$/i],
  ['L', /^(l\*?|lab_?l|cie ?l\*?|lightness)$/i],
  ['a', /^(a\*?|lab_?a|cie ?a\*?)$/i],
  ['b', /^(b\*?|lab_?b|cie ?b\*?)$/i],
  ['hex', /^(hex|rgb|html|srgb|#)$/i],
];
const HEX = /^#?([0-9a-f]{3}|[0-9a-f]{6})$/i;
const WAVELENGTH = /^(?:r|spec|spectral|nm)?[ _]?(\d{3})(?: ?nm)?$/i;

/** What each column seems to hold, by its heading; a kind is given to the first column that fits. */
export function guessColourColumns(headings: readonly string[]): ColourColumn[] {
  const taken = new Set<ColourColumn>();
  return headings.map((heading) => {
    const nm = Number(WAVELENGTH.exec(heading.trim())?.[1]);
    if (nm >= 300 && nm <= 830) return nm;
    const [kind = null] =
      HEADINGS.find(([one, pattern]) => pattern.test(heading.trim()) && !taken.has(one)) ?? [];
    taken.add(kind);
    return kind;
  });
}

/** Numbers with a decimal point or, where there is no point, a decimal comma. */
function numberOf(cell: string | undefined): number {
  const text = (cell ?? '').trim();
  return text === '' ? NaN : Number(/^[^.]*,[^.,]*$/.test(text) ? text.replace(',', '.') : text);
}

/** Colours of the rows of a table, its columns as told. Lab is taken for D65 and 2 degrees unless `light` says else.
 *  Rows that cannot be read are named and left out. Throws RangeError where the columns make no colour or the
 *  reflectance scale must be asked. */
export function readColourTable(
  rows: readonly (readonly string[])[],
  columns: readonly ColourColumn[],
  { scale, light, geometry }: ReadChoices = {},
): ReadFile {
  const at = (column: ColourColumn) => columns.indexOf(column);
  const bands = columns
    .flatMap((column, index) => (typeof column === 'number' ? [{ nm: column, index }] : []))
    .sort((p, q) => p.nm - q.nm);
  const labAt = (['L', 'a', 'b'] as const).map(at);
  const hasLab = labAt.every((index) => index >= 0);
  if (bands.length === 0 && !hasLab && at('hex') < 0) {
    throw new RangeError(
      'Say which columns hold the colour: L, a and b, or hex, or the wavelengths of a spectrum.',
    );
  }
  if (rows.length > MOST_COLOURS) {
    throw new RangeError(
      `The table has ${rows.length} rows; at most ${MOST_COLOURS} are read. Nothing was kept.`,
    );
  }
  const step = bands.length > 1 ? (bands.at(-1)!.nm - bands[0]!.nm) / (bands.length - 1) : NaN;
  const uneven = bands.find(({ nm }, index) => Math.abs(nm - (bands[0]!.nm + step * index)) > 0.5);
  if (uneven) throw new RangeError(`The wavelengths are not evenly spaced: see ${uneven.nm} nm.`);

  const colours: ReadColour[] = [];
  const raw: number[][] = [];
  const notes: string[] = [];
  rows.forEach((row, index) => {
    if (row.every((cell) => cell.trim() === '')) return;
    const line = index + 1;
    const cell = (column: ColourColumn) => (at(column) < 0 ? '' : (row[at(column)] ?? '').trim());
    const code = cell('code');
    const colour: ReadColour = {
      name: cell('name') || code || `row ${line}`,
      ...(code && { code }),
      ...(geometry && { geometry }),
    };
    const values = bands.map(({ index: column }) => numberOf(row[column]));
    const lab = labAt.map((column) => numberOf(row[column]));
    const hex = cell('hex');
    if (bands.length > 0 && values.some((value) => !Number.isFinite(value))) {
      notes.push(`row ${line} was left out: its spectrum has a gap`);
      return;
    }
    if (hasLab && lab.every(Number.isFinite)) {
      if (lab[0]! < 0 || lab[0]! > 100) {
        notes.push(`row ${line} was left out: L must lie between 0 and 100, it is ${lab[0]}`);
        return;
      }
      colour.lab = { L: lab[0]!, a: lab[1]!, b: lab[2]!, ...light };
    } else if (HEX.test(hex)) {
      colour.lab = { ...hexToLab(hex), illuminant: 'D65', observer: '2deg' };
    } else if (bands.length === 0) {
      notes.push(`row ${line} was left out: it has no colour that can be read`);
      return;
    }
    colours.push(colour);
    raw.push(values);
  });
  if (bands.length > 0 && colours.length > 0) {
    const seen = scale ?? reflectanceScale(raw).scale;
    if (seen === 'unsure')
      throw new RangeError(
        'The brightest reflectance lies between 1 and 1.5: say whether the table is in fractions or in per cent.',
      );
    const fractions = asFractions(raw, seen);
    notes.push(...fractions.notes);
    fractions.spectra.forEach((values, index) => {
      const { spectrum, notes: about } = toBands({ start: bands[0]!.nm, step, values });
      colours[index]!.spectrum = spectrum;
      if (index === 0) notes.push(...about);
    });
  }
  return { colours, notes };
}

/** Rows of a colour table, headings first: name, L, a, b, hex and the 31 bands. */
export function colourTableRows(
  colours: readonly {
    name: string;
    lab: { L: number; a: number; b: number };
    hex: string;
    spectrum: readonly number[];
  }[],
): string[][] {
  const bands = Array.from({ length: 31 }, (_, band) => String(400 + 10 * band));
  return [
    ['name', 'L', 'a', 'b', 'hex', ...bands],
    ...colours.map(({ name, lab, hex, spectrum }) => [
      name,
      ...[lab.L, lab.a, lab.b].map(String),
      hex,
      ...spectrum.map(String),
    ]),
  ];
}
