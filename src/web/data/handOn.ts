import {
  PATHS,
  pathTo,
  type BuildRecord,
  type HandedOnBench,
  type HandedOnPreview,
  type SharedList,
  type Standing,
} from '../../api/index.ts';
import { fetchBench } from './bench.ts';
import { refetch } from './cache.ts';
import { request } from './request.ts';
import { write } from './saving.ts';

/** Where the browser fetches a build as a document. */
export const documentAddress = (buildId: string, withPictures: boolean): string =>
  `${pathTo(PATHS.buildDocument, buildId)}${withPictures ? '?pictures=yes' : ''}`;

/** As bytes: sent as JSON it would be read as a request of a few records. */
const asBytes = (file: Blob): Blob => new Blob([file], { type: 'application/octet-stream' });

const withQuery = (path: string, said: Record<string, string>): string => {
  const query = new URLSearchParams(said).toString();
  return `${path}${query && `?${query}`}`;
};

/** What would come of a file that was handed on; nothing is changed. Of a bench: which builds it holds, or what would come of one
 *  of them. */
export const previewDocument = (file: Blob, of?: string): Promise<HandedOnPreview | HandedOnBench> =>
  request('POST', withQuery(PATHS.documentPreview, of === undefined ? {} : { of }), { body: asBytes(file) });

/** Brings a build in. Where codes, paints, lessons or spares differ, it says whose stand. */
export async function takeDocument(
  file: Blob,
  standing: Readonly<Partial<Record<SharedList, Standing>>>,
  of?: string,
): Promise<BuildRecord> {
  const saved = await write<BuildRecord>(
    'POST',
    withQuery(PATHS.documentTake, { ...standing, ...(of === undefined ? {} : { of }) }),
    asBytes(file),
  );
  await fetchBench();
  await Promise.all([PATHS.paints, PATHS.codes, PATHS.cups, PATHS.stock].map((path) => refetch(path)));
  return saved;
}
