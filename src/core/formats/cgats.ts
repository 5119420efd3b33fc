import {
  BAND_COUNT,
  bandWavelength,
  readGeometry,
  type Lab,
  type MeasuringGeometry,
  type ObserverId,
} from '../colour/index.ts';
import {
  MOST_COLOURS,
  requireReadable,
  type ReadChoices,
  type ReadColour,
  type ReadFile,
} from './readColour.ts';
import { asFractions, reflectanceScale, toBands } from './resample.ts';

/** A colour to be written. */
export interface WrittenColour {
  name: string;
  spectrum: readonly number[];
  /** CIELAB for D65 and the 2 degree observer. */
  lab: Lab;
  /** How it was measured; written where it is known. */
  geometry?: MeasuringGeometry;
}

/** Words of a CGATS line: quoted strings may hold spaces, a doubled quote inside stands for one. */
function words(line: string): string[] {
  return [...line.matchAll(/"((?:[^"]|"")*)"|(\S+)/g)].map(([, quoted, bare]) =>
    quoted === undefined ? bare! : quoted.replaceAll('""', '"'),
  );
}

const NAME_FIELDS = ['SAMPLE_NAME', 'SAMPLE_ID', 'SAMPLEID', 'SAMPLE_LOC', 'NAME'];
const WAVELENGTH = /^(?:SPEC(?:TRAL)?_?(?:NM)?_?)(\d{3})$/;

/** Keywords of the head in order; one that comes twice keeps both its values. */
type Keywords = readonly { keyword: string; value: string }[];

/** Reads CGATS text (ANSI CGATS.17): spectra from SPEC_nnn fields and Lab from LAB_L, LAB_A, LAB_B. Reflectance is
 *  a fraction unless the file's SPECTRAL_NORM says 100 or `scale` says otherwise. What the head does not say of light,
 *  observer and geometry is taken for granted, noted, and named in `assumed`.
 *  Throws RangeError where it is not such a file, is cut short, holds neither spectra nor Lab, or is of a lamp. */
