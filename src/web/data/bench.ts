import useSWR, { mutate } from 'swr';
import {
  PATHS,
  pathTo,
  type BenchSnapshot,
  type BuildInput,
  type BuildRecord,
  type CodeInput,
  type CodeRecord,
  type JoinInput,
  type PaintInput,
  type PaintRecord,
  type PaintUpdate,
  type PlanRecord,
  type ShelfInput,
  type ShelfMerge,
  type SettingsRecord,
  type StepInput,
  type TrayInput,
  type TrayRecord,
} from '../../api/index.ts';
import { setBenchClock } from './clock.ts';
import { askWhichToKeep } from './conflict.ts';
import { inTurn } from './inTurn.ts';
import { get, request, RequestProblem } from './request.ts';
import { saving, savesSettled, setRefusal } from './saving.ts';
import { forget, remember } from './undo.ts';

async function getBench(path: string): Promise<BenchSnapshot> {
  // An answer from before a save that is on its way would show the edit undone.
  await savesSettled();
  const snapshot = await get<BenchSnapshot>(path);
  setBenchClock(snapshot.now);
  return snapshot;
}

const KEEP = { revalidateOnFocus: true, keepPreviousData: true };

/** Whether two answers show the same bench: the server's clock is another in each, and a new object would begin the plan
 *  anew whenever the window is looked at again. */
function isSameBench(one: BenchSnapshot | undefined, two: BenchSnapshot | undefined): boolean {
  const textOf = (snapshot: BenchSnapshot) => JSON.stringify({ ...snapshot, now: 0 });
  return one === two || (one !== undefined && two !== undefined && textOf(one) === textOf(two));
}

export const useBench = () =>
  useSWR<BenchSnapshot, Error>(PATHS.bench, getBench, { ...KEEP, compare: isSameBench });
export const usePaints = () =>
  useSWR<PaintRecord[], Error>(PATHS.paints, get, { ...KEEP, revalidateOnFocus: false });
export const useCodes = () =>
  useSWR<CodeRecord[], Error>(PATHS.codes, get, { ...KEEP, revalidateOnFocus: false });

type Change = (snapshot: BenchSnapshot) => BenchSnapshot;

/** Counts the edits of this tab's copy. */
let edits = 0;

function updateBench(change: Change): void {
  edits++;
  void mutate<BenchSnapshot>(PATHS.bench, (snapshot) => snapshot && change(snapshot), { revalidate: false });
}

/** Fetches the bench again. SWR drops an answer that an edit has overtaken, so then it is asked for once more. */
async function fetchBench(): Promise<void> {
  for (let before = -1; before !== edits;) {
    before = edits;
    await mutate(PATHS.bench);
  }
}

const REFRESH_MS = 700;
let refresh: ReturnType<typeof setTimeout> | undefined;

/** Fetches the bench again once a run of quick edits has come to rest. */
export function refreshBench(): void {
  clearTimeout(refresh);
  refresh = setTimeout(() => void fetchBench(), REFRESH_MS);
}

/** A build as this tab knows it now. */
export async function currentBuild(id: string): Promise<BuildRecord | undefined> {
  const snapshot = await mutate<BenchSnapshot>(PATHS.bench, (known) => known, { revalidate: false });
  return snapshot?.builds.find((build) => build.id === id);
}

/** Puts a build as the server sent it. */
export function replaceBuild(build: BuildRecord): void {
  for (const { id, version } of build.trays) versions.set(id, version);
  updateBench(changeBuild(build.id, () => build));
}

const changeBuild =
  (id: string, change: (build: BuildRecord) => BuildRecord): Change =>
  (snapshot) => ({
    ...snapshot,
    builds: snapshot.builds.map((build) => (build.id === id ? change(build) : build)),
  });

const putTray = (tray: TrayRecord): Change =>
  changeBuild(tray.buildId, (build) => ({
    ...build,
    trays: build.trays.some(({ id }) => id === tray.id)
      ? build.trays.map((other) => (other.id === tray.id ? tray : other))
      : [...build.trays, tray],
  }));

/** The newest version of every tray and setting that this tab has seen, so that quick edits do not trip over
 *  each other. */
const versions = new Map<string, number>();
function trayInputOf({ name, areaCm2, substrateId, parts, layers, codeId, position }: TrayRecord): TrayInput {
  return { name, areaCm2, substrateId, partIds: parts.map(({ id }) => id), layers, codeId, position };
}

