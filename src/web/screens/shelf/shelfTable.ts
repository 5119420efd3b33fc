import { bare } from '../../../core/figures.ts';
import Papa from 'papaparse';
import {
  idFrom,
  isSameWord,
  type PaintInput,
  type PaintRecord,
  type ShelfMerge,
} from '../../../api/index.ts';
import { DAYLIGHT, parseHex, spectrumToDisplay, spectrumToLab } from '../../../core/colour/index.ts';
import { FAMILIES, opaqueInSheen, type FamilyId } from '../../../core/finish/index.ts';

/** Columns of a shelf in a table, with other headings that are taken for the same. */
export const SHELF_COLUMNS = {
  code: ['code', 'id', 'number', 'item'],
  range: ['range', 'brand', 'line', 'maker'],
  name: ['name', 'paint', 'colour name'],
  chemistry: ['chemistry', 'family', 'type'],
  sheen: ['sheen', 'gloss', 'finish'],
  hiding: ['hiding', 'opacity'],
  volume: ['volume ml', 'volume', 'size', 'ml'],
  price: ['price', 'cost'],
  left: ['left ml', 'left', 'level', 'remaining'],
  opened: ['opened', 'opened on'],
  place: ['place', 'where', 'location'],
  note: ['note', 'notes', 'remark'],
  hex: ['hex', 'colour', 'color', 'rgb'],
  discontinued: ['discontinued', 'no longer made'],
} as const;

export type ShelfColumn = keyof typeof SHELF_COLUMNS;
export type ShelfMapping = Partial<Record<ShelfColumn, number>>;

/** Rows of a shelf for a table. */
export function shelfRows(paints: readonly PaintRecord[]): Record<string, string | number>[] {
  return paints.map((paint) => {
    const spectrum = opaqueInSheen(paint, paint.sheen);
    const lab = spectrumToLab(spectrum, DAYLIGHT);
    return {
      code: paint.id,
      range: paint.range,
      name: paint.name,
      chemistry: paint.family,
      sheen: paint.sheen,
      hiding: paint.hiding,
      'volume ml': paint.volumeMl,
      price: (paint.priceCents / 100).toFixed(2),
      'left ml': paint.levelMl ?? '',
      opened: paint.openedOn ?? '',
      place: paint.place,
      note: paint.note,
      hex: spectrumToDisplay(spectrum).hex,
      L: bare(lab.L, 'L', 2),
      a: bare(lab.a, 'L', 2),
      b: bare(lab.b, 'L', 2),
      discontinued: paint.discontinued ? 'yes' : '',
    };
  });
}

export interface ReadTable {
  heading: string[];
  rows: string[][];
}

/** Largest list that is read, characters. */
export const LONGEST_LIST = 5e6;
const MOST_ROWS = 5000;

/** Takes a CSV or TSV apart. Throws RangeError for one without rows or with too many. */
export function readTable(text: string): ReadTable {
  if (text.length > LONGEST_LIST) throw new RangeError('The list is larger than 5 MB. Split it.');
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, '').trim(), { skipEmptyLines: 'greedy' });
  const [heading, ...rows] = data;
  if (!heading || rows.length === 0) {
    throw new RangeError('The list needs a line of headings and at least one paint below it.');
  }
  if (rows.length > MOST_ROWS)
    throw new RangeError(`The list has ${rows.length} rows; at most ${MOST_ROWS}.`);
  return { heading: heading.map((cell) => cell.trim()), rows };
}

/** Which column is which, by its heading. */
export function guessMapping(heading: readonly string[]): ShelfMapping {
  const mapping: ShelfMapping = {};
  for (const [column, names] of Object.entries(SHELF_COLUMNS)) {
    const at = heading.findIndex((cell) => (names as readonly string[]).includes(cell.toLowerCase()));
    if (at >= 0) mapping[column as ShelfColumn] = at;
  }
  return mapping;
}

/** What a row of the list would do. */
export interface MergeLine {
  line: number;
  name: string;
  kind: 'new' | 'changed' | 'same' | 'problem';
  /** What changes, from what to what; or what is wrong. */
  says: string;
  row?: ShelfMerge['rows'][number];
}

const SHEENS = ['gloss', 'semi-gloss', 'satin', 'matt', 'metal'] as const;
const HIDING = ['opaque', 'semi-opaque', 'transparent'] as const;
const YES = /^(yes|y|true|1|x)$/i;

/** What merging a list into the shelf would do, row by row. Cells that are empty or have no column leave things as
 *  they are. */
