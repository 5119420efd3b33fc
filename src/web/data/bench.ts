import isEqual from 'fast-deep-equal';
import type { BuildInput, JoinInput, TrayInput } from '../../core/kit/index.ts';
import {
  PATHS,
  pathTo,
  wholeBench,
  type BenchSnapshot,
  type BuildDetail,
  type BuildRecord,
  type CodeInput,
  type CodeRecord,
  type Changes,
  type JoinRecord,
  type KnownBuilds,
  type PaintInput,
  type PaintRecord,
  type PaintUpdate,
  type PlanRecord,
  type ShelfInput,
  type ShelfMerge,
  type SettingsRecord,
  type StepInput,
  type StepRecord,
  type TrayRecord,
} from '../../api/index.ts';
import { cachedNow, changeCached, refetch, useCached } from './cache.ts';
import { setBenchClock, setWriting } from './clock.ts';
import { exchange, get, request, RequestProblem } from './request.ts';
import { recallableWrite, savesSettled, setRefusal, whenReached, write, type Recallable } from './saving.ts';
import { forget, remember } from './undo.ts';
import { saveVersioned, seeVersion } from './versioned.ts';

/** Builds as they were fetched last: only those that changed are fetched again. */
const known: KnownBuilds = new Map();

async function getBench(): Promise<BenchSnapshot> {
  // An answer from before a save that is on its way would show the edit undone.
  await savesSettled();
  const snapshot = await wholeBench((path) => exchange('GET', path), known);
  setBenchClock(snapshot.now);
  setWriting(snapshot.settings.preferences);
  seeVersion('settings', snapshot.settings.version);
  for (const build of snapshot.builds) seeBuild(build);
  for (const { operationId, version } of snapshot.steps) seeVersion(`step ${operationId}`, version);
  return snapshot;
}

function seeBuild({ id, version, trays, joins }: BuildRecord): void {
  seeVersion(`build ${id}`, version);
  for (const tray of trays) seeVersion(`tray ${tray.id}`, tray.version);
  for (const join of joins) seeVersion(`join ${join.id}`, join.version);
}

/** A catalogue as it is known; later only what changed since is fetched. */
function catalogue<T extends { id: string; version: number }>(path: string, kind: string) {
  let revision: number | undefined;
  let items: T[] = [];
  return async (): Promise<T[]> => {
    await savesSettled();
    const query = revision === undefined ? '' : `?since=${revision}`;
    const changes = await get<Changes<T>>(path + query);
    for (const { id, version } of changes.items) seeVersion(`${kind} ${id}`, version);
    ({ revision } = changes);
    if (changes.whole) items = changes.items;
    else if (changes.items.length > 0) {
      const changed = new Map(changes.items.map((item) => [item.id, item]));
      const added = changes.items.filter(({ id }) => !items.some((item) => item.id === id));
      items = [...items.map((item) => changed.get(item.id) ?? item), ...added];
    }
    return items;
  };
}
const getPaints = catalogue<PaintRecord>(PATHS.paintChanges, 'paint');
const getCodes = catalogue<CodeRecord>(PATHS.codeChanges, 'code');

/** Whether two answers show the same bench: the server's clock is another in each, and a new object would begin the plan
 *  anew whenever the window is looked at again. */
function isSameBench(one: BenchSnapshot | undefined, two: BenchSnapshot | undefined): boolean {
  if (one === two || !one || !two) return one === two;
  return (
    isSameList(one.builds, two.builds) &&
    isSameList(one.steps, two.steps) &&
    isSame({ ...one, now: 0, builds: [], steps: [] }, { ...two, now: 0, builds: [], steps: [] })
  );
}

/** As it would be sent: what this tab has put in by itself may name what is not there. */
const isSame = (one: object, two: object): boolean =>
  isEqual(one, two) || JSON.stringify(one) === JSON.stringify(two);
/** Most of two lists is one and the same: what did not change is not fetched again. */
const isSameList = (one: readonly object[], two: readonly object[]): boolean =>
  one.length === two.length && one.every((each, at) => isSame(each, two[at]!));

export const useBench = () => useCached<BenchSnapshot>(PATHS.bench, getBench, { compare: isSameBench });
export const usePaints = () =>
  useCached<PaintRecord[]>(PATHS.paints, getPaints, { revalidateOnFocus: false });
export const useCodes = () => useCached<CodeRecord[]>(PATHS.codes, getCodes, { revalidateOnFocus: false });

type Change = (snapshot: BenchSnapshot) => BenchSnapshot;

/** Counts the edits of this tab's copy. */
let edits = 0;

function updateBench(change: Change): void {
  edits++;
  changeCached<BenchSnapshot>(PATHS.bench, change);
}