async function sendTray(tray: TrayRecord): Promise<void> {
  updateBench(putTray(tray));
  await inTurn(tray.id, async () => {
    const version = versions.get(tray.id) ?? tray.version;
    try {
      const saved = await saving(() =>
        request<TrayRecord>('PUT', pathTo(PATHS.tray, tray.id), { ...trayInputOf(tray), version }),
      );
      versions.set(tray.id, saved.version);
      updateBench(
        changeBuild(tray.buildId, (build) => ({
          ...build,
          trays: build.trays.map((other) =>
            other.id === tray.id ? { ...other, version: saved.version } : other,
          ),
        })),
      );
    } catch (error) {
      if (!(error instanceof RequestProblem) || error.problem.status !== 409) {
        void fetchBench();
        throw error;
      }
      const theirs = error.problem.current as TrayRecord;
      versions.set(tray.id, theirs.version);
      if ((await askWhichToKeep(tray.name, error.problem.detail)) === 'theirs') {
        updateBench(putTray(theirs));
      } else {
        const saved = await saving(() =>
          request<TrayRecord>('PUT', pathTo(PATHS.tray, tray.id), {
            ...trayInputOf(tray),
            version: theirs.version,
          }),
        );
        versions.set(tray.id, saved.version);
        updateBench(putTray(saved));
      }
    }
  });
}

/** Saves an edited sub-assembly at once and remembers how to take it back. */
export async function saveTray(before: TrayRecord, after: TrayRecord, label: string): Promise<void> {
  remember({ label, undo: () => sendTray(before), redo: () => sendTray(after) });
  await sendTray(after);
}

/** Saves several sub-assemblies in one stroke, as far as the builder is concerned: one undo takes all back. */
export async function saveTrays(
  changes: readonly { before: TrayRecord; after: TrayRecord }[],
  label: string,
): Promise<void> {
  const send = async (side: 'before' | 'after') => {
    // One after the other, so that no two questions stand on the screen at once.
    for (const change of changes) await sendTray(change[side]);
  };
  remember({ label, undo: () => send('before'), redo: () => send('after') });
  await send('after');
}

export async function addTray(buildId: string, tray: TrayInput): Promise<TrayRecord> {
  const saved = await saving(() => request<TrayRecord>('POST', pathTo(PATHS.trays, buildId), tray));
  updateBench(putTray(saved));
  return saved;
}

export async function removeTray(tray: TrayRecord): Promise<void> {
  const remove = async (id: string) => {
    await saving(() => request('DELETE', pathTo(PATHS.tray, id)));
    await fetchBench();
  };
  await remove(tray.id);
  let { id } = tray;
  remember({
    label: `remove ${tray.name}`,
    undo: async () => {
      ({ id } = await addTray(tray.buildId, trayInputOf(tray)));
    },
    redo: () => remove(id),
  });
}

export async function addJoin(buildId: string, join: JoinInput): Promise<void> {
  await saving(() => request('POST', pathTo(PATHS.joins, buildId), join));
  await fetchBench();
}

export async function removeJoin(id: string): Promise<void> {
  await saving(() => request('DELETE', pathTo(PATHS.join, id)));
  await fetchBench();
}

export async function addBuild(build: BuildInput): Promise<BuildRecord> {
  const saved = await saving(() => request<BuildRecord>('POST', PATHS.builds, build));
  await fetchBench();
  return saved;
}

export async function removeBuild(id: string): Promise<void> {
  await saving(() => request('DELETE', pathTo(PATHS.build, id)));
  await fetchBench();
}

async function sendSettings(settings: SettingsRecord): Promise<void> {
  updateBench((snapshot) => ({ ...snapshot, settings }));
  await inTurn('settings', async () => {
    const version = versions.get('settings') ?? settings.version;
    const body = ({ conditions, calendar, preferences }: SettingsRecord) => ({
      conditions,
      calendar,
      preferences,
    });
    const put = (at: number) =>
      saving(() => request<SettingsRecord>('PUT', PATHS.benchSettings, { ...body(settings), version: at }));
    try {
      versions.set('settings', (await put(version)).version);
    } catch (error) {
      if (!(error instanceof RequestProblem) || error.problem.status !== 409) {
        void fetchBench();
        throw error;
      }
      const theirs = error.problem.current as SettingsRecord;
      versions.set('settings', theirs.version);
      if ((await askWhichToKeep('bench settings', error.problem.detail)) === 'mine') {
        versions.set('settings', (await put(theirs.version)).version);
      }
      void fetchBench();
    }
  });
}

export async function saveSettings(
  before: SettingsRecord,
  after: SettingsRecord,
  label: string,
): Promise<void> {
  remember({ label, undo: () => sendSettings(before), redo: () => sendSettings(after) });
  await sendSettings(after);
}

/** Steps ticked while the server was away, kept until it has taken them. */
const OUTBOX = 'fanfare.steps-to-send';

function outbox(): StepInput[] {
  try {
    return JSON.parse(localStorage.getItem(OUTBOX) ?? '[]') as StepInput[];
  } catch {
    return [];
  }
}

function setOutbox(steps: StepInput[]): void {
  localStorage.setItem(OUTBOX, JSON.stringify(steps));
}

