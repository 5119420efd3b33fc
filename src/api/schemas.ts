import {
  array,
  boolean,
  lazy,
  mixed,
  number,
  object,
  setLocale,
  string,
  type AnyObjectSchema,
  type InferType,
  type MixedSchema,
} from 'yup';
import { GEOMETRIES } from '../core/colour/index.ts';
import { isRealDay } from '../core/kit/index.ts';
import { copyPlanSchema } from './copies.ts';
import { LAYER_KINDS, SETTING_LIMITS, type LayerKind, type ToolSettings } from '../core/finish/index.ts';

/** What crosses the wire, with limits. Messages are read by builders. */

const MOST_OF_A_KEY = 80;
const keysShown = (keys: string): string =>
  keys.length > MOST_OF_A_KEY ? `${keys.slice(0, MOST_OF_A_KEY - 1)}…` : keys;

// The library's own messages would repeat the value that was sent.
setLocale({
  mixed: {
    required: ({ path }) => `${path || 'this'} is missing`,
    defined: ({ path }) => `${path || 'this'} is missing`,
    notNull: ({ path }) => `${path || 'this'} may not be empty`,
    notType: ({ path, type }: { path: string; type: string }) =>
      `${path || 'this'} is not of the kind: ${type}`,
    oneOf: ({ path }) => `${path || 'this'} is none of what it may be`,
  },
  object: {
    noUnknown: ({ path, unknown }) =>
      `${path || 'the record'} has fields that are not known: ${keysShown(String(unknown))}`,
  },
});

const PAINT_FAMILIES = [
  'water-acrylic',
  'alcohol-acrylic',
  'lacquer',
  'enamel',
  'aerosol',
  'metal-lacquer',
  'buffing-metal',
  'chrome-ink',
  'urethane-2k',
  'oil-wash',
  'powder',
  'fibre',
  'foil',
] as const;
const SHEENS = ['gloss', 'semi-gloss', 'satin', 'matt', 'metal'] as const;
const TOOLS = ['airbrush', 'can', 'brush', 'marker', 'sponge', 'hand'] as const;
const KINDS_OF_LAYER = Object.keys(LAYER_KINDS) as LayerKind[];
const HIDING = ['opaque', 'semi-opaque', 'transparent'] as const;
const CONTAINERS = ['bottle', 'can', 'marker'] as const;
const ROLES = ['colour', 'primer', 'undercoat', 'metal', 'clear'] as const;

/** An id. Names that every object has already would be mistaken for what they are there. */
export const id = (what = 'an id') =>
  string()
    .required(`${what} is missing`)
    .max(120, 'an id has at most 120 characters')
    .test('own', 'that word cannot be an id', isOwnName);
export const label = (what: string, most = 120) =>
  string()
    .trim(`${what} must not begin or end with a space`)
    .required(`${what} is missing`)
    .max(most, `${what} has at most ${most} characters`);
export const oneOf = <T extends string>(values: readonly T[], what: string) =>
  string()
    .oneOf(values, `${what} must be one of: ${values.join(', ')}`)
    .required(`${what} is missing`);
export const count = (what: string, least: number, most: number) =>
  number()
    .typeError(`${what} must be a number`)
    .required(`${what} is missing`)
    .min(least, `${what} must lie between ${least} and ${most}`)
    .max(most, `${what} must lie between ${least} and ${most}`);
export const whole = (what: string, least: number, most: number) =>
  count(what, least, most).integer(`${what} must be a whole number`);
export const version = () => whole('the record version', 0, 1e9);

const isOwnName = (name: unknown): boolean => typeof name !== 'string' || !(name in {});

export const labSchema = object({
  L: count('L', 0, 100),
  a: count('a', -160, 160),
  b: count('b', -160, 160),
}).noUnknown();

const isMix = (mix: unknown): boolean => {
  // yup runs the test on an absent value too.
  if (mix === undefined || mix === null) return true;
  const drops = Object.entries(mix as Record<string, unknown>);
  return (
    drops.length <= 8 &&
    drops.every(([paint, count]) => {
      return (
        paint.length <= 120 &&
        isOwnName(paint) &&
        Number.isInteger(count) &&
        (count as number) >= 1 &&
        (count as number) <= 200
      );
    })
  );
};