/** Fetches the bench again. SWR drops an answer that an edit has overtaken, so then it is asked for once more. */
export async function fetchBench(): Promise<void> {
  for (let before = -1; before !== edits;) {
    before = edits;
    await refetch(PATHS.bench);
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
  const snapshot = await cachedNow<BenchSnapshot>(PATHS.bench);
  return snapshot?.builds.find((build) => build.id === id);
}

/** Puts a build as the server sent it. */
export function replaceBuild(build: BuildRecord): void {
  seeBuild(build);
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

function trayInputOf({ name, areaCm2, substrateId, parts, layers, codeId, position }: TrayRecord): TrayInput {
  return { name, areaCm2, substrateId, partIds: parts.map(({ id }) => id), layers, codeId, position };
}

/** Saves a sub-assembly from its newest version. */
export async function sendTray(tray: TrayRecord): Promise<void> {
  updateBench(putTray(tray));
  try {
    const saved = await saveVersioned({
      key: `tray ${tray.id}`,
      what: tray.name,
      version: tray.version,
      send: (version) => write<TrayRecord>('PUT', pathTo(PATHS.tray, tray.id), trayInputOf(tray), version),
      takeTheirs: (current) => (current ? updateBench(putTray(current as TrayRecord)) : void fetchBench()),
    });
    if (!saved) return;
    updateBench(
      changeBuild(tray.buildId, (build) => ({
        ...build,
        trays: build.trays.map((other) =>
          other.id === tray.id ? { ...other, version: saved.version } : other,
        ),
      })),
    );
    // What the kit has to say of its layers is worked out on the server.
    refreshBench();
  } catch (error) {
    void fetchBench();
    throw error;
  }
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

export async function sendNewTray(buildId: string, tray: TrayInput): Promise<TrayRecord> {
  const saved = await write<TrayRecord>('POST', pathTo(PATHS.trays, buildId), tray);
  seeVersion(`tray ${saved.id}`, saved.version);
  updateBench(putTray(saved));
  return saved;
}

interface Removed {
  id: string;
  name: string;
  version: number;
}

/** Sends a removal from the newest version; where another tab has changed the record the builder is asked. */
const remove = <T>(kind: string, path: string, { id, name, version }: Removed): Promise<T | undefined> =>
  saveVersioned({
    key: `${kind} ${id}`,
    what: name,
    version,
    send: async (from) => ({ answer: await write<T>('DELETE', pathTo(path, id), undefined, from) }),
    takeTheirs: () => void fetchBench(),
  }).then((sent) => sent?.answer);

/** Removes a part of a build, and shows the build as it is without it. */
async function removeFrom(kind: string, path: string, record: Removed): Promise<void> {
  try {
    const build = await remove<BuildRecord>(kind, path, record);
    if (build) replaceBuild(build);
  } catch (error) {
    void fetchBench();
    throw error;
  }
}

/** Removes a sub-assembly from the division as it stands; what it was joined to stays. */
export const sendTrayRemoval = (tray: TrayRecord): Promise<void> => removeFrom('tray', PATHS.tray, tray);
/** Removes a join; what waited for it waits no more. */
export const sendJoinRemoval = (join: JoinRecord): Promise<void> => removeFrom('join', PATHS.join, join);

export async function sendJoin(buildId: string, join: JoinInput): Promise<JoinRecord> {
  const saved = await write<JoinRecord>('POST', pathTo(PATHS.joins, buildId), join);
  seeVersion(`join ${saved.id}`, saved.version);
  updateBench(changeBuild(buildId, (build) => ({ ...build, joins: [...build.joins, saved] })));
  refreshBench();
  return saved;
}

/** The clock of the machine is right, although it jumped. */
export async function acceptClock(): Promise<void> {
  await write('POST', PATHS.clock);
  await fetchBench();
}

export async function addBuild(build: BuildInput): Promise<BuildRecord> {
  const saved = await write<BuildRecord>('POST', PATHS.builds, build);
  await fetchBench();
  return saved;
}

export async function removeBuild(build: BuildRecord): Promise<void> {
  await remove('build', PATHS.build, build);
  await fetchBench();
  // What its spoons taught of paints goes with it.
  await refetch(PATHS.paints);
}

async function sendSettings(settings: SettingsRecord): Promise<void> {
  setWriting(settings.preferences);
  updateBench((snapshot) => ({ ...snapshot, settings }));
  const { conditions, calendar, preferences } = settings;
  try {
    await saveVersioned({
      key: 'settings',
      what: 'bench settings',
      version: settings.version,
      send: (version) =>
        write<SettingsRecord>('PUT', PATHS.benchSettings, { conditions, calendar, preferences }, version),
      takeTheirs: () => void fetchBench(),
    });
  } catch (error) {
    void fetchBench();
    throw error;
  }
}

export async function saveSettings(
  before: SettingsRecord,
  after: SettingsRecord,
  label: string,
): Promise<void> {
  remember({ label, undo: () => sendSettings(before), redo: () => sendSettings(after) });
  await sendSettings(after);
}

/** Ticks that the server has not answered yet, by step. */
const onTheirWay = new Map<string, Recallable<StepRecord>>();

const stepKey = ({ operationId }: Pick<StepInput, 'operationId'>) => `step ${operationId}`;

async function sendStep(step: StepInput): Promise<void> {
  const { operationId } = step;
  updateBench((snapshot) => ({
    ...snapshot,
    steps: [...snapshot.steps.filter((each) => each.operationId !== operationId), step],
  }));
  const tick = recallableWrite<StepRecord>('POST', PATHS.steps, step);
  onTheirWay.set(operationId, tick);
  try {
    seeVersion(stepKey(step), (await tick.answer)?.version);
  } catch (error) {
    // Another tab was first: what it ticked stands.
    void fetchBench();
    throw error;
  } finally {
    if (onTheirWay.get(operationId) === tick) onTheirWay.delete(operationId);
  }
}

async function takeBackStep(step: StepInput): Promise<void> {
  const { buildId, operationId, title } = step;
  // Whether one without an answer got to the server all the same is known once that is asked.
  const unanswered = onTheirWay.get(operationId);
  unanswered?.recall();
  updateBench((snapshot) => ({
    ...snapshot,
    steps: snapshot.steps.filter((each) => each.operationId !== operationId),
  }));
  await saveVersioned({
    key: stepKey(step),
    what: title,
    send: async (version) => {
      let there: number | undefined = version;
      if (unanswered) {
        const { steps } = await whenReached(() => get<BuildDetail>(pathTo(PATHS.build, buildId)));
        there = steps.find((each) => each.operationId === operationId)?.version;
      }
      if (there !== undefined) await write('DELETE', pathTo(PATHS.step, operationId), undefined, there);
    },
    takeTheirs: () => void fetchBench(),
  });
}

/** Ticks a step; kept in this browser until the server has it. */
export async function tickStep(step: StepInput, by = remember): Promise<void> {
  const change = {
    label: `done: ${step.title}`,
    undo: () => takeBackStep(step),
    redo: () => sendStep(step),
  };
  by(change);
  try {
    await sendStep(step);
  } catch (error) {
    forget(change);
    throw error;
  }
}

/** Stores the plan that is shown. It follows from what is saved already, so a failure loses nothing: the next
 *  planning stores it again. */
export async function savePlan(plan: PlanRecord): Promise<void> {
  try {
    const { version, ...input } = plan;
    const saved = await request<PlanRecord>('PUT', PATHS.plan, { body: input, version });
    updateBench((snapshot) => ({ ...snapshot, plan: saved }));
  } catch (error) {
    if (!(error instanceof RequestProblem)) return;
    if (error.problem.status === 409) void fetchBench();
    // It would be worked out anew at every start, and nobody would know why.
    else setRefusal(error.problem);
  }
}

function updatePaint(saved: PaintRecord): void {
  changeCached<PaintRecord[]>(PATHS.paints, (paints) =>
    paints.map((paint) => (paint.id === saved.id ? saved : paint)),
  );
}

/** Sends a change of one paint, from its newest version. */
async function sendPaint(
  paint: PaintRecord,
  method: 'PUT' | 'DELETE',
  path: string,
  body?: ShelfInput | PaintUpdate,
): Promise<void> {
  const saved = await saveVersioned({
    key: `paint ${paint.id}`,
    what: `${paint.name} (${paint.range})`,
    version: paint.version,
    send: (version) => write<PaintRecord>(method, pathTo(path, paint.id), body, version),
    takeTheirs: (current) => (current ? updatePaint(current as PaintRecord) : void refetch(PATHS.paints)),
  });
  if (saved) updatePaint(saved);
}

const sendShelf = (paint: PaintRecord, input: ShelfInput | null): Promise<void> =>
  input === null ? sendPaint(paint, 'DELETE', PATHS.shelf) : sendPaint(paint, 'PUT', PATHS.shelf, input);

const shelfOf = ({ levelMl, toldAt, openedOn, place, note }: PaintRecord): ShelfInput | null =>
  levelMl === null ? null : { levelMl, toldAt, openedOn, place, note };

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
    undo: () => sendShelf(paint, before),
    redo: () => sendShelf(paint, after),
  });
  await sendShelf(paint, after);
}

/** Changes what is told of a paint and remembers how to take it back. */
export async function savePaint(paint: PaintRecord, change: PaintUpdate, label: string): Promise<void> {
  const send = (input: PaintUpdate) => sendPaint(paint, 'PUT', PATHS.paint, input);
  const before: PaintUpdate = Object.fromEntries(
    Object.keys(change).map((key) => [key, paint[key as keyof PaintUpdate]]),
  );
  remember({ label, undo: () => send(before), redo: () => send(change) });
  await send(change);
}

/** Merges a list into the shelf, all of it or nothing. */
export async function mergeShelf(merge: ShelfMerge): Promise<void> {
  await write('POST', PATHS.shelfMerge, merge);
  await refetch(PATHS.paints);
}

export async function addPaints(paints: PaintInput[]): Promise<PaintRecord[]> {
  const saved = await write<PaintRecord[]>('POST', PATHS.paints, { paints });
  await refetch(PATHS.paints);
  return saved;
}

export async function addCode(code: CodeInput): Promise<CodeRecord> {
  const saved = await write<CodeRecord>('POST', PATHS.codes, code);
  await refetch(PATHS.codes);
  return saved;
}
