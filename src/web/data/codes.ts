import { mutate } from 'swr';
import { PATHS, pathTo, type CodeInput, type CodeRecord, type CodeUpdate } from '../../api/index.ts';
import { askWhichToKeep } from './conflict.ts';
import { inTurn } from './inTurn.ts';
import { request, RequestProblem } from './request.ts';
import { saving } from './saving.ts';
import { remember } from './undo.ts';

const AT_ONCE = 500;

/** Brings colours into the codes, some hundred at a time. A code that is there gets one more source. */
export async function importCodes(
  codes: readonly CodeInput[],
  onProgress: (share: number) => void,
): Promise<void> {
  for (let from = 0; from < codes.length; from += AT_ONCE) {
    await saving(() => request('POST', PATHS.codeBatch, { codes: codes.slice(from, from + AT_ONCE) }));
    onProgress(Math.min(1, (from + AT_ONCE) / codes.length));
  }
  await mutate(PATHS.codes);
}

type Sources = Pick<CodeRecord, 'name' | 'years' | 'suppliers' | 'sources'> & { notice?: string };

async function sendCode(id: string, change: Sources): Promise<void> {
  await inTurn(`code ${id}`, async () => {
    const codes = await mutate<CodeRecord[]>(PATHS.codes, (known) => known, { revalidate: false });
    const code = codes?.find((other) => other.id === id);
    if (!code) return;
    const put = (saved: CodeRecord) =>
      void mutate<CodeRecord[]>(
        PATHS.codes,
        (known) => known?.map((other) => (other.id === id ? saved : other)),
        { revalidate: false },
      );
    const send = (version: number) => {
      const body: CodeUpdate = { ...change, version };
      return saving(() => request<CodeRecord>('PUT', pathTo(PATHS.code, id), body));
    };
    try {
      put(await send(code.version));
    } catch (error) {
      if (!(error instanceof RequestProblem) || error.problem.status !== 409) throw error;
      const theirs = error.problem.current as CodeRecord;
      put(theirs);
      if ((await askWhichToKeep(`${code.code} ${code.name}`, error.problem.detail)) !== 'theirs')
        put(await send(theirs.version));
    }
  });
}

/** Reads a chip of a code: one more source, with its spectrum. */
export async function readChip(code: CodeRecord, note: string): Promise<void> {
  const saved = await saving(() =>
    request<CodeRecord>('POST', pathTo(PATHS.codeReadings, code.id), { note }),
  );
  await mutate<CodeRecord[]>(
    PATHS.codes,
    (known) => known?.map((other) => (other.id === saved.id ? saved : other)),
    { revalidate: false },
  );
}

/** Changes the sources of a code and remembers how to take it back. */
export async function saveSources(
  code: CodeRecord,
  sources: CodeRecord['sources'],
  label: string,
): Promise<void> {
  await saveCode(code, { ...aboutOf(code), sources }, label);
}

const aboutOf = ({ name, years, suppliers, sources }: CodeRecord): Sources => ({
  name,
  years,
  suppliers,
  sources,
});

/** The note on a code has been read. */
export function noticeUnderstood(code: CodeRecord): Promise<void> {
  return sendCode(code.id, { ...aboutOf(code), notice: '' });
}

/** Changes what is known of a code and remembers how to take it back. */
export async function saveCode(code: CodeRecord, after: Sources, label: string): Promise<void> {
  const before = aboutOf(code);
  remember({ label, undo: () => sendCode(code.id, before), redo: () => sendCode(code.id, after) });
  await sendCode(code.id, after);
}
