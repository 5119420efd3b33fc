import {
  MATERIALS,
  PART_NEEDS,
  PART_STATES,
  type Material,
  type KitFinish,
  type Part,
  type PartNeed,
  type PartState,
} from './kit.ts';

/** Columns that a pasted part table may have. */
export const PART_COLUMNS = [
  'frame',
  'number',
  'label',
  'name',
  'count',
  'material',
  'colour',
  'finish',
  'plated',
  'areaCm2',
  'lengthMm',
  'needs',
  'state',
  'note',
] as const;
export type PartColumn = (typeof PART_COLUMNS)[number];

/** What was read of a part; what the table does not say is left out. */
export type ReadPart = Pick<Part, 'frame' | 'number' | 'name'> &
  Partial<Omit<Part, 'id' | 'zones'>> & {
    /** A finish by its name, as the table calls it. */
    finish?: string;
  };

export interface PartTableProblem {
  /** 1 for the first line pasted. */
  line: number;
  /** Column as it is headed, or its number; '' for the line as a whole. */
  column: string;
  problem: string;
  cells: string[];
}

export interface PartTableReading {
  parts: ReadPart[];
  problems: PartTableProblem[];
}

/** Other words for what parts are made of. */
const MATERIAL_WORDS: ReadonlyMap<string, Material> = new Map(
  Object.entries<Material>({
    plastic: 'styrene',
    polystyrene: 'styrene',
    ps: 'styrene',
    abs: 'styrene',
    transparent: 'clear',
    'clear plastic': 'clear',
    glass: 'clear',
    'soft plastic': 'vinyl',
    pvc: 'vinyl',
    'photo etch': 'etch',
    'photo-etch': 'etch',
    'photo-etched': 'etch',
    'photo-etched metal': 'etch',
    etched: 'etch',
    brass: 'etch',
    'poly cap': 'poly',
    'die cast': 'metal',
    'die-cast': 'metal',
    steel: 'metal',
    paper: 'card',
  }),
);

/** More than any kit holds; beyond it a table is taken for something else. */
export const MOST_PARTS = 3000;

/** What columns are headed, in any usual word; units, brackets and points do not matter. */
const HEADINGS: readonly [PartColumn, string][] = [
  ['label', 'part|part no|part nr|part number|part id|item|item no|item number|ref|reference|id|code|piece'],
  ['frame', 'frame|sprue|tree|letter|runner|frame letter|sprue letter'],
  ['number', 'no|nr|number|num|#'],
  ['name', 'name|part name|description|what|title|designation|component|item name|what it is'],
  ['count', 'count|qty|quantity|pieces|pcs|amount|how many|x|number of|no of|units'],
  ['material', 'material|made of|mat|stuff|kind of plastic'],
  [
    'colour',
    'colour|color|moulded|molded|moulded in|molded in|moulded colour|molded color|plastic|plastic colour|plastic color|colour of plastic',
  ],
  [
    'finish',
    'finish|paint|painted|paint colour|paint color|painted in|final colour|final color|colour to paint|coat',
  ],
  ['plated', 'plated|chrome|chromed|plating'],
  ['areaCm2', 'area|surface|surface area|cm2|sq cm|area cm2|surface cm2|area sq cm'],
  ['lengthMm', 'length|size|mm|length mm|size mm|longest side'],
  ['needs', 'needs|clean up|cleanup|to do|todo|work'],
  ['state', 'state|condition|status'],
  ['note', 'note|notes|remark|remarks|comment|comments'],
];
const BY_HEADING: ReadonlyMap<string, PartColumn> = new Map(
  HEADINGS.flatMap(([column, words]) => words.split('|').map((word) => [word, column] as const)),
);

