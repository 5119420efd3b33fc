import { array, boolean, number, object, string, type AnyObjectSchema, type InferType } from 'yup';
import {
  KIT_RECORDS,
  type BuildInput,
  type Lesson,
  type RecordDefinition,
  type Spare,
} from '../../core/kit/index.ts';
import type { CodeRecord, CupRecord, JoinRecord, PaintRecord, StepRecord, TrayRecord } from '../records.ts';
import { buildInput, dividedJoinInput, recordSchema, trayInput } from '../recordSchemas.ts';
import {
  codeKind,
  codeUpdate,
  count,
  cupDrops,
  cupInput,
  cupUpdate,
  id,
  label,
  labSchema,
  measuredFields,
  oneOf,
  OVER,
  paintFields,
  PROVENANCES,
  spectrum,
  stepInput,
  whole,
} from '../schemas.ts';
import { STOCK_ITEMS } from '../kitSchemas.ts';

/** A whole build as one document, to be handed on. What it holds is the record definitions' own say: a field that is added
 *  there is in the document as well. */

/** Of the document; a file with a higher one was made by a later Fanfare. */
export const DOCUMENT_VERSION = 1;

/** So many of one kind are in a document at most. */
export const MOST_OF_A_KIND = 20_000;

const withId = (schema: AnyObjectSchema): AnyObjectSchema => schema.shape({ id: id() });

const amountOrNull = () => number().nullable().defined();
const band = () => array(number().required().min(0).max(1e6)).required().length(31);

const paintDocument = object({
  id: id(),
  ...paintFields,
  flakeUm: amountOrNull().min(0).max(1000),
  k: band(),
  s: band(),
  provenance: oneOf(PROVENANCES, 'the source'),
  uncertainty: count('the uncertainty in dE', 0, 100),
  ...measuredFields,
  dropMl: amountOrNull().min(0.005).max(0.5),
  strength: amountOrNull().min(0.1).max(10),
  notice: string().defined().max(2000),
  discontinued: boolean().required(),
}).noUnknown();

const codeDocument = codeUpdate.shape({
  id: id(),
  maker: label('the maker'),
  code: label('the code', 40),
  kind: codeKind(),
  spectrum: spectrum().required(),
  angles: array(object({ degrees: count('degrees', -180, 180), lab: labSchema.required() }).noUnknown())
    .nullable()
    .defined()
    .max(20),
});

const readingDocument = object({
  id: id(),
  at: whole('the time', 0, 1e9),
  drops: cupDrops,
  spectrum: spectrum().required(),
  spread: count('the spread in dE', 0, 1000),
  filmUm: count('the dry film in µm', 1, 2000),
  over: oneOf(OVER, 'what lies under the film'),
  instrument: string().defined().max(200),
  ...measuredFields,
  note: string().defined().max(300),
  aside: boolean().required(),
}).noUnknown();

const cupDocument = cupInput.concat(cupUpdate).shape({
  id: id(),
  mixedAt: whole('the time', 0, 1e9),
  readings: array(readingDocument.required()).required().max(200, 'at most 200 spoons of one cup'),
});

const pictureDocument = object({
  id: id(),
  /** Where its bytes are in the archive. */
  file: string()
    .required()
    .matches(/^pictures\/[\w.-]{1,160}$/, 'a picture lies in the folder pictures'),
}).noUnknown();

/** Each list of a document, and what one entry of it may say. */
export const DOCUMENT_LISTS: Readonly<Record<string, AnyObjectSchema>> = {
  trays: withId(trayInput),
  joins: withId(dividedJoinInput),
  steps: stepInput.omit(['buildId']),
  cups: cupDocument,
  codes: codeDocument,
  paints: paintDocument,
  lessons: withId(STOCK_ITEMS.lesson),
  spares: withId(STOCK_ITEMS.spare),
  pictures: pictureDocument,
};
/** The lists of its kit. */
export const DOCUMENT_KIT: Readonly<Record<string, AnyObjectSchema>> = Object.fromEntries(
  (KIT_RECORDS as readonly RecordDefinition[]).map((record) => [record.list, withId(recordSchema(record))]),
);

/** The document around its lists. */
export const documentHead = object({
  fanfare: oneOf(['build'] as const, 'what the document holds'),
  version: whole('the version of the document', 1, 1000),
  savedAt: string().required().max(40),
  build: withId(buildInput).required(),
}).noUnknown();

/** All of it, as the published schema has it. */
export const buildDocument = documentHead.shape({
  ...listsOf(DOCUMENT_LISTS),
  kit: object(listsOf(DOCUMENT_KIT)).required().noUnknown(),
});

function listsOf(lists: Readonly<Record<string, AnyObjectSchema>>) {
  return Object.fromEntries(
    Object.entries(lists).map(([key, schema]) => [
      key,
      array(schema.required()).required().max(MOST_OF_A_KIND),
    ]),
  );
}

/** As it is written and read. */
export interface BuildDocument {
  fanfare: 'build';
  version: number;
  /** ISO 8601. */
  savedAt: string;
  build: BuildInput & { id: string };
  trays: (Omit<TrayRecord, 'buildId' | 'parts' | 'version'> & { partIds: string[] })[];
  joins: Omit<JoinRecord, 'buildId' | 'version'>[];
  kit: Record<string, { id: string }[]>;
  steps: Omit<StepRecord, 'buildId' | 'version'>[];
  cups: (Omit<CupRecord, 'buildId' | 'version' | 'readings'> & {
    readings: InferType<typeof readingDocument>[];
  })[];
  codes: Omit<CodeRecord, 'gloss' | 'version'>[];
  paints: Omit<
    PaintRecord,
    | 'perDrop'
    | 'strengthDoubt'
    | 'dropDoubt'
    | 'refit'
    | 'levelMl'
    | 'toldAt'
    | 'openedOn'
    | 'place'
    | 'note'
    | 'version'
  >[];
  lessons: Lesson[];
  spares: Spare[];
  pictures: { id: string; file: string }[];
}

/** What of a document the bench may hold already: decided for each whether its own stands or gives way. */
export const SHARED_LISTS = ['codes', 'paints', 'lessons', 'spares'] as const;
export type SharedList = (typeof SHARED_LISTS)[number];
/** Which of the two stands where they differ. */
export type Standing = 'mine' | 'theirs';

/** A bench that was handed on: its builds, each looked at and brought in by itself. */
export interface HandedOnBench {
  bench: { name: string; file: string }[];
  savedAt: string;
}

/** What would come of a document, before anything is changed. */
export interface HandedOnPreview {
  build: BuildInput & { id: string };
  savedAt: string;
  /** What it will be called; another name where one of the same id is here. */
  comesInAs: string;
  isHere: boolean;
  counts: Record<'parts' | 'trays' | 'steps' | 'cups' | 'pictures', number>;
  shared: {
    list: SharedList;
    fresh: number;
    same: number;
    /** What differs: mine and theirs in words, the first of them. */
    differ: { id: string; name: string; fields: string[] }[];
  }[];
  /** What was left out of the file or read otherwise, in words. */
  notes: string[];
}
