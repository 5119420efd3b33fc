import Papa from 'papaparse';
import {
  readHeading,
  readPartList,
  readPartRows,
  type PartTableProblem,
  type ReadPart,
} from '../../core/kit/index.ts';

export interface PastedParts {
  parts: ReadPart[];
  problems: PartTableProblem[];
  /** How it was read, in words. */
  how: string;
}

/** Reads what was pasted or dropped: a table with a heading (tabs, commas or semicolons), else a part a line. */
export function readPastedParts(text: string): PastedParts {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: false });
  const at = data.findIndex((cells) => cells.some((cell) => cell.trim() !== ''));
  const headings = data[at] ?? [];
  const columns = readHeading(headings);
  if (columns) {
    const { parts, problems } = readPartRows(data.slice(at + 1), columns, headings, at + 2);
    const ignored = headings.filter((_, index) => columns[index] === null && headings[index]!.trim() !== '');
    return {
      parts,
      problems,
      how: `as a table${ignored.length > 0 ? `; columns that say nothing here: ${ignored.join(', ')}` : ''}`,
    };
  }
  const { parts, problems } = readPartList(text);
  return {
    parts: parts.map(({ frame, number, name, count }) => ({ frame, number, name, count })),
    problems: problems.map(({ line, text: raw, problem }) => ({ line, column: '', problem, cells: [raw] })),
    how: 'as a part a line',
  };
}
