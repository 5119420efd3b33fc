import Papa from 'papaparse';
import {
  isLikeHeading,
  readHeading,
  readPartList,
  readPartRows,
  type ColumnMapping,
  type PartColumn,
  type PartTableProblem,
  type ReadPart,
} from '../../core/kit/index.ts';

export interface PastedParts {
  parts: ReadPart[];
  problems: PartTableProblem[];
  /** How it was read, in words. */
  how: string;
  /** What each column of a table was read as; empty where it was a list. */
  columns: { heading: string; column: PartColumn | null }[];
}

/** Reads what was pasted or dropped: a table with a heading (tabs, commas or semicolons), of which the builder may say what a
 *  column holds; else a part a line. */
export function readPastedParts(text: string, mapping: ColumnMapping = {}): PastedParts {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: false });
  const at = data.findIndex((cells) => cells.some((cell) => cell.trim() !== ''));
  const headings = data[at] ?? [];
  const columns = readHeading(headings, mapping, Object.keys(mapping).length > 0 || isLikeHeading(headings));
  if (columns) {
    const { parts, problems } = readPartRows(data.slice(at + 1), columns, headings, at + 2);
    const named = headings.map((heading, index) => ({
      heading: heading.trim(),
      column: columns[index] ?? null,
    }));
    const shown = named.filter(({ heading }) => heading !== '');
    const ignored = shown.filter(({ column }) => column === null).map(({ heading }) => heading);
    return {
      parts,
      problems,
      how: `as a table${ignored.length > 0 ? `; columns that say nothing here: ${ignored.join(', ')}` : ''}`,
      columns: shown,
    };
  }
  const { parts, problems } = readPartList(text);
  return {
    parts: parts.map(({ frame, number, name, count }) => ({ frame, number, name, count })),
    problems: problems.map(({ line, text: raw, problem }) => ({ line, column: '', problem, cells: [raw] })),
    how: 'as a part a line',
    columns: [],
  };
}
