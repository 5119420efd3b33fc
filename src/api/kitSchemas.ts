import { recoverSpectrum } from '../core/colour/index.ts';
import { array, boolean, mixed, number, object, string, type AnyObjectSchema, type InferType } from 'yup';
import { CHROME_ROUTES, CURVATURES, LIVES, WEATHER_PLACES } from '../core/finish/index.ts';
import { RUN_KINDS } from '../core/detail/index.ts';
import {
  BOUNDARIES,
  CONFIDENCES,
  ENTRIES,
  FITS,
  JOINT_KINDS,
  LOOKS,
  MATERIALS,
  MOTIONS,
  PART_NEEDS,
  PART_STATES,
  PLACE_KINDS,
  PRIORITIES,
  REPAIR_IDS,
  SCHOOLS,
  SEAMS,
  VERDICTS,
  WORK_KINDS,
} from '../core/kit/index.ts';
import { count, id, label, layersSchema, oneOf, trayInput, version, whole } from './schemas.ts';

/** What a kit and the stock consist of, with limits. Messages are read by builders. */

const text = (what: string, most: number) =>
  string().defined().max(most, `${what} has at most ${most} characters`);
const orNull = (what: string, least: number, most: number) =>
  number()
    .nullable()
    .defined()
    .min(least, `${what} must lie between ${least} and ${most}`)
    .max(most, `${what} must lie between ${least} and ${most}`);
const oneOfOrNone = (values: readonly string[], what: string) =>
  string()
    .nullable()
    .defined()
    .test(
      'one-of',
      `${what} must be none or one of: ${values.join(', ')}`,
      (value) => value === null || values.includes(value),
    );
const ids = (most: number) => array(id()).required().max(most, `at most ${most} of them`);

const zone = object({
  id: id(),
  name: text('the name of a zone', 80),
  finishId: id(),
  share: count('the share of a zone', 0, 1),
  boundary: oneOf(BOUNDARIES, 'the edge of a zone'),
  edgeMm: orNull('the edge of a zone, mm,', 0, 5000),
}).noUnknown();

const part = object({
  frame: text('the frame', 3),
  number: label('the part number', 8),
  name: label('the name of the part'),
  count: whole('the count of a part', 1, 200),
  material: oneOf(MATERIALS, 'the material'),
  colour: text('the moulded colour', 200),
  plated: boolean().required(),
  areaCm2: orNull('the area in cm2', 0.01, 20000),
  lengthMm: orNull('the length in mm', 0.1, 5000),
  needs: array(oneOf(PART_NEEDS, 'what a part needs')).required().max(6),
  state: oneOf(PART_STATES, 'the state of the part'),
  checked: boolean().required(),
  fragile: boolean().required(),
  zones: array(zone).required().max(12, 'at most 12 zones on a part'),
  note: text('a note', 2000),
}).noUnknown();

const finish = object({
  name: label('the name of the finish', 80),
  look: oneOf(LOOKS, 'the look of the finish'),
  codeId: string().nullable().defined().max(120),
}).noUnknown();

const joint = object({
  a: id(),
  b: id(),
  kind: oneOf(JOINT_KINDS, 'the kind of joint'),
  seam: oneOf(SEAMS, 'the seam'),
  clearanceMm: orNull('the clearance in mm', -1, 20),
  captured: ids(40),
  entry: oneOf(ENTRIES, 'the direction of entry'),
  motion: oneOf(MOTIONS, 'the motion'),
  closes: ids(100),
  edgeMm: orNull('the length of the seam in mm', 0, 5000),
  pin: oneOfOrNone(['before', 'after'], 'a pin'),
  note: text('a note', 2000),
}).noUnknown();

const versionOption = object({
  id: id(),
  name: label('the name of an option', 80),
  needs: ids(300),
  rulesOut: ids(300),
  markings: array(label('a marking')).required().max(60),
  finishIds: ids(40),
}).noUnknown();

const choice = object({
  name: label('the name of the choice', 80),
  options: array(versionOption).required().max(20, 'at most 20 options in a choice'),
  chosen: string().nullable().defined().max(120),
}).noUnknown();

const work = object({
  kind: oneOf(WORK_KINDS, 'the kind of work'),
  partId: id(),
  name: label('what is opened or cut'),
  neededBy: ids(40),
  always: boolean().required(),
}).noUnknown();