export function readCgats(text: string, choices: ReadChoices = {}): ReadFile {
  const { scale } = choices;
  requireReadable(text);
  const lines = text.replace(/^\uFEFF/, '').split(/\r\n?|\n/);
  const keywords: { keyword: string; value: string }[] = [];
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
      keywords.push({ keyword: keyword.toUpperCase(), value: values.join(' ') });
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

  refuseLamp(lines[0] ?? '', keywords);
  const light = lightOf(keywords, choices);
  const geometry = geometryOf(keywords, choices);
  const colours: ReadColour[] = [];
  const raw: number[][] = [];
  let short = 0;
  const impossible: string[] = [];
  rows.forEach((row, index) => {
    const number = (at: number) => Number(row[at]);
    const lab = hasLab ? labAt.map(number) : [];
    const values = bands.map(({ at }) => number(at));
    if (row.length < fields.length || [...lab, ...values].some((value) => !Number.isFinite(value))) {
      short++;
      return;
    }
    const colour: ReadColour = {
      name: (nameAt === undefined ? '' : row[nameAt]!) || `sample ${index + 1}`,
      ...(geometry.geometry && { geometry: geometry.geometry }),
    };
    if (hasLab && (lab[0]! < 0 || lab[0]! > 100)) {
      impossible.push(`${colour.name} (L ${lab[0]})`);
      return;
    }
    if (hasLab)
      colour.lab = {
        L: lab[0]!,
        a: lab[1]!,
        b: lab[2]!,
        illuminant: light.illuminant,
        observer: light.observer,
      };
    colours.push(colour);
    raw.push(values);
  });
  if (short > 0)
    notes.push(
      `${short} ${short === 1 ? 'sample was' : 'samples were'} left out: a value is missing or no number`,
    );

  if (impossible.length > 0) {
    const whose = `${impossible.slice(0, 3).join(', ')}${impossible.length > 3 ? ' and others' : ''}`;
    if (colours.length === 0)
      throw new RangeError(
        `L must lie between 0 and 100: ${whose}. Nothing was kept; check what the columns hold.`,
      );
    notes.push(`${impossible.length} left out, L must lie between 0 and 100: ${whose}`);
  }
  const assumed: ReadFile['assumed'] = [];
  if (hasLab && light.assumed !== '') {
    assumed.push('light');
    notes.push(light.assumed);
  }
  if (geometry.assumed) {
    assumed.push('geometry');
    notes.push('the file does not say how it was measured; taken for 45:0, without the shine');
  }

  if (bands.length > 0 && colours.length > 0) {
    const start = bands[0]!.nm;
    const step = bands.length > 1 ? (bands.at(-1)!.nm - start) / (bands.length - 1) : NaN;
    const uneven = bands.find(({ nm }, at) => Math.abs(nm - (start + step * at)) > 0.5);
    if (uneven) throw new RangeError(`The bands of the file are not evenly spaced: see ${uneven.nm} nm.`);
    const norm = Number(keywords.findLast(({ keyword }) => keyword === 'SPECTRAL_NORM')?.value);
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
  return { colours, notes, ...(assumed.length > 0 && { assumed }) };
}

const ILLUMINANT_WORD = /(?:^|[^a-z0-9])(d50|d55|d65|d75|f\d{1,2}|a|c|e)(?=$|[^a-z0-9])/i;

/** Light and observer of the Lab values, where the head of the file says. CGATS.17 means D50 and 2 degrees where
 *  nothing is said; `assumed` puts in words what was taken so. */
function lightOf(
  keywords: Keywords,
  { light }: ReadChoices,
): { illuminant: string; observer: ObserverId; assumed: string } {
  if (light) return { ...light, assumed: '' };
  const told = keywords.filter(({ keyword }) =>
    /ILLUM|OBSERV|WEIGHTING|COMPUTATIONAL|MEASUREMENT_SOURCE/.test(keyword),
  );
  let illuminant: string | undefined;
  let observer: ObserverId | undefined;
  for (const { keyword, value } of told) {
    // "Illumination=D65 ObserverAngle=10" names each; a keyword of its own names what it holds.
    const lit = /illumina(?:nt|tion)[\s,=:]*([a-z]\d{0,2})\b/i.exec(value)?.[1];
    const word = lit ?? (/OBSERV/.test(keyword) ? undefined : ILLUMINANT_WORD.exec(value)?.[1]);
    illuminant = word?.toUpperCase() ?? illuminant;
    if (/1964|\b10\s*_?\s*deg|\b10\s*°|angle[\s=:]*10\b|observer[\s,=:]*10\b/i.test(value))
      observer = '10deg';
    else if (/1931|\b2\s*_?\s*deg|\b2\s*°|angle[\s=:]*2\b|observer[\s,=:]*2\b/i.test(value))
      observer = '2deg';
    else if (/OBSERV/.test(keyword) && /^\D*(10|2)\D*$/.test(value))
      observer = /10/.test(value) ? '10deg' : '2deg';
  }
  const missing = [illuminant ? '' : 'light', observer ? '' : 'observer'].filter(Boolean);
  return {
    illuminant: illuminant ?? 'D50',
    observer: observer ?? '2deg',
    assumed:
      missing.length === 0
        ? ''
        : `the file does not say for which ${missing.join(' and ')} its Lab is; taken for ${illuminant ?? 'D50'} and ${observer === '10deg' ? '10' : '2'} degrees, as the format has it`,
  };
}

/** How the samples were measured, where the head says. */
function geometryOf(
  keywords: Keywords,
  { geometry }: ReadChoices,
): { geometry?: MeasuringGeometry; assumed: boolean } {
  if (geometry) return { geometry, assumed: false };
  for (const { keyword, value } of keywords) {
    if (!/GEOMETRY|MEASUREMENT_SOURCE|INSTRUMENTATION|MEAS_MODE/.test(keyword)) continue;
    const read = readGeometry(value);
    if (read !== 'unknown') return { geometry: read, assumed: false };
  }
  return { assumed: true };
}

/** Throws RangeError for the spectrum of a lamp: such files look alike, but what they hold is no surface. */
function refuseLamp(first: string, keywords: Keywords): void {
  const valueOf = (wanted: string) => keywords.find(({ keyword }) => keyword === wanted)?.value ?? '';
  const type = valueOf('MEAS_TYPE');
  const lamp =
    /EMISS|AMBIENT|FLASH|LAMP|LIGHT/i.test(type) ||
    (type === '' &&
      /^\s*SPECT\b/.test(first) &&
      /illumi\w*nt|\blamp\b|light source|spectral power|emission/i.test(valueOf('DESCRIPTOR')));
  if (lamp) {
    throw new RangeError(
      'This is the spectrum of a light source, not of a surface. Nothing was kept; choose a file with reflectances.',
    );
  }
}

const quoted = (text: string) => `"${text.replace(/[\r\n]+/g, ' ').replaceAll('"', '""')}"`;

/** The first line names the kind of file; tools that compute from spectra look for this one and for MEAS_TYPE. */
const SPECTRAL_FILE = ['SPECT', '', 'KEYWORD "MEAS_TYPE"', 'MEAS_TYPE "REFLECTIVE"'];

/** A fraction in per cent, without the digits that multiplying adds. */
const perCent = (value: number) => Number((100 * value).toPrecision(15));

/** CGATS text with spectra in per cent and Lab; numbers are written in full, so that reading gives back the same. The
 *  geometry is said where all colours share a known one: the head has room for one. */
export function writeCgats(colours: readonly WrittenColour[], created: string): string {
  const geometries = new Set(colours.map(({ geometry }) => geometry ?? 'unknown'));
  const [only] = geometries;
  const oneGeometry = geometries.size === 1 && only !== 'unknown' ? only : undefined;
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
    'SPECTRAL_NORM "100.0"',
    'KEYWORD "WEIGHTING_FUNCTION"',
    'WEIGHTING_FUNCTION "ILLUMINANT, D65; OBSERVER, 2 degree"',
    ...(oneGeometry ? ['KEYWORD "MEASUREMENT_GEOMETRY"', `MEASUREMENT_GEOMETRY "${oneGeometry}"`] : []),
    '',
    `NUMBER_OF_FIELDS ${fields.length}`,
    'BEGIN_DATA_FORMAT',
    fields.join(' '),
    'END_DATA_FORMAT',
    '',
    `NUMBER_OF_SETS ${colours.length}`,
    'BEGIN_DATA',
    ...colours.map(({ name, spectrum, lab }, index) =>
      [`"${index + 1}"`, quoted(name), lab.L, lab.a, lab.b, ...spectrum.map(perCent)].join(' '),
    ),
    'END_DATA',
    '',
  ].join('\n');
}
