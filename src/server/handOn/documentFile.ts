import { strToU8, unzipSync, zipSync, type Zippable } from 'fflate';
import type { AnyObjectSchema } from 'yup';
import type { BuildDocument } from '../../api/index.ts';
import {
  DOCUMENT_KIT,
  DOCUMENT_LISTS,
  DOCUMENT_VERSION,
  documentHead,
  MOST_OF_A_KIND,
} from '../../api/handOn/buildDocument.ts';
import { KIT_RECORDS, withLaterFields, type RecordDefinition } from '../../core/kit/index.ts';
import { ProblemError, shown } from '../problem.ts';
import { BENCH_NAME, benchContents, type BenchContents } from './benchArchive.ts';
import { eachInPortions } from '../requests/inPortions.ts';
import { validated } from '../requests/validated.ts';

/** A document with the bytes of its pictures, by id. */
export interface DocumentFile {
  document: BuildDocument;
  pictures: ReadonlyMap<string, Buffer>;
  /** What of the file was passed over, in words. */
  notes: string[];
}

const DOCUMENT_NAME = 'build.json';
/** Against archives that swell when they are opened. */
const MOST_FILES = 20_000;
const MOST_UNPACKED_BYTES = 300_000_000;
/** Of the document without its pictures: some hundred times a large build. */
const MOST_TEXT_BYTES = 25_000_000;

export const documentText = (document: BuildDocument): string => `${JSON.stringify(document, null, 1)}\n`;

/** The document and its pictures as an archive; pictures are packed already and are only put in. */
export function documentArchive(document: BuildDocument, pictures: ReadonlyMap<string, Buffer>): Buffer {
  // One moment for all entries: the same build gives the same bytes.
  const mtime = new Date(document.savedAt);
  const files: Zippable = { [DOCUMENT_NAME]: [strToU8(documentText(document)), { mtime, level: 9 }] };
  for (const { id, file } of document.pictures) files[file] = [pictures.get(id)!, { mtime, level: 0 }];
  return Buffer.from(zipSync(files));
}

const isArchive = (bytes: Buffer): boolean => bytes.subarray(0, 4).equals(Buffer.from([0x50, 0x4b, 3, 4]));

const refused = (detail: string): ProblemError =>
  new ProblemError({
    status: 422,
    type: '/problems/no-build-document',
    title: 'That is no build that was handed on',
    detail,
    remedy: 'Nothing was changed. Choose a file that Fanfare saved under Hand on.',
  });

/** Reads what was handed on: JSON, or an archive with pictures; checked in portions, so that nothing else waits for it. Throws
 *  ProblemError with the place and the reason. */
export async function readDocumentFile(bytes: Buffer): Promise<DocumentFile> {
  if (bytes.length === 0) throw refused('The file is empty.');
  if (!isArchive(bytes)) return { ...(await checkedDocument(parsed(bytes))), pictures: new Map() };
  const entries = unpacked(bytes);
  const text = entries[DOCUMENT_NAME];
  if (!text) throw refused(`The archive holds no ${DOCUMENT_NAME}.`);
  const { document, notes } = await checkedDocument(parsed(Buffer.from(text)));
  const pictures = new Map<string, Buffer>();
  for (const { id, file } of document.pictures) {
    const found = entries[file];
    if (!found) throw refused(`The archive lacks ${shown(file)}, which the document names as a picture.`);
    pictures.set(id, Buffer.from(found));
  }
  return { document, pictures, notes };
}

/** The builds of a bench that was handed on, or undefined where the file is of one build. Throws ProblemError where the list of
 *  its builds is not what it should be. */
export function readBench(bytes: Buffer): BenchContents | undefined {
  if (!isArchive(bytes)) return undefined;
  const list = unpacked(bytes, BENCH_NAME)[BENCH_NAME];
  return list && (checkedAt(BENCH_NAME, benchContents, parsed(Buffer.from(list))) as BenchContents);
}

