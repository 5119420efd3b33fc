import Papa from 'papaparse';
import { labInDaylight, type Lab } from '../../core/colour/index.ts';
import {
  guessColourColumns,
  readCgats,
  readColourTable,
  readCxf,
  readGimpPalette,
  type ColourColumn,
  type ReadChoices,
  type ReadColour,
  type ReadFile,
} from '../../core/formats/index.ts';

export type FileKind = 'CGATS text' | 'CxF 3' | 'GIMP palette' | 'table';

/** A colour of a file with what it is in daylight, where the file has its Lab alone; or why it cannot be kept. */
export interface FileColour extends ReadColour {
  daylight?: { lab: Lab; uncertainty: number };
  problem?: string;
}

/** A colour file as it was read, or a table whose columns may still be told. */
export interface ColourFile extends ReadFile {
  colours: FileColour[];
  kind: FileKind;
  /** Of a table: headings, the guess of what they hold, and the first rows. */
  table?: { headings: string[]; columns: ColourColumn[]; preview: string[][] };
  /** The scale of reflectance must be asked before anything is read. */
  ask?: string;
}

export interface ReadOptions extends ReadChoices {
  columns?: ColourColumn[];
}

const PREVIEW = 5;

/** Reads the text of a colour file, telling its kind by what it says rather than by its name. Throws RangeError with
 *  what is wrong, what was kept and what to do. */
export function readColourFile(text: string, options: ReadOptions = {}): ColourFile {
  const file = readByKind(text, options);
  return { ...file, colours: file.colours.map(inDaylight) };
}

/** Brings a Lab of whichever light and observer into daylight. */
function inDaylight(colour: FileColour): FileColour {
  const { spectrum, lab } = colour;
  if (spectrum || !lab) return colour;
  const { L, a, b, illuminant = 'D65', observer = '2deg' } = lab;
  try {
    const { lab: daylight, uncertainty } = labInDaylight({ L, a, b }, illuminant, observer);
    return { ...colour, daylight: { lab: daylight, uncertainty } };
  } catch (error) {
    return { ...colour, problem: (error as Error).message };
  }
}

function readByKind(text: string, options: ReadOptions): ColourFile {
  const start = text
    .slice(0, 2000)
    .replace(/^\uFEFF/, '')
    .trimStart();
  const asked = (kind: FileKind, read: () => ReadFile): ColourFile => {
    try {
      return { kind, ...read() };
    } catch (error) {
      const message = (error as Error).message;
      if (/in fractions or in per cent/.test(message)) return { kind, colours: [], notes: [], ask: message };
      throw error;
    }
  };
  if (start.startsWith('<')) return asked('CxF 3', () => readCxf(text, options));
  if (start.startsWith('GIMP Palette')) return asked('GIMP palette', () => readGimpPalette(text));
  if (/BEGIN_DATA_FORMAT/.test(text.slice(0, 100_000)))
    return asked('CGATS text', () => readCgats(text, options));

  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' });
  const [headings = [], ...rows] = data;
  if (headings.length < 2 || rows.length === 0) {
    throw new RangeError(
      'This is no colour file that Fanfare knows: neither CGATS text, CxF 3 nor a GIMP palette, and not a table with a heading and rows. Nothing was kept.',
    );
  }
  const columns = options.columns ?? guessColourColumns(headings);
  const table = { headings, columns, preview: rows.slice(0, PREVIEW) };
  const usable =
    columns.some((column) => typeof column === 'number' || column === 'hex') ||
    (['L', 'a', 'b'] as const).every((column) => columns.includes(column));
  if (!usable) return { kind: 'table', colours: [], notes: [], table };
  return { ...asked('table', () => readColourTable(rows, columns, options)), table };
}
