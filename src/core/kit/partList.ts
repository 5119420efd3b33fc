import type { KitPart } from './build.ts';

export interface PartListReading {
  parts: KitPart[];
  /** Lines that could not be read, with what was wrong. */
  problems: { line: number; text: string; problem: string }[];
}

/** Reads a pasted part list, a line each: frame and number, name, and a count where it is more than one;
 *  "B12 Door, left" or "B 12, Door, left x2". Lines that cannot be read are reported, never dropped. */
export function readPartList(text: string): PartListReading {
  const reading: PartListReading = { parts: [], problems: [] };
  text.split(/\r?\n/).forEach((raw, index) => {
    const line = raw.trim();
    if (line === '') return;
    const match = /^([A-Za-z]{1,2})\s*-?\s*(\d{1,3}[a-z]?)\s*[,;:\t ]\s*(.+?)(?:\s*[x×]\s*(\d+))?$/u.exec(
      line,
    );
    const fail = (problem: string) => reading.problems.push({ line: index + 1, text: line, problem });
    if (!match) return fail('begin with the frame letter and part number, like "B12 Door, left"');
    const [, frame, number, name, count] = match;
    const amount = count === undefined ? 1 : Number(count);
    if (amount < 1 || amount > 200) return fail('the count must lie between 1 and 200');
    reading.parts.push({
      id: `${frame!.toUpperCase()}${number}`,
      frame: frame!.toUpperCase(),
      number: number!,
      name: name!.trim(),
      count: amount,
    });
  });
  return reading;
}