export const mixSchema = object().test('drops', 'drops must be whole numbers from 1 to 200', isMix);

export const layerSchema = object({
  id: id(),
  kind: oneOf(KINDS_OF_LAYER, 'the kind of layer'),
  mix: mixSchema.optional().default(undefined),
  coats: whole('coats', 1, 30),
  mistCoats: whole('mist coats', 0, 30).optional(),
  tool: oneOf(TOOLS, 'the tool'),
  finishId: id().optional().default(undefined),
  share: count('the share of the body', 0, 1).optional().default(undefined),
  codeId: id().optional().default(undefined),
  muted: array(
    object({
      ruleId: id(),
      note: label('the note why a rule is silenced', 300),
    }).noUnknown(),
  )
    .max(60, 'at most 60 silenced rules on one layer')
    .optional()
    .default(undefined),
}).noUnknown();

/** Whether no two records of a list have the same id; what is no list is said elsewhere. */
function hasOwnIds(records: unknown): boolean {
  if (!Array.isArray(records)) return true;
  const ids = (records as ({ id?: unknown } | null)[]).map((record) => record?.id);
  return new Set(ids).size === ids.length;
}

/** The layers of a stack, each with an id of its own. */
export const layersSchema = () =>
  array(layerSchema)
    .required()
    .max(40, 'at most 40 layers in a stack')
    .test('ids', 'two layers of a stack have the same id', (layers) => hasOwnIds(layers));

export const conditionsSchema = object({
  temperatureC: count('the temperature in C', -10, 50),
  humidity: count('the humidity in per cent', 0, 100),
  dryerC: number()
    .typeError('the temperature of the dehydrator must be a number')
    .min(25, 'a dehydrator runs between 25 and 80 C')
    .max(80, 'a dehydrator runs between 25 and 80 C')
    .optional(),
}).noUnknown();

export const calendarSchema = object({
  sessions: array(
    object({
      day: whole('the day of the week', 0, 6),
      start: whole('the start of a session', 0, 1440),
      end: whole('the end of a session', 0, 1440).moreThan(0),
      spraying: boolean().optional(),
    }).noUnknown(),
  )
    .required()
    .max(50, 'at most 50 sessions a week'),
  closed: array(
    string()
      .required()
      .matches(/^\d{4}-\d{2}-\d{2}$/, 'a closed day is written like 2026-12-24'),
  )
    .required()
    .max(400),
  forecast: array(
    object({
      day: string()
        .required()
        .matches(/^\d{4}-\d{2}-\d{2}$/, 'a day of the forecast is written like 2026-12-24')
        .test('real', '${value} is no day of any calendar', (day) => isRealDay(day)),
      temperatureC: count('the temperature of the forecast in C', -10, 50),
      humidity: count('the humidity of the forecast in per cent', 0, 100),
    }).noUnknown(),
  )
    .max(60, 'at most 60 days of forecast')
    .test('days', 'two forecasts are for the same day', (days) => {
      const each = (days ?? []).map(({ day }) => day);
      return new Set(each).size === each.length;
    })
    .optional(),
}).noUnknown();

const toolSetting = object({
  thinner: count('thinner to one part of paint', ...SETTING_LIMITS.thinner),
  bar: count('the pressure in bar', ...SETTING_LIMITS.bar),
  needleMm: count('the needle in mm', ...SETTING_LIMITS.needleMm),
  distanceCm: count('the distance in cm', ...SETTING_LIMITS.distanceCm),
})
  .required()
  .noUnknown();

/** In which order days are written: 5 Dec, Dec 5, 2026-12-05. */
export const DATE_ORDERS = ['day-month', 'month-day', 'iso'] as const;
export type DateOrder = (typeof DATE_ORDERS)[number];

/** How times of day are written: 19:30, or 7:30 pm. */
export const CLOCKS = ['24-hour', '12-hour'] as const;
export type Clock = (typeof CLOCKS)[number];