const evidence = object({
  title: label('what it is about'),
  partIds: ids(100),
  stepKind: string().nullable().defined().max(20),
  sheet: text('what the sheet says', 2000),
  evidence: text('what the evidence says', 2000),
  source: text('the source', 500),
  pictureId: string().nullable().defined().max(120),
  confidence: oneOf(CONFIDENCES, 'the confidence'),
  verdict: oneOf(VERDICTS, 'the verdict'),
  decision: text('the decision', 2000),
}).noUnknown();

const box = object({
  name: label('the name of the frame or bag', 80),
  checked: boolean().required(),
  note: text('a note', 2000),
}).noUnknown();

const fit = object({
  jointId: id(),
  stage: oneOf(['bare', 'painted'] as const, 'the stage'),
  feel: oneOf(FITS, 'how it fits'),
  clearanceMm: orNull('the clearance in mm', -1, 20),
  motionChecked: boolean().required(),
  done: text('what was done', 500),
}).noUnknown();

const stance = object({
  heightsMm: array(count('a corner height in mm', 0, 200))
    .required()
    .length(4, 'a chassis has four corners'),
  rakeMm: count('the rake in mm', -20, 20),
  shimsMm: array(count('a sheet in mm', 0.01, 20))
    .required()
    .max(12, 'at most 12 thicknesses of sheet'),
  note: text('a note', 2000),
}).noUnknown();

const place = object({
  partId: id(),
  matingPartId: string().nullable().defined().max(120),
  name: label('the name of the place', 120),
  kind: oneOf(PLACE_KINDS, 'the kind of place'),
  sizeMm: count('the size of a hole, slot or line, mm,', 0.02, 200),
  widthMm: orNull('the width of a line, mm,', 0.02, 50),
  throughMm: orNull('what goes through, mm,', 0.02, 200),
}).noUnknown();

const run = object({
  name: text('the name', 120),
  kind: oneOf(RUN_KINDS, 'the kind of wire or pipe'),
  fromPartId: id(),
  toPartId: id(),
  count: whole('how many', 1, 99),
  realMm: orNull('the real diameter, mm,', 0.5, 400),
  lengthMm: orNull('the length, mm,', 1, 2000),
  note: text('a note', 500),
}).noUnknown();

const want = object({
  name: label('what is needed'),
  why: text('why', 500),
  optionId: string().nullable().defined().max(120),
  leadDays: whole('the days to wait', 0, 400),
  have: boolean().required(),
  substitute: text('the substitute', 500),
  looks: text('what it costs in looks', 500),
}).noUnknown();

const decal = object({
  name: label('the name of the decal colour', 80),
  lab: object({
    L: count('L of a decal colour', 0, 100),
    a: count('a of a decal colour', -130, 130),
    b: count('b of a decal colour', -130, 130),
  })
    .required()
    .noUnknown()
    .test('possible', (lab, { createError }) => {
      // Numbers out of bounds are said by their own words.
      if (!(lab.L >= 0 && lab.L <= 100)) return true;
      try {
        recoverSpectrum(lab);
        return true;
      } catch (error) {
        return createError({ message: (error as Error).message });
      }
    }),
  transparent: boolean().required(),
  codeId: string().nullable().defined().max(120),
}).noUnknown();

const brightwork = object({
  partId: id(),
  curvature: oneOf(CURVATURES, 'the curvature'),
  route: oneOfOrNone(CHROME_ROUTES, 'a route to bright metal'),
}).noUnknown();

const assembly = object({ school: oneOf(SCHOOLS, 'the school') }).noUnknown();

const spare = object({
  name: label('the name of the spare'),
  origin: text('where it came from', 200),
  material: oneOf(MATERIALS, 'the material'),
  count: whole('the count', 0, 999),
  note: text('a note', 2000),
}).noUnknown();

const material = object({
  name: label('the name of the material'),
  kind: label('the kind of material', 40),
  amount: text('the amount', 80),
  have: boolean().required(),
  leadDays: whole('the days to wait', 0, 400),
}).noUnknown();

const lesson = object({
  text: label('the lesson', 1000),
  origin: text('where it came from', 500),
  kit: string().nullable().defined().max(200),
  partWord: string().nullable().defined().max(80),
  material: oneOfOrNone(MATERIALS, 'the material'),
  stepKind: string().nullable().defined().max(20),
}).noUnknown();

/** A stack of the builder's own, to be put on any sub-assembly. */
const stack = object({
  name: label('the name of the stack', 80),
  note: text('a note', 500),
  layers: layersSchema().min(1, 'a stack to keep has at least one layer'),
}).noUnknown();