async function sendStep(step: StepInput): Promise<void> {
  setOutbox([...outbox().filter(({ operationId }) => operationId !== step.operationId), step]);
  updateBench((snapshot) => ({
    ...snapshot,
    steps: [...snapshot.steps.filter(({ operationId }) => operationId !== step.operationId), step],
  }));
  try {
    await saving(() => request('POST', PATHS.steps, step));
  } catch (error) {
    // Another tab was first: what it ticked stands.
    if (error instanceof RequestProblem && error.problem.status === 409) setRefusal(error.problem);
    void fetchBench();
    throw error;
  } finally {
    setOutbox(outbox().filter(({ operationId }) => operationId !== step.operationId));
  }
}

async function takeBackStep(step: StepInput): Promise<void> {
  updateBench((snapshot) => ({
    ...snapshot,
    steps: snapshot.steps.filter(({ operationId }) => operationId !== step.operationId),
  }));
  await saving(() => request('DELETE', pathTo(PATHS.step, step.operationId)));
}

/** Ticks a step; kept in this browser until the server has it. */
export async function tickStep(step: StepInput): Promise<void> {
  const change = {
    label: `done: ${step.title}`,
    undo: () => takeBackStep(step),
    redo: () => sendStep(step),
  };
  remember(change);
  try {
    await sendStep(step);
  } catch (error) {
    forget(change);
    throw error;
  }
}

/** Sends what an earlier visit could not. */
export function sendOutbox(): void {
  for (const step of outbox()) void sendStep(step).catch(() => undefined);
}

/** Stores the plan that is shown. It follows from what is saved already, so a failure loses nothing: the next
 *  planning stores it again. */
export async function savePlan(plan: PlanRecord): Promise<void> {
  try {
    const saved = await request<PlanRecord>('PUT', PATHS.plan, plan);
    updateBench((snapshot) => ({ ...snapshot, plan: saved }));
  } catch (error) {
    if (error instanceof RequestProblem && error.problem.status === 409) void fetchBench();
  }
}

function updatePaint(saved: PaintRecord): void {
  void mutate<PaintRecord[]>(
    PATHS.paints,
    (paints) => paints?.map((paint) => (paint.id === saved.id ? saved : paint)),
    { revalidate: false },
  );
}

async function sendShelf(id: string, input: ShelfInput | null): Promise<void> {
  const path = pathTo(PATHS.shelf, id);
  await inTurn(`paint ${id}`, async () =>
    updatePaint(
      await saving(() =>
        input === null ? request<PaintRecord>('DELETE', path) : request<PaintRecord>('PUT', path, input),
      ),
    ),
  );
}

const shelfOf = ({ levelMl, openedOn, place, note }: PaintRecord): ShelfInput | null =>
  levelMl === null ? null : { levelMl, openedOn, place, note };

/** Puts a paint on the shelf with what is left in it, or takes it off (null). */
export async function setShelfLevel(paint: PaintRecord, levelMl: number | null): Promise<void> {
  await saveShelf(
    paint,
    levelMl === null ? null : { levelMl },
    levelMl === null ? `${paint.name} off the shelf` : `${paint.name} on the shelf`,
  );
}

/** Changes what stands on the shelf of a paint and remembers how to take it back. */
export async function saveShelf(paint: PaintRecord, after: ShelfInput | null, label: string): Promise<void> {
  const before = shelfOf(paint);
  remember({
    label,
    undo: () => sendShelf(paint.id, before),
    redo: () => sendShelf(paint.id, after),
  });
  await sendShelf(paint.id, after);
}

/** Changes what is told of a paint and remembers how to take it back. */
export async function savePaint(paint: PaintRecord, change: PaintUpdate, label: string): Promise<void> {
  // One after the other: an answer that comes late must not show what an earlier change had left.
  const send = (input: PaintUpdate) =>
    inTurn(`paint ${paint.id}`, async () =>
      updatePaint(await saving(() => request<PaintRecord>('PUT', pathTo(PATHS.paint, paint.id), input))),
    );
  const before: PaintUpdate = Object.fromEntries(
    Object.keys(change).map((key) => [key, paint[key as keyof PaintUpdate]]),
  );
  remember({ label, undo: () => send(before), redo: () => send(change) });
  await send(change);
}

/** Merges a list into the shelf, all of it or nothing. */
export async function mergeShelf(merge: ShelfMerge): Promise<void> {
  await saving(() => request('POST', PATHS.shelfMerge, merge));
  await mutate(PATHS.paints);
}

export async function addPaints(paints: PaintInput[]): Promise<PaintRecord[]> {
  const saved = await saving(() => request<PaintRecord[]>('POST', PATHS.paints, { paints }));
  await mutate(PATHS.paints);
  return saved;
}

export async function addCode(code: CodeInput): Promise<CodeRecord> {
  const saved = await saving(() => request<CodeRecord>('POST', PATHS.codes, code));
  await mutate(PATHS.codes);
  return saved;
}