export const preferencesSchema = object({
  temperature: oneOf(['C', 'F'] as const, 'the unit of temperature'),
  volume: oneOf(['ml', 'drops'] as const, 'the unit of volume'),
  dates: string()
    .oneOf(DATE_ORDERS, `the order of dates must be one of: ${DATE_ORDERS.join(', ')}`)
    .optional(),
  clock: string()
    .oneOf(CLOCKS, `times of day are written by one of: ${CLOCKS.join(', ')}`)
    .optional(),
  copies: copyPlanSchema.default(undefined).optional(),
  tools: lazy((value: unknown) =>
    value === undefined
      ? mixed<ToolSettings>().optional()
      : object(Object.fromEntries(Object.keys(value ?? {}).map((key) => [key, toolSetting]))).test(
          'known',
          'tool settings are kept by chemistry and coat, like lacquer/mist',
          (settings) =>
            Object.keys(settings).every((key) =>
              PAINT_FAMILIES.some((family) => key === `${family}/mist` || key === `${family}/wet`),
            ),
        ),
  ) as unknown as MixedSchema<ToolSettings | undefined>,
}).noUnknown();

export const settingsUpdate = object({
  conditions: conditionsSchema.required(),
  calendar: calendarSchema.required(),
  preferences: preferencesSchema.required(),
}).noUnknown();

/** How a colour was measured, and the gloss of what was measured. */
export const measuredFields = {
  geometry: string()
    .oneOf(GEOMETRIES, `the geometry must be one of: ${GEOMETRIES.join(', ')}`)
    .optional(),
  gloss: number()
    .typeError('the gloss must be a number')
    .min(0, 'gloss lies between 0 and 100 gloss units')
    .max(100, 'gloss lies between 0 and 100 gloss units')
    .nullable()
    .optional(),
};

/** What a builder says of a paint, however its colour is known. */
export const paintFields = {
  range: label('the range'),
  name: label('the name of the paint'),
  family: oneOf(PAINT_FAMILIES, 'the chemistry'),
  container: oneOf(CONTAINERS, 'the container'),
  role: oneOf(ROLES, 'the use'),
  sheen: oneOf(SHEENS, 'the sheen'),
  hiding: oneOf(HIDING, 'the hiding'),
  priceCents: whole('the price in cents', 0, 1e6),
  volumeMl: count('the volume in ml', 0.1, 5000),
};

export const paintInput = object({
  ...paintFields,
  code: label('the paint code', 40),
  hex: string().matches(/^#?([0-9a-f]{3}|[0-9a-f]{6})$/i, {
    message: 'a hex colour has 3 or 6 digits from 0-9 and a-f, like #2a7f86',
    excludeEmptyString: true,
  }),
  lab: labSchema.optional().default(undefined),
  ...measuredFields,
  owned: boolean().required(),
})
  .noUnknown()
  .test(
    'colour',
    'give the colour as hex or as Lab',
    // Absent where it is optional.
    (paint?: { hex?: string; lab?: unknown }) =>
      paint === undefined || Boolean(paint.hex) || paint.lab !== undefined,
  );

/** What a request holds at most, bytes. */
export const MOST_BODY_BYTES = 5_000_000;

/** A list in a request: the request without what is in it, and one item, so that long ones are checked in portions. */
const batchOf = <S extends AnyObjectSchema>(
  key: string,
  item: S,
  most: number,
  words: { none: string; tooMany: string },
) => ({
  item,
  shape: object({
    [key]: array(mixed()).required().min(1, words.none).max(most, words.tooMany),
  }).noUnknown(),
});

export const paintBatch = batchOf('paints', paintInput, 1000, {
  none: 'there is no paint in the list',
  tooMany: 'at most 1000 paints at once',
});

export const PROVENANCES = [
  'instrument',
  'chip',
  'restored',
  'photograph',
  'swatch',
  'typed',
  'guess',
] as const;
export const spectrum = () =>
  array(count('a reflectance', 0, 1).required()).length(31, 'a spectrum has 31 values, 400 to 700 nm by 10');

/** What a factory colour is for: makers number engine and cabin colours apart from those of the body. */
export const CODE_USES = ['body', 'engine', 'cabin'] as const;
export type CodeUse = (typeof CODE_USES)[number];

const codeUse = string().oneOf(CODE_USES, `what a code is for must be one of: ${CODE_USES.join(', ')}`);

export const codeKind = () => oneOf(['solid', 'satin', 'metallic', 'pearl', 'candy'] as const, 'the kind');

