import { PATHS, pathTo, type CodeInput, type CodeRecord, type CodeUpdate } from '../../api/index.ts';
import { changeCached, refetch } from './cache.ts';
import { write } from './saving.ts';
import { remember } from './undo.ts';
import { saveVersioned, seeVersion } from './versioned.ts';

const AT_ONCE = 500;

/** Brings colours into the codes, some hundred at a time. A code that is there gets one more source. */
export async function importCodes(
  codes: readonly CodeInput[],
  onProgress: (share: number) => void,
): Promise<void> {
  for (let from = 0; from < codes.length; from += AT_ONCE) {
    await write('POST', PATHS.codeBatch, { codes: codes.slice(from, from + AT_ONCE) });
    onProgress(Math.min(1, (from + AT_ONCE) / codes.length));
  }
  await refetch(PATHS.codes);
}

const putCode = (saved: CodeRecord): void =>
  changeCached<CodeRecord[]>(PATHS.codes, (known) =>
    known.map((other) => (other.id === saved.id ? saved : other)),
  );

async function sendCode(code: CodeRecord, change: CodeUpdate): Promise<void> {
  const saved = await saveVersioned({
    key: `code ${code.id}`,
    what: `${code.code} ${code.name}`,
    version: code.version,
    send: (version) => write<CodeRecord>('PUT', pathTo(PATHS.code, code.id), change, version),
    takeTheirs: (current) => (current ? putCode(current as CodeRecord) : void refetch(PATHS.codes)),
  });
  if (saved) putCode(saved);
}

/** Reads a chip of a code: one more source, with its spectrum. */
export async function readChip(code: CodeRecord, note: string): Promise<void> {
  const saved = await write<CodeRecord>('POST', pathTo(PATHS.codeReadings, code.id), { note });
  seeVersion(`code ${saved.id}`, saved.version);
  putCode(saved);
}

/** Changes the sources of a code and remembers how to take it back. */
export async function saveSources(
  code: CodeRecord,
  sources: CodeRecord['sources'],
  label: string,
): Promise<void> {
  await saveCode(code, { ...aboutOf(code), sources }, label);
}

const aboutOf = ({ name, years, suppliers, use, sources }: CodeRecord): CodeUpdate => ({
  name,
  years,
  suppliers,
  use,
  sources,
});

/** The note on a code has been read. */
export function noticeUnderstood(code: CodeRecord): Promise<void> {
  return sendCode(code, { ...aboutOf(code), notice: '' });
}

/** Changes what is known of a code and remembers how to take it back. */
export async function saveCode(code: CodeRecord, after: CodeUpdate, label: string): Promise<void> {
  const before = aboutOf(code);
  remember({ label, undo: () => sendCode(code, before), redo: () => sendCode(code, after) });
  await sendCode(code, after);
}