const weathering = object({
  life: oneOf(LIVES, 'how hard a life'),
  places: object()
    .required()
    .test(
      'places',
      'each sub-assembly has a known place',
      (places: Record<string, unknown>) =>
        Object.keys(places).length <= 600 &&
        Object.values(places).every((place) => (WEATHER_PLACES as readonly unknown[]).includes(place)),
    ),
}).noUnknown();

const operationId = () => string().required('the step is missing').max(400);

const mishap = object({
  operationId: operationId(),
  redoFrom: operationId(),
  repair: oneOf(REPAIR_IDS, 'the repair'),
  what: label('what went wrong', 300),
  why: text('why it went wrong', 500),
  at: whole('the time', 0, 1e9),
}).noUnknown();

const ownStep = object({
  after: operationId(),
  title: label('the title of the step', 200),
  minutes: whole('the minutes of the step', 1, 600),
  waitMinutes: whole('the minutes to leave it be', 0, 20160),
  note: text('a note', 1000),
}).noUnknown();

const stepEdit = object({
  operationId: operationId(),
  title: text('the title of the step', 200),
  minutes: orNull('the minutes of the step', 1, 600),
  note: text('a note', 1000),
  parts: whole('the parts of the step', 1, 8),
  withNext: boolean().required(),
  leaveOut: boolean().required(),
}).noUnknown();

const cureCheck = object({
  operationId: operationId(),
  minutes: whole('the minutes since the coat', 0, 20160),
  isDry: boolean().required(),
}).noUnknown();

const pin = object({ operationId: operationId(), start: whole('the start', 0, 1e9) }).noUnknown();

const aim = object({
  deadline: string()
    .nullable()
    .defined('the day is missing')
    .matches(/^\d{4}-\d{2}-\d{2}$/, 'a day is written like 2026-07-04'),
  priority: string()
    .oneOf(PRIORITIES, `the place among the builds must be one of: ${PRIORITIES.join(', ')}`)
    .optional(),
}).noUnknown();

/** Kinds of record that belong to a build, and the schema of each. */
export const KIT_ITEMS = {
  part,
  finish,
  joint,
  choice,
  work,
  evidence,
  box,
  fit,
  stance,
  want,
  decal,
  brightwork,
  weathering,
  mishap,
  'own-step': ownStep,
  'step-edit': stepEdit,
  'cure-check': cureCheck,
  pin,
  aim,
  place,
  run,
  assembly,
} as const;
/** Kinds of record that belong to the bench. */
export const STOCK_ITEMS = { spare, material, lesson, stack } as const;

export type KitItemKind = keyof typeof KIT_ITEMS;
export type StockItemKind = keyof typeof STOCK_ITEMS;

/** One request changes at most this many records. */
export const MOST_CHANGES = 500;

/** Changes of records of the given kinds: a value to store, or null to remove; version 0 for a new record. */
export function changesSchema(kinds: Readonly<Record<string, AnyObjectSchema>>) {
  const change = object({
    kind: oneOf(Object.keys(kinds), 'the kind of record'),
    id: id(),
    version: version(),
    value: mixed().nullable().defined(),
  }).noUnknown();
  return object({
    changes: array(change)
      .required()
      .min(1, 'there is no change in the request')
      .max(MOST_CHANGES, `at most ${MOST_CHANGES} changes at once`),
  }).noUnknown();
}

/** Sub-assemblies and joins as a proposal lays them out, taken in one stroke. */
export const subassembliesInput = object({
  trays: array(
    object({
      id: id(),
      /** 0 where the sub-assembly is new. */
      version: version(),
      tray: trayInput.required(),
    }).noUnknown(),
  )
    .required()
    .max(600, 'at most 600 sub-assemblies'),
  removed: array(object({ id: id(), version: version() }).noUnknown())
    .required()
    .max(600),
  joins: array(
    object({
      id: id(),
      /** 0 where the join is new. */
      version: version(),
      join: object({
        name: label('the name of the joint'),
        trayIds: ids(60),
        afterJoinIds: ids(200),
        jointIds: ids(300),
        minutes: whole('minutes', 1, 600),
        adhesive: label('the adhesive', 200),
        setMinutes: whole('setting minutes', 0, 20160),
      })
        .required()
        .noUnknown(),
    }).noUnknown(),
  )
    .required()
    .max(600, 'at most 600 joins'),
  removedJoins: array(object({ id: id(), version: version() }).noUnknown())
    .required()
    .max(600),
}).noUnknown();

export type SubassembliesInput = InferType<typeof subassembliesInput>;
