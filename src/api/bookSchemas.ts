import { array, lazy, mixed, number, object, string, type AnyObjectSchema } from 'yup';
import { BLOCK_KINDS, type BookBlock } from '../core/record/index.ts';

/** A book that is sent to be laid out. */
export interface BookInput {
  title: string;
  blocks: BookBlock[];
}

const MOST_BLOCKS = 2000;
const MOST_ROWS = 2000;
const MOST_COLUMNS = 8;
const MOST_PATHS = 2000;
const MOST_PATH = 120_000;

const words = (what: string, most = 4000) =>
  string().defined(`${what} is missing`).max(most, `${what} has at most ${most} letters`);
const listOf = (what: string, most: number, item: AnyObjectSchema) =>
  array().of(item.required()).max(most, `at most ${most} ${what}`).required(`${what} are missing`);
const hex = string().matches(/^#[0-9a-f]{6}$/i, 'a colour is written like #1a2b3c');
const size = number()
  .typeError('a size must be a number')
  .min(0.1, 'a size is at least 0.1 mm')
  .max(5000, 'a size is at most 5000 mm')
  .required('a size is missing');

const path = object({
  d: words('a path', MOST_PATH).matches(/^[MLHVCSQTAZ\d\s,.e+-]*$/i, 'a path is written in SVG’s language'),
  fill: hex.optional(),
  stroke: hex.optional(),
  strokeMm: number().min(0).max(20).optional(),
  dashMm: number().min(0.01).max(100).optional(),
}).noUnknown();

const text = object({ kind: string().required(), text: words('the text') }).noUnknown();
const BLOCKS: Readonly<Record<BookBlock['kind'], AnyObjectSchema>> = {
  title: text.shape({ under: words('what stands under the title') }),
  heading: text,
  part: text,
  text,
  rows: object({
    kind: string().required(),
    rows: listOf(
      'rows',
      MOST_ROWS,
      object({ label: words('a label', 200), value: words('a value') }).noUnknown(),
    ),
  }).noUnknown(),
  table: object({
    kind: string().required(),
    head: array().of(words('a heading', 200)).min(1).max(MOST_COLUMNS).required(),
    right: array()
      .of(mixed<boolean>().oneOf([true, false]))
      .max(MOST_COLUMNS)
      .required(),
    rows: array()
      .of(array().of(words('a cell')).max(MOST_COLUMNS).required())
      .max(MOST_ROWS, `at most ${MOST_ROWS} rows`)
      .required(),
  })
    .noUnknown()
    .test(
      'even',
      'each row of a table has as many cells as its head',
      ({ head, right, rows }) =>
        right.length === head.length && rows.every((row) => row.length === head.length),
    ),
  swatches: object({
    kind: string().required(),
    swatches: listOf(
      'swatches',
      400,
      object({ hex: hex.required('a colour is missing'), label: words('a label', 300) }).noUnknown(),
    ),
  }).noUnknown(),
  pictures: object({
    kind: string().required(),
    inRow: number()
      .integer()
      .min(1, 'a row has a picture at least')
      .max(8, 'a row has at most 8 pictures')
      .optional(),
    pictures: listOf(
      'pictures',
      400,
      object({ pictureId: words('the picture', 120), caption: words('a caption', 500) }).noUnknown(),
    ),
  }).noUnknown(),
  drawing: object({
    kind: string().required(),
    width: size,
    height: size,
    caption: words('a caption', 500),
    paths: listOf('paths', MOST_PATHS, path),
  }).noUnknown(),
};

const noBlock = object({
  kind: string()
    .oneOf(BLOCK_KINDS, `a block is one of: ${BLOCK_KINDS.join(', ')}`)
    .required(),
});

const block = lazy((value: unknown) => {
  const kind = (value as { kind?: unknown } | null)?.kind;
  return typeof kind === 'string' && kind in BLOCKS ? BLOCKS[kind as BookBlock['kind']] : noBlock;
}) as unknown as AnyObjectSchema;

export const bookInput = object({
  title: words('the title', 200).required('the title is missing'),
  blocks: array()
    .of(block)
    .max(MOST_BLOCKS, `a book has at most ${MOST_BLOCKS} blocks`)
    .required('the blocks are missing'),
}).noUnknown();