/** The archive of one build out of that of a bench. Throws ProblemError where it is not in it. */
export function buildOfBench(bytes: Buffer, file: string): Buffer {
  const found = isArchive(bytes) ? unpacked(bytes, file)[file] : undefined;
  if (!found) throw refused(`The archive holds no ${shown(file)}.`);
  return Buffer.from(found);
}

/** The files of an archive, or one of them. */
function unpacked(bytes: Buffer, only?: string): Record<string, Uint8Array> {
  let files = 0;
  let size = 0;
  try {
    return unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        if (only !== undefined && name !== only) return false;
        files++;
        size += originalSize;
        if (files > MOST_FILES || size > MOST_UNPACKED_BYTES)
          throw refused('The archive holds more than any build: it was not opened.');
        return true;
      },
    });
  } catch (error) {
    if (error instanceof ProblemError) throw error;
    throw refused('The archive is cut short or damaged.');
  }
}

function parsed(text: Buffer): unknown {
  if (text.length > MOST_TEXT_BYTES)
    throw refused(
      `The document is larger than any build: over ${MOST_TEXT_BYTES / 1e6} MB without its pictures.`,
    );
  try {
    return JSON.parse(text.toString('utf8')) as unknown;
  } catch {
    throw refused('The document is not complete JSON: it is cut short or garbled.');
  }
}

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** A document whose every record was checked by itself; fields that were added to records since it was written are as in new
 *  ones. */
async function checkedDocument(value: unknown): Promise<{ document: BuildDocument; notes: string[] }> {
  if (!isRecord(value) || value.fanfare !== 'build')
    throw refused('The document does not say that it is a build of Fanfare.');
  const { kit, ...rest } = value;
  const lists = Object.keys(DOCUMENT_LISTS);
  const head = Object.fromEntries(Object.entries(rest).filter(([key]) => !lists.includes(key)));
  if (typeof value.version === 'number' && value.version > DOCUMENT_VERSION)
    throw refused('It was made by a later Fanfare than this one. Bring this one up to date first.');
  const notes: string[] = [];
  if (kit !== undefined && !isRecord(kit)) throw refused('kit: is no group of lists.');
  const known = new Set((KIT_RECORDS as readonly RecordDefinition[]).map(({ list }) => list));
  for (const list of Object.keys(kit ?? {}))
    if (!known.has(list)) notes.push(`kit.${shown(list)} is not known here and was passed over.`);
  const document: Record<string, unknown> = { ...(checkedAt('document', documentHead, head) as object) };
  for (const list of lists)
    document[list] = await checkedList(list, rest[list], DOCUMENT_LISTS[list]!, STOCK_KINDS[list]);
  const kitLists: Record<string, unknown[]> = {};
  for (const { list, kind } of KIT_RECORDS as readonly RecordDefinition[])
    kitLists[list] = await checkedList(`kit.${list}`, kit?.[list], DOCUMENT_KIT[list]!, kind);
  return { document: { ...document, kit: kitLists } as unknown as BuildDocument, notes };
}

const STOCK_KINDS: Readonly<Record<string, string>> = { lessons: 'lesson', spares: 'spare' };

async function checkedList(
  place: string,
  list: unknown,
  schema: AnyObjectSchema,
  kind?: string,
): Promise<unknown[]> {
  // What there was not when the file was written, it does not have.
  if (list === undefined) return [];
  if (!Array.isArray(list)) throw refused(`${place}: is no list.`);
  if (list.length > MOST_OF_A_KIND)
    throw refused(`${place}: at most ${MOST_OF_A_KIND} entries; this has ${list.length}.`);
  return eachInPortions(list as unknown[], (value, at) =>
    checkedAt(
      `${place}, entry ${at + 1}`,
      schema,
      kind !== undefined && isRecord(value) ? withLaterFields(kind, value) : value,
    ),
  );
}

function checkedAt(place: string, schema: AnyObjectSchema, value: unknown): unknown {
  if (!isRecord(value)) throw refused(`${place}: is no record.`);
  try {
    return validated(schema, value);
  } catch (error) {
    const [first] = (error as { errors?: string[] }).errors ?? [(error as Error).message];
    throw refused(`${place}: ${shown(first ?? 'is not what it should be')}.`);
  }
}