/** "Area (cm²)" is "area cm2". */
const plainHeading = (heading: string): string =>
  heading
    .toLowerCase()
    .replace('²', '2')
    .replace(/[().:[\]_/-]+/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();

/** What a builder said that columns hold, by their heading; null for nothing that is wanted. */
export type ColumnMapping = Readonly<Record<string, PartColumn | null>>;

/** What each column of a heading row holds; null for columns that say nothing to us. Undefined where the row is no
 *  heading: it must name a part column and a name, or be known to head a table. */
export function readHeading(
  cells: readonly string[],
  mapping: ColumnMapping = {},
  isTable = Object.keys(mapping).length > 0,
): (PartColumn | null)[] | undefined {
  const columns = cells.map((cell) => {
    // A heading may be any word, also one that every object has.
    const told = Object.hasOwn(mapping, cell.trim()) ? mapping[cell.trim()] : undefined;
    return told === undefined ? (BY_HEADING.get(plainHeading(cell)) ?? null) : told;
  });
  const found = new Set(columns);
  const isHeading = found.has('name') && (found.has('label') || found.has('number'));
  return isHeading || isTable ? columns : undefined;
}

/** Whether a row looks like a heading of which only some is understood: the rest can be told. */
export const isLikeHeading = (cells: readonly string[]): boolean =>
  cells.length > 1 &&
  cells.every((cell) => !/^[A-Za-z]{0,3}-?\d+[a-z]?$/.test(cell.trim())) &&
  cells.filter((cell) => BY_HEADING.has(plainHeading(cell))).length >= 2;

/** Reads rows of cells as parts. Rows that cannot be read are reported with line and column and left out. */
export function readPartRows(
  rows: readonly (readonly string[])[],
  columns: readonly (PartColumn | null)[],
  headings: readonly string[],
  firstLine: number,
): PartTableReading {
  const reading: PartTableReading = { parts: [], problems: [] };
  rows.forEach((cells, index) => {
    if (cells.every((cell) => cell.trim() === '')) return;
    const line = firstLine + index;
    const fail = (at: number, problem: string) =>
      reading.problems.push({
        line,
        column: at < 0 ? '' : headings[at]?.trim() || `column ${at + 1}`,
        problem,
        cells: [...cells],
      });
    if (cells.length > columns.length && cells.slice(columns.length).some((cell) => cell.trim() !== ''))
      return fail(columns.length, `the line has ${cells.length} cells, the heading ${columns.length}`);
    if (reading.parts.length >= MOST_PARTS)
      return fail(-1, `a kit holds at most ${MOST_PARTS} parts; this line is beyond that`);
    const part: Partial<ReadPart> = {};
    for (let at = 0; at < columns.length; at++) {
      const column = columns[at];
      const text = (cells[at] ?? '').trim();
      if (!column || text === '') continue;
      const problem = readCell(column, text, part);
      if (problem) return fail(at, problem);
    }
    if (!part.number)
      return fail(
        columns.indexOf('label') >= 0 ? columns.indexOf('label') : columns.indexOf('number'),
        'the part number is missing',
      );
    if (!part.name) return fail(columns.indexOf('name'), 'the name is missing');
    reading.parts.push({ frame: '', ...part } as ReadPart);
  });
  return reading;
}

/** Reads one cell as it is typed: what it says of a part, or what is wrong with it. */
export function readPartCell(
  column: PartColumn,
  text: string,
): { part: Partial<ReadPart>; problem?: undefined } | { problem: string } {
  const part: Partial<ReadPart> = {};
  const problem = readCell(column, text.trim(), part);
  return problem === undefined ? { part } : { problem };
}

function readCell(column: PartColumn, text: string, part: Partial<ReadPart>): string | undefined {
  const number = (least: number, most: number, whole: boolean) => {
    const value = Number(
      text
        .replace(',', '.')
        .replace(/\s*(cm\^?2|cm²|sq\.? ?cm|mm|x|×|off|pcs?\.?|pieces?)$/i, '')
        .replace(/^[x×]\s*/i, ''),
    );
    return Number.isFinite(value) && value >= least && value <= most && (!whole || Number.isInteger(value))
      ? value
      : undefined;
  };
  switch (column) {
    case 'label': {
      const match = /^([A-Za-z]{1,3})?\s*-?\s*(\d{1,4}[a-z]?)$/.exec(text);
      if (!match) return `“${text}” is no part number like A12`;
      part.frame = (match[1] ?? '').toUpperCase();
      part.number = match[2]!;
      return;
    }
    case 'frame':
      if (text.length > 3) return `“${text}” is too long for a frame letter`;
      part.frame = text.toUpperCase();
      return;
    case 'number':
      // Where frame and number stand in one cell, whatever that is headed.
      if (!/^\d{1,4}[a-z]?$/i.test(text)) return readCell('label', text, part);
      part.number = text.toLowerCase();
      return;
    case 'name':
      part.name = text.slice(0, 120);
      return;
    case 'finish':
      part.finish = text.slice(0, 80);
      return;
    case 'note':
    case 'colour':
      part[column] = text.slice(0, 200);
      return;
    case 'count': {
      const count = /^(a )?pair$/i.test(text) ? 2 : number(1, 200, true);
      if (count === undefined) return `“${text}” is no whole count from 1 to 200`;
      part.count = count;
      return;
    }
    case 'areaCm2':
    case 'lengthMm': {
      const value = number(0.01, 5000, false);
      if (value === undefined)
        return `“${text}” is no ${column === 'areaCm2' ? 'area in cm²' : 'length in mm'}`;
      part[column] = value;
      return;
    }
    case 'plated':
      if (!/^(y|yes|x|true|1|plated|chrome|n|no|false|0|-)$/i.test(text))
        return `“${text}” is neither yes nor no`;
      part.plated = /^(y|yes|x|true|1|plated|chrome)$/i.test(text);
      return;
    case 'material': {
      // "Plated" and "chrome" are what is on it: beneath is the plastic of the kit.
      if (/^(chrom(e|ed)?|plated)\b/i.test(text)) {
        part.plated = true;
        part.material = 'styrene';
        return;
      }
      const material = MATERIAL_WORDS.get(text.toLowerCase()) ?? wordOf<Material>(text, MATERIALS);
      if (!material) return `“${text}” is none of: ${MATERIALS.join(', ')}`;
      part.material = material;
      return;
    }
    case 'state': {
      const state = wordOf<PartState>(text, PART_STATES);
      if (!state) return `“${text}” is none of: ${PART_STATES.join(', ')}`;
      part.state = state;
      return;
    }
    case 'needs': {
      const needs = text
        .split(/[\s,;/+]+/)
        .filter(Boolean)
        .map((word) => wordOf<PartNeed>(word, PART_NEEDS));
      const wrong = needs.findIndex((need) => need === undefined);
      if (wrong >= 0) return `“${text}” is none of: ${PART_NEEDS.join(', ')}`;
      part.needs = needs as PartNeed[];
      return;
    }
  }
}

function wordOf<T extends string>(text: string, words: readonly T[]): T | undefined {
  const plain = text.toLowerCase().replace(/[\s_]+/g, '-');
  return words.find((word) => word === plain || (plain.length > 2 && word.startsWith(plain)));
}

/** Parts as rows of a table that is read again as it stands: its columns are headed by words that the reading knows. */
export function partRows(
  parts: readonly Part[],
  finishes: readonly Pick<KitFinish, 'id' | 'name'>[],
): Record<string, string | number>[] {
  const names = new Map(finishes.map(({ id, name }) => [id, name]));
  return parts.map(
    ({ frame, number, name, count, material, colour, plated, areaCm2, lengthMm, ...rest }) => ({
      frame,
      number,
      name,
      count,
      material,
      colour,
      finish: names.get(rest.zones[0]?.finishId ?? '') ?? '',
      plated: plated ? 'yes' : 'no',
      'area cm2': areaCm2 ?? '',
      'length mm': lengthMm ?? '',
      needs: rest.needs.join(' '),
      state: rest.state,
      note: rest.note,
    }),
  );
}
