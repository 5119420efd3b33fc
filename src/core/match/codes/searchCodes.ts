import { ciede2000, type Lab, type Spectrum } from '../../colour/index.ts';
import { codeLab } from './codeSources.ts';
import { bentBy, colourWord } from './colourWords.ts';

/** What a factory code is looked up by. */
export interface SearchableCode {
  id: string;
  maker: string;
  code: string;
  name: string;
  years: string;
  suppliers?: string;
  /** What it is for; the body where it is not said. */
  use?: string;
  kind: string;
  /** Reflectance as it is wanted, 31 bands. */
  spectrum: Spectrum;
}

export interface CodeSearch {
  /** Words: part of maker, code, name, kind or a colour such as "greenish dark blues"; a year such as 1957. */
  text: string;
  maker?: string;
  /** What they are for; anything where absent. */
  use?: string;
  /** Nearest to this colour first. */
  near?: Lab;
}

export interface FoundCode<C> {
  code: C;
  /** dE00 from the colour asked for; absent when none was. */
  dE00?: number;
}

/** Codes that answer to every word, by name or by colour; the nearest first where a colour is given. */
export function searchCodes<C extends SearchableCode>(
  codes: readonly C[],
  { text, maker, use, near }: CodeSearch,
): FoundCode<C>[] {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  const tests = words
    .filter((word) => !bentBy(word, words))
    .map((word) => ({
      word,
      colour: colourWord(word, words),
      year: /^(1[89]|20)\d\d$/.test(word) ? Number(word) : undefined,
    }));
  const found: FoundCode<C>[] = [];
  for (const code of codes) {
    if (maker !== undefined && code.maker !== maker) continue;
    if (use !== undefined && (code.use ?? 'body') !== use) continue;
    const said =
      `${code.maker} ${code.code} ${code.name} ${code.kind} ${code.years} ${code.suppliers ?? ''}`.toLowerCase();
    const lab = codeLab(code);
    const answers = tests.every(
      ({ word, colour, year }) =>
        said.includes(word) || colour?.(lab) === true || (year !== undefined && inYears(code.years, year)),
    );
    if (!answers) continue;
    found.push(near ? { code, dE00: ciede2000(near, lab) } : { code });
  }
  if (near) found.sort((p, q) => (p.dE00 ?? Infinity) - (q.dE00 ?? Infinity));
  return found;
}

/** Whether a year lies in what a list says of years: "1957", "1954-56", "1954, 1958-1961", "from 1960". */
export function inYears(years: string, year: number): boolean {
  for (const [, from, to] of years.matchAll(/(\d{4})(?:\s*[-–/]\s*(\d{2,4}))?/g)) {
    const first = Number(from);
    const last =
      to === undefined ? first : to.length === 2 ? Math.floor(first / 100) * 100 + Number(to) : Number(to);
    if (year >= first && year <= last) return true;
    if (/from|on$|\+/.test(years) && to === undefined && year >= first) return true;
  }
  return false;
}
