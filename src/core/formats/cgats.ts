import { BAND_COUNT, bandWavelength, type Lab } from '../colour/index.ts';
import { MOST_COLOURS, requireReadable, type ReadColour, type ReadFile } from './readColour.ts';
import { asFractions, reflectanceScale, toBands } from './resample.ts';

/** A colour to be written. */
export interface WrittenColour {
  name: string;
  spectrum: readonly number[];
  /** CIELAB for D65 and the 2 degree observer. */
  lab: Lab;
}

/** Words of a CGATS line: quoted strings may hold spaces, a doubled quote inside stands for one. */
function words(line: string): string[] {
  return [...line.matchAll(/"((?:[^"]|"")*)"|(\S+)/g)].map(([, quoted, bare]) =>
    quoted === undefined ? bare! : quoted.replaceAll('""', '"'),
  );
}

const NAME_FIELDS = ['SAMPLE_NAME', 'SAMPLE_ID', 'SAMPLEID', 'SAMPLE_LOC', 'NAME'];
const WAVELENGTH = /^(?:SPEC(?:TRAL)?_?(?:NM)?_?)(\d{3})$/;

/** Reads CGATS text (ANSI CGATS.17): spectra from SPEC_nnn fields and Lab from LAB_L, LAB_A, LAB_B. Reflectance is
 *  a fraction unless the file's SPECTRAL_NORM says 100 or `scale` says otherwise.
 *  Throws RangeError where it is not such a file, is cut short, or holds neither spectra nor Lab. */