export const codeInput = object({
  maker: label('the maker'),
  code: label('the code', 40),
  name: string().defined().trim().max(120),
  years: string().defined().trim().max(40),
  suppliers: string().trim().max(200, 'plants and suppliers take at most 200 characters').optional(),
  use: codeUse.optional(),
  kind: codeKind(),
  provenance: oneOf(PROVENANCES, 'the source'),
  note: string().max(300, 'a note has at most 300 characters').optional(),
  uncertainty: count('the uncertainty in dE', 0.05, 30).optional(),
  spectrum: spectrum().optional().default(undefined),
  hex: string().matches(/^#?([0-9a-f]{3}|[0-9a-f]{6})$/i, {
    message: 'a hex colour has 3 or 6 digits from 0-9 and a-f, like #2a7f86',
    excludeEmptyString: true,
  }),
  lab: labSchema.optional().default(undefined),
  ...measuredFields,
})
  .noUnknown()
  .test(
    'colour',
    'give the colour as hex, as Lab or as a spectrum',
    (code) => Boolean(code.hex) || code.lab !== undefined || code.spectrum !== undefined,
  );

export const codeBatch = batchOf('codes', codeInput, 500, {
  none: 'there is no colour to bring in',
  tooMany: 'at most 500 colours at once',
});

/** A code keeps so many sources. */
export const MOST_SOURCES = 40;

export const codeUpdate = object({
  name: string().defined().trim().max(120),
  years: string().defined().trim().max(40),
  suppliers: string().defined().trim().max(200, 'plants and suppliers take at most 200 characters'),
  use: codeUse.optional(),
  sources: array(
    object({
      provenance: oneOf(PROVENANCES, 'the source'),
      note: string().defined().max(300, 'a note has at most 300 characters'),
      lab: labSchema.required(),
      uncertainty: count('the uncertainty in dE', 0.05, 30),
      inForce: boolean().required(),
      spectrum: spectrum().nullable().optional().default(undefined),
      ...measuredFields,
      chosen: boolean().optional(),
    }).noUnknown(),
  )
    .required()
    .min(1, 'a code keeps at least one source')
    .max(MOST_SOURCES, `at most ${MOST_SOURCES} sources of one code`),
  notice: string().max(2000, 'a notice has at most 2000 characters').optional(),
}).noUnknown();

const day = () =>
  string()
    .nullable()
    .matches(/^\d{4}-\d{2}-\d{2}$/, 'a day is written like 2026-05-12');

/** What stands on the shelf; what is left out stays as it was. */
export const shelfInput = object({
  levelMl: count('the level in ml', 0, 5000),
  /** When that was so, minutes since 1970; now where it is left out. */
  toldAt: whole('the time of the level', 0, 1e9).nullable().optional(),
  openedOn: day().optional(),
  place: string().max(80, 'the place has at most 80 characters').optional(),
  note: string().max(500, 'a note has at most 500 characters').optional(),
}).noUnknown();

export const paintUpdate = object({
  priceCents: whole('the price in cents', 0, 1e6).optional(),
  discontinued: boolean().optional(),
  dropMl: number()
    .typeError('the volume of a drop must be a number')
    .min(0.005, 'a drop holds between 0.005 and 0.5 ml')
    .max(0.5, 'a drop holds between 0.005 and 0.5 ml')
    .nullable()
    .optional(),
  strength: number()
    .typeError('the strength must be a number')
    .min(0.1, 'the strength lies between 0.1 and 10 times')
    .max(10, 'the strength lies between 0.1 and 10 times')
    .nullable()
    .optional(),
  notice: string().max(2000, 'a notice has at most 2000 characters').optional(),
}).noUnknown();

/** A list of paints merged into the shelf in one stroke: known ones by id, new ones by what they are. */
const shelfRow = object({
  paintId: string().nullable().defined().max(120),
  paint: paintInput.optional().default(undefined),
  shelf: shelfInput.nullable().defined(),
  change: paintUpdate.required(),
  /** Of the paint that is named; 0 for a new one. */
  version: version(),
})
  .noUnknown()
  .test('which', 'a row names a paint or brings a new one', ({ paintId, paint }) =>
    Boolean(paintId === null ? paint : paintId),
  );