export function planMerge(
  { rows }: ReadTable,
  mapping: ShelfMapping,
  paints: readonly PaintRecord[],
): MergeLine[] {
  const byId = new Map(paints.map((paint) => [paint.id.toLowerCase(), paint]));
  const seen = new Map<string, number>();
  return rows.map((cells, index) => {
    const cell = (column: ShelfColumn) => {
      const at = mapping[column];
      return at === undefined ? '' : (cells[at] ?? '').trim();
    };
    const line = index + 2;
    const code = cell('code');
    const range = cell('range');
    const own = idFrom(range, code);
    const there = byId.get(code.toLowerCase()) ?? byId.get(own);
    // Two ranges whose names come to the same in plain letters are two all the same.
    const known = there && (range === '' || isSameWord(there.range, range)) ? there : undefined;
    const name = known?.name ?? (cell('name') || code);
    const problem = (says: string): MergeLine => ({ line, name, kind: 'problem', says });
    if (code === '') return problem('it has no code');
    const key = known?.id ?? `${range} ${code}`.trim().toLowerCase();
    const twin = seen.get(key);
    if (twin !== undefined) return problem(`the same paint stands in line ${twin}`);
    seen.set(key, line);
    const number = (column: ShelfColumn) => {
      const text = cell(column)
        .replace(/[^\d.,-]/g, '')
        .replace(',', '.');
      return cell(column) === '' ? undefined : Number(text === '' ? NaN : text);
    };
    const left = number('left');
    const price = number('price');
    const opened = cell('opened');
    if (left !== undefined && !(left >= 0 && left <= 5000))
      return problem(`"${cell('left')}" is no level between 0 and 5000 ml`);
    if (price !== undefined && !(price >= 0 && price <= 10000))
      return problem(`"${cell('price')}" is no price`);
    if (opened !== '' && !/^\d{4}-\d{2}-\d{2}$/.test(opened))
      return problem(`"${opened}" is no day; write it like 2026-05-12`);
    const gone = cell('discontinued');
    const about = {
      ...(opened === '' ? {} : { openedOn: opened }),
      ...(cell('place') === '' ? {} : { place: cell('place').slice(0, 80) }),
      ...(cell('note') === '' ? {} : { note: cell('note').slice(0, 500) }),
    };
    const change = {
      ...(price === undefined ? {} : { priceCents: Math.round(100 * price) }),
      ...(gone === '' ? {} : { discontinued: YES.test(gone) }),
    };
    if (known) {
      const level = left ?? known.levelMl;
      const shelf = level === null ? null : { levelMl: level, ...about };
      const differences = [
        ...said(
          'left',
          known.levelMl === null ? 'none' : `${known.levelMl} ml`,
          shelf ? `${shelf.levelMl} ml` : 'none',
        ),
        ...(shelf
          ? [
              ...said('opened', known.openedOn ?? 'never', shelf.openedOn ?? known.openedOn ?? 'never'),
              ...said('place', known.place || 'nowhere', shelf.place ?? (known.place || 'nowhere')),
              ...said('note', known.note || 'none', shelf.note ?? (known.note || 'none')),
            ]
          : []),
        ...said(
          'price',
          (known.priceCents / 100).toFixed(2),
          ((change.priceCents ?? known.priceCents) / 100).toFixed(2),
        ),
        ...said(
          'availability',
          known.discontinued ? 'discontinued' : 'made',
          (change.discontinued ?? known.discontinued) ? 'discontinued' : 'made',
        ),
      ];
      if (differences.length === 0) return { line, name, kind: 'same', says: 'nothing changes' };
      return {
        line,
        name,
        kind: 'changed',
        says: differences.join('; '),
        row: { paintId: known.id, paint: undefined, shelf, change, version: known.version },
      };
    }
    const paint = newPaint(cell, number('volume'), change.priceCents ?? 0);
    if (typeof paint === 'string') return problem(paint);
    const levelMl = left ?? paint.volumeMl;
    return {
      line,
      name,
      kind: 'new',
      says: `${paint.range}, ${FAMILIES[paint.family].name}, ${levelMl} ml on the shelf`,
      row: {
        paintId: null,
        paint,
        shelf: { levelMl, ...about },
        change: change.discontinued === undefined ? {} : { discontinued: change.discontinued },
        version: 0,
      },
    };
  });
}

const said = (what: string, before: string, after: string) =>
  before === after ? [] : [`${what} ${before} → ${after}`];

/** A paint that the catalogue does not have, or what it lacks. */
function newPaint(
  cell: (column: ShelfColumn) => string,
  volume: number | undefined,
  priceCents: number,
): PaintInput | string {
  if (cell('range') === '') return 'it is new and has no range';
  const hex = cell('hex');
  try {
    parseHex(hex);
  } catch (error) {
    return `it is new and needs a colour: ${(error as Error).message.replace(/\.$/, '')}`;
  }
  const word = cell('chemistry').toLowerCase();
  const family = (Object.keys(FAMILIES) as FamilyId[]).find(
    (id) => id === word || FAMILIES[id].name.toLowerCase() === word,
  );
  if (!family) return `it is new and "${cell('chemistry')}" is no chemistry that Fanfare knows`;
  const sheen = SHEENS.find((one) => one === (cell('sheen').toLowerCase() || 'gloss'));
  const hiding = HIDING.find((one) => one === (cell('hiding').toLowerCase() || 'semi-opaque'));
  if (!sheen) return `"${cell('sheen')}" is no sheen: use ${SHEENS.join(', ')}`;
  if (!hiding) return `"${cell('hiding')}" is no hiding: use ${HIDING.join(', ')}`;
  const volumeMl = volume ?? 17;
  if (!(volumeMl > 0 && volumeMl <= 5000)) return `"${cell('volume')}" is no volume between 0 and 5000 ml`;
  return {
    range: cell('range').slice(0, 120),
    code: cell('code').slice(0, 40),
    name: (cell('name') || cell('code')).slice(0, 120),
    family,
    container: 'bottle',
    role: 'colour',
    sheen,
    hiding,
    priceCents,
    volumeMl,
    hex: hex.startsWith('#') ? hex : `#${hex}`,
    lab: undefined,
    owned: false,
  };
}
