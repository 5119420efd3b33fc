import { strToU8, zipSync, type Zippable } from 'fflate';
import { array, object, string, type InferType } from 'yup';
import { DOCUMENT_VERSION } from '../../api/handOn/buildDocument.ts';
import type { HandedOnBench } from '../../api/index.ts';

/** What is in a bench that is handed on: its builds, each an archive of its own. */
export const BENCH_NAME = 'bench.json';

export const benchContents = object({
  fanfare: string().oneOf(['bench']).required(),
  savedAt: string().required(),
  builds: array(object({ id: string().required(), name: string().required(), file: string().required() }))
    .required()
    .max(1000),
});
export type BenchContents = InferType<typeof benchContents>;

/** The builds of a bench as one archive. They are packed already and are only put in; `savedAt` in ISO 8601. */
export function benchArchive(
  savedAt: string,
  builds: readonly { id: string; name: string; archive: Buffer }[],
): Buffer {
  const mtime = new Date(savedAt);
  const named = builds.map(({ name, ...rest }, at) => ({
    ...rest,
    name,
    // Two builds may be called the same.
    file: `builds/${at + 1}-${name.replace(/[^\p{L}\p{N}]+/gu, '-')}.zip`,
  }));
  const contents = {
    fanfare: 'bench',
    version: DOCUMENT_VERSION,
    savedAt,
    builds: named.map(({ id, name, file }) => ({ id, name, file })),
  };
  const files: Zippable = {
    [BENCH_NAME]: [strToU8(`${JSON.stringify(contents, null, 1)}\n`), { mtime, level: 9 }],
  };
  for (const { file, archive } of named) files[file] = [archive, { mtime, level: 0 }];
  return Buffer.from(zipSync(files));
}

/** What is said of a bench that is looked at. */
export const asLookedAt = ({ savedAt, builds }: BenchContents): HandedOnBench => ({
  bench: builds.map(({ name, file }) => ({ name, file })),
  savedAt,
});