/** So many rows are merged in one stroke: new paints with long words, too, fit into one request. */
export const MOST_MERGED = 2000;
export const shelfMerge = batchOf('rows', shelfRow, MOST_MERGED, {
  none: 'there is no row to merge',
  tooMany: `at most ${MOST_MERGED} rows at once`,
});

export const stepInput = object({
  operationId: string().required('the step is missing').max(400),
  buildId: id(),
  trayId: string().nullable().defined().max(120),
  title: label('the title of the step', 300),
  endedAt: whole('the end of the step', 0, 1e9),
  minutes: whole('the minutes it took', 0, 1440),
  note: string().defined().max(2000, 'a note has at most 2000 characters'),
}).noUnknown();

/** A plan of all builds has at most so many steps: some thirty builds of the size of the sample ones. */
export const MOST_STARTS = 15_000;

/** Minutes since 1970 that a date can still be made of, some 1,900 years on. */
const LAST_MINUTE = 1e9;

export const planInput = object({
  fingerprint: string().required().max(200),
  starts: object()
    .required()
    .test(
      'starts',
      'a plan has whole-minute starts within the years that a calendar can show',
      (starts) =>
        Object.entries(starts as Record<string, unknown>).every(
          ([key, value]) =>
            key.length <= 400 &&
            isOwnName(key) &&
            Number.isInteger(value) &&
            (value as number) >= 0 &&
            (value as number) <= LAST_MINUTE,
        ) && Object.keys(starts).length <= MOST_STARTS,
    ),
  finish: whole('the finish', 0, LAST_MINUTE),
  bound: whole('the bound', 0, LAST_MINUTE),
  setupMinutes: whole('set-up minutes', 0, 1e7),
  proved: boolean().required(),
}).noUnknown();

export type PaintInput = InferType<typeof paintInput>;
export type ShelfInput = InferType<typeof shelfInput>;
export type PaintUpdate = InferType<typeof paintUpdate>;
export interface ShelfMerge {
  rows: InferType<typeof shelfRow>[];
}
export type CodeInput = InferType<typeof codeInput>;
export type StepInput = InferType<typeof stepInput>;

export const OVER = ['white', 'black', 'grey'] as const;

export const cupDrops = object()
  .required('the drops are missing')
  .test('drops', 'drops must be whole numbers from 1 to 200, of at most eight paints', isMix)
  .test('some', 'a cup needs a drop of something', (mix) => Object.keys(mix).length > 0);

/** A chip of a code that is to be read. */
export const chipInput = object({
  note: string().defined().trim().max(200, 'a note has at most 200 characters'),
}).noUnknown();

export const cupInput = object({
  trayId: string().nullable().defined().max(120),
  codeId: id(),
  name: label('the name of the cup'),
  drops: cupDrops,
}).noUnknown();

export const cupUpdate = object({
  name: label('the name of the cup'),
  note: string().defined().max(2000, 'a note has at most 2000 characters'),
  additions: array(object({ at: whole('the time', 0, 1e9), add: cupDrops }).noUnknown())
    .required()
    .max(40, 'at most 40 additions to one cup'),
  thrown: boolean().required(),
}).noUnknown();

/** What was sprayed and read. Without a spectrum the reader on the bench is asked. */
export const readingInput = object({
  filmUm: count('the dry film in µm', 1, 2000),
  over: oneOf(OVER, 'what lies under the film'),
  note: string().defined().max(300, 'a note has at most 300 characters'),
  spectrum: spectrum().optional().default(undefined),
  ...measuredFields,
}).noUnknown();

export const readingUpdate = object({ aside: boolean().required() }).noUnknown();

export type CodeUpdate = InferType<typeof codeUpdate>;
export type CupInput = InferType<typeof cupInput>;
export type CupUpdate = InferType<typeof cupUpdate>;
export type ReadingInput = InferType<typeof readingInput>;

/** A job of a cutter or a printer: a file for each sheet, a plot or a drawing. */
export const outputJobInput = object({
  name: label('the name of the job'),
  files: array(string().required())
    .required()
    .min(1, 'there is nothing in the job')
    .max(60, 'a job has at most 60 sheets'),
}).noUnknown();
export type OutputJobInput = InferType<typeof outputJobInput>;
export const outputJobAct = object({
  act: string()
    .oneOf(['pause', 'resume'] as const)
    .required(),
});