export function readCgats(text: string, scale?: 'fraction' | 'percent'): ReadFile {
  requireReadable(text);
  const lines = text.replace(/^\uFEFF/, '').split(/\r\n?|\n/);
  const keywords = new Map<string, string>();
  let fields: string[] = [];
  const rows: string[][] = [];
  let declared: number | undefined;
  let part: 'head' | 'fields' | 'data' | 'done' = 'head';
  for (const raw of lines) {
    const line = raw.replace(/^\s*#.*$/, '').trim();
    if (line === '' || part === 'done') continue;
    if (line.startsWith('BEGIN_DATA_FORMAT')) part = 'fields';
    else if (line.startsWith('END_DATA_FORMAT')) part = 'head';
    else if (line.startsWith('BEGIN_DATA')) part = 'data';
    else if (line.startsWith('END_DATA')) part = 'done';
    else if (part === 'fields') fields = [...fields, ...words(line)];
    else if (part === 'data') rows.push(words(line));
    else {
      const [keyword = '', ...values] = words(line);
      if (keyword === 'NUMBER_OF_SETS') declared = Number(values[0]);
      keywords.set(keyword.toUpperCase(), values.join(' '));
    }
  }
  if (fields.length === 0 || (rows.length === 0 && part !== 'done')) {
    throw new RangeError(
      'This is not CGATS text: it has no BEGIN_DATA_FORMAT and BEGIN_DATA. Nothing was kept; try it as a table.',
    );
  }
  if (rows.length > MOST_COLOURS) {
    throw new RangeError(
      `The file has ${rows.length} samples; at most ${MOST_COLOURS} are read. Nothing was kept.`,
    );
  }
  const notes: string[] = [];
  if (part !== 'done') notes.push('the file ends before END_DATA: it may be cut short');
  if (declared !== undefined && declared !== rows.length)
    notes.push(`the file announces ${declared} samples and has ${rows.length}`);
  const upper = fields.map((field) => field.toUpperCase());
  const bands = upper
    .flatMap((field, at) => {
      const match = WAVELENGTH.exec(field);
      return match ? [{ at, nm: Number(match[1]) }] : [];
    })
    .sort((p, q) => p.nm - q.nm);
  const nameAt = NAME_FIELDS.map((field) => upper.indexOf(field)).find((at) => at >= 0);
  const labAt = ['LAB_L', 'LAB_A', 'LAB_B'].map((field) => upper.indexOf(field));
  const hasLab = labAt.every((at) => at >= 0);
  if (bands.length === 0 && !hasLab) {
    throw new RangeError('The file has neither SPEC_nnn nor LAB_L, LAB_A, LAB_B fields. Nothing was kept.');
  }

  const colours: ReadColour[] = [];
  const raw: number[][] = [];
  let short = 0;
  rows.forEach((row, index) => {
    const number = (at: number) => Number(row[at]);
    const lab = hasLab ? labAt.map(number) : [];
    const values = bands.map(({ at }) => number(at));
    if (row.length < fields.length || [...lab, ...values].some((value) => !Number.isFinite(value))) {
      short++;
      return;
    }
    const colour: ReadColour = { name: (nameAt === undefined ? '' : row[nameAt]!) || `sample ${index + 1}` };
    if (hasLab) colour.lab = { L: lab[0]!, a: lab[1]!, b: lab[2]!, ...lightOf(keywords) };
    colours.push(colour);
    raw.push(values);
  });
  if (short > 0)
    notes.push(
      `${short} ${short === 1 ? 'sample was' : 'samples were'} left out: a value is missing or no number`,
    );

  if (bands.length > 0 && colours.length > 0) {
    const start = bands[0]!.nm;
    const step = bands.length > 1 ? (bands.at(-1)!.nm - start) / (bands.length - 1) : NaN;
    const uneven = bands.find(({ nm }, at) => Math.abs(nm - (start + step * at)) > 0.5);
    if (uneven) throw new RangeError(`The bands of the file are not evenly spaced: see ${uneven.nm} nm.`);
    const norm = Number(keywords.get('SPECTRAL_NORM'));
    const seen = reflectanceScale(raw).scale;
    const told = scale ?? (norm === 100 ? 'percent' : norm === 1 ? 'fraction' : seen);
    if (told === 'unsure')
      throw new RangeError(
        'The brightest reflectance lies between 1 and 1.5: say whether the file is in fractions or in per cent.',
      );
    const fractions = asFractions(raw, told);
    notes.push(...fractions.notes);
    fractions.spectra.forEach((values, at) => {
      const { spectrum, notes: about } = toBands({ start, step, values });
      colours[at]!.spectrum = spectrum;
      if (at === 0) notes.push(...about);
    });
  }
  return { colours, notes };
}

/** Light and observer of the Lab values, where the head of the file says: CGATS.17 uses D50 and 2 degrees unless
 *  told otherwise. */
function lightOf(keywords: ReadonlyMap<string, string>): { illuminant: string; observer: '2deg' | '10deg' } {
  const told = [...keywords].flatMap(([keyword, value]) =>
    /ILLUM|OBSERV|WEIGHTING|COMPUTATIONAL/.test(keyword) ? [value] : [],
  );
  const all = told.join(' ');
  const illuminant = /\b(D50|D65|D55|D75|F\d{1,2}|A|C)\b/.exec(all)?.[1] ?? 'D50';
  return { illuminant, observer: /\b10\b/.test(all) ? '10deg' : '2deg' };
}

const quoted = (text: string) => `"${text.replace(/[\r\n]+/g, ' ').replaceAll('"', '""')}"`;

/** The first line names the kind of file; tools that compute from spectra look for this one and for MEAS_TYPE. */
const SPECTRAL_FILE = ['SPECT', '', 'KEYWORD "MEAS_TYPE"', 'MEAS_TYPE "REFLECTIVE"'];

/** CGATS text with spectra and Lab; numbers are written in full, so that reading gives back the same. */
export function writeCgats(colours: readonly WrittenColour[], created: string): string {
  const bands = Array.from({ length: BAND_COUNT }, (_, band) => `SPEC_${bandWavelength(band)}`);
  const fields = ['SAMPLE_ID', 'SAMPLE_NAME', 'LAB_L', 'LAB_A', 'LAB_B', ...bands];
  return [
    ...SPECTRAL_FILE,
    'ORIGINATOR "Fanfare"',
    'DESCRIPTOR "Colours read and recovered"',
    `CREATED ${quoted(created)}`,
    'KEYWORD "SPECTRAL_BANDS"',
    `SPECTRAL_BANDS "${BAND_COUNT}"`,
    'KEYWORD "SPECTRAL_START_NM"',
    `SPECTRAL_START_NM "${bandWavelength(0)}.0"`,
    'KEYWORD "SPECTRAL_END_NM"',
    `SPECTRAL_END_NM "${bandWavelength(BAND_COUNT - 1)}.0"`,
    'KEYWORD "SPECTRAL_NORM"',
    'SPECTRAL_NORM "1.0"',
    'KEYWORD "WEIGHTING_FUNCTION"',
    'WEIGHTING_FUNCTION "ILLUMINANT, D65; OBSERVER, 2"',
    '',
    `NUMBER_OF_FIELDS ${fields.length}`,
    'BEGIN_DATA_FORMAT',
    fields.join(' '),
    'END_DATA_FORMAT',
    '',
    `NUMBER_OF_SETS ${colours.length}`,
    'BEGIN_DATA',
    ...colours.map(({ name, spectrum, lab }, index) =>
      [`"${index + 1}"`, quoted(name), lab.L, lab.a, lab.b, ...spectrum].join(' '),
    ),
    'END_DATA',
    '',
  ].join('\n');
}
