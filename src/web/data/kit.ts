import { useMemo } from 'react';
import {
  MOST_CHANGES,
  PATHS,
  pathTo,
  type BuildRecord,
  type JoinRecord,
  type KeptPictureRecord,
  type KitItemRecord,
  type KitItemsRecord,
  MOST_BODY_BYTES,
  type SubassembliesInput,
  type TrayRecord,
} from '../../api/index.ts';
import {
  assembleKit,
  assembleStock,
  counted,
  type JoinInput,
  type Kit,
  type KitChange,
  type KitItemKind,
  type OtherKit,
  type Stock,
  type StockItemKind,
  type TakenProposal,
  type TrayInput,
  withoutOrphans,
  withWhatGoesToo,
} from '../../core/kit/index.ts';
import {
  currentBuild,
  fetchBench,
  refreshBench,
  replaceBuild,
  sendJoin,
  sendJoinRemoval,
  sendNewTray,
  sendTray,
  sendTrayRemoval,
} from './bench.ts';
import { cachedNow, changeCached, putCached, refetch, useCached } from './cache.ts';
import { askWhichToKeep } from './conflict.ts';
import { keyedQueue } from './keyedQueue.ts';
import { newId } from './newId.ts';
import { get, RequestProblem } from './request.ts';
import { savesSettled, write } from './saving.ts';
import { remember } from './undo.ts';
import { isStale, newestVersion, seeVersion } from './versioned.ts';

/** One record to store, or to remove where the value is null. */
interface ItemChange {
  kind: KitItemKind | StockItemKind;
  id: string;
  value: object | null;
}

const kitPath = (buildId: string) => pathTo(PATHS.kit, buildId);

const keyOf = ({ kind, id }: { kind: string; id: string }) => `${kind} ${id}`;

async function getItems(path: string): Promise<KitItemsRecord> {
  await savesSettled();
  const record = await get<KitItemsRecord>(path);
  for (const item of record.items) seeVersion(keyOf(item), item.version);
  return record;
}

/** What is in the box of a build; undefined while it is fetched. */
export function useKit(buildId: string | undefined): { kit: Kit | undefined; error: Error | undefined } {
  const { data, error } = useCached<KitItemsRecord>(buildId ? kitPath(buildId) : null, getItems);
  const kit = useMemo(() => data && withoutOrphans(assembleKit(data.items)), [data]);
  return { kit, error };
}

const otherKitsKey = (builds: readonly BuildRecord[] | undefined, buildId: string): string =>
  `kits beside ${buildId}: ${(builds ?? []).map(({ id }) => id).join(' ')}`;

/** The kits of other builds, by their names: what was said of like parts there. Fetched once, and again when asked to. */
export function useOtherKits(
  builds: readonly BuildRecord[] | undefined,
  buildId: string,
): (OtherKit & { id: string })[] {
  const others = builds?.filter(({ id }) => id !== buildId) ?? [];
  const { data } = useCached<(OtherKit & { id: string })[]>(
    others.length > 0 ? otherKitsKey(builds, buildId) : null,
    () =>
      Promise.all(
        others.map(async ({ id, name }) => ({
          id,
          name,
          kit: withoutOrphans(assembleKit((await getItems(kitPath(id))).items)),
        })),
      ),
    { revalidateOnFocus: false },
  );
  return data ?? [];
}

export const refetchOtherKits = (
  builds: readonly BuildRecord[] | undefined,
  buildId: string,
): Promise<void> => refetch(otherKitsKey(builds, buildId));

/** Spares, materials and lessons of the bench. */
export function useStock(): Stock | undefined {
  const { data } = useCached<KitItemsRecord>(PATHS.stock, getItems);
  return useMemo(() => data && assembleStock(data.items), [data]);
}

function applied(items: readonly KitItemRecord[], changes: readonly ItemChange[]): KitItemRecord[] {
  const next = new Map(items.map((item) => [keyOf(item), item]));
  for (const { kind, id, value } of changes) {
    const key = keyOf({ kind, id });
    if (value === null) next.delete(key);
    else next.set(key, { kind, id, version: next.get(key)?.version ?? 0, value: valueOf(value) });
  }
  return [...next.values()];
}

/** A record without the id that lists carry beside it. */
function valueOf(value: object): object {
  const { id: _id, ...rest } = value as { id?: string };
  return rest;
}

async function send(path: string, changes: readonly ItemChange[]): Promise<void> {
  changeCached<KitItemsRecord>(path, ({ items }) => ({ items: applied(items, changes) }));
  await keyedQueue(path, async () => {
    for (const some of inPortions(changes)) await sendSome(path, some);
  });
  refreshBench();
}

/** Portions stay well below what the server takes at once, whatever their characters are in bytes. */
const MOST_CHARACTERS = MOST_BODY_BYTES / 10;

/** Changes in portions that one request can carry. */
function inPortions(changes: readonly ItemChange[]): ItemChange[][] {
  const portions: ItemChange[][] = [];
  let room = 0;
  for (const item of changes) {
    const size = JSON.stringify(item).length;
    const last = portions.at(-1);
    if (!last || last.length >= MOST_CHANGES || size > room) {
      portions.push([item]);
      room = MOST_CHARACTERS - size;
    } else {
      last.push(item);
      room -= size;
    }
  }
  return portions;
}

/** Sends a portion. A record that another tab has changed since is sent again over theirs, or left as they have it: the
 *  others of the portion are kept either way. */
async function sendSome(path: string, changes: readonly ItemChange[]): Promise<void> {
  let left = changes;
  while (left.length > 0) {
    const body = {
      changes: left.map(({ kind, id, value }) => ({
        kind,
        id,
        version: newestVersion(keyOf({ kind, id })),
        value: value === null ? null : valueOf(value),
      })),
    };
    try {
      const saved = await write<KitItemsRecord>('PUT', path, body);
      for (const item of saved.items) seeVersion(keyOf(item), item.version);
      return;
    } catch (error) {
      if (!(error instanceof RequestProblem) || error.problem.status !== 409) {
        void refetch(path);
        throw error;
      }
      const theirs = error.problem.current as KitItemRecord;
      seeVersion(keyOf(theirs), theirs.version);
      const name = (theirs.value as { name?: string; title?: string } | null)?.name ?? 'record of the kit';
      if ((await askWhichToKeep(name, error.problem.detail)) === 'mine') continue;
      left = left.filter((change) => keyOf(change) !== keyOf(theirs));
      changeCached<KitItemsRecord>(path, ({ items }) => ({ items: withItem(items, theirs) }));
    }
  }
}

/** The items with one of them as the server has it. */
function withItem(items: readonly KitItemRecord[], item: KitItemRecord): KitItemRecord[] {
  const rest = items.filter((each) => keyOf(each) !== keyOf(item));
  return item.value === null ? rest : [...rest, item];
}

/** What stands there now: fetched where nothing is cached, since an undo puts back what was. */
async function itemsNow(path: string): Promise<readonly KitItemRecord[]> {
  const known = await cachedNow<KitItemsRecord>(path);
  if (known) return known.items;
  const fetched = await getItems(path);
  await putCached(path, fetched);
  return fetched.items;
}

async function change(
  path: string,
  before: readonly KitItemRecord[],
  changes: readonly ItemChange[],
  label: string,
  { by = remember, afterUndo = () => Promise.resolve() } = {},
): Promise<void> {
  const known = new Map(before.map((item) => [keyOf(item), item]));
  const back = [...changes].reverse().map(({ kind, id }): ItemChange => {
    return { kind, id, value: (known.get(keyOf({ kind, id }))?.value as object | undefined) ?? null };
  });
  const undo = async () => {
    await send(path, back);
    await afterUndo();
  };
  by({ label, undo, redo: () => send(path, changes) });
  await send(path, changes);
}

/** What puts the parts that changes take away back into the sub-assemblies in which they lie, once they are back. */
async function puttingBack(buildId: string, changes: readonly KitChange[]): Promise<() => Promise<void>> {
  const gone = new Set(
    changes.flatMap(({ kind, id, value }) => (kind === 'part' && value === null ? id : [])),
  );
  const build = await currentBuild(buildId);
  const trays = (build?.trays ?? []).filter(({ parts }) => parts.some(({ id }) => gone.has(id)));
  return async () => {
    if (trays.length === 0) return;
    // The server took them out, and each of these sub-assemblies is at another version since.
    await fetchBench();
    const now = await currentBuild(buildId);
    for (const { id, parts } of trays) {
      const tray = now?.trays.find((each) => each.id === id);
      if (!tray) continue;
      const left = new Set(tray.parts.map((part) => part.id));
      const back = parts.filter((part) => gone.has(part.id) && !left.has(part.id));
      if (back.length > 0) await sendTray({ ...tray, parts: [...tray.parts, ...back] });
    }
  };
}

/** Saves changes of a kit at once, with all that must change so that nothing refers to what they take away, and
 *  remembers how to take them back. */
export async function changeKit(
  buildId: string,
  changes: readonly KitChange[],
  label: string,
  by = remember,
): Promise<void> {
  if (changes.length === 0) return;
  const before = await itemsNow(kitPath(buildId));
  const all = withWhatGoesToo(assembleKit(before), changes);
  const gone = (some: readonly KitChange[]) => some.filter(({ value }) => value === null).length;
  const more = gone(all) - gone(changes);
  // What undo would bring back is said with its name.
  const whole = more > 0 ? `${label}, and ${counted(more, 'record')} that went with it` : label;
  await change(kitPath(buildId), before, all, whole, { by, afterUndo: await puttingBack(buildId, all) });
}

/** Saves changes of the stock at once and remembers how to take them back. */
export async function changeStock(
  changes: readonly (ItemChange & { kind: StockItemKind })[],
  label: string,
): Promise<void> {
  if (changes.length > 0) await change(PATHS.stock, await itemsNow(PATHS.stock), changes, label);
}

/** Puts a picture by, as the browser can show it; large ones are made smaller first.
 *  Throws RangeError for a file that is no picture. */
export async function keepPicture(buildId: string, file: File): Promise<string> {
  let bitmap: ImageBitmap;
  try {
    bitmap = await createImageBitmap(file);
  } catch (error) {
    throw new RangeError(`“${file.name}” is no picture that this browser can read. Nothing was changed.`, {
      cause: error,
    });
  }
  const scale = Math.min(1, MOST_PIXELS / Math.max(bitmap.width, bitmap.height));
  const canvas = new OffscreenCanvas(Math.round(bitmap.width * scale), Math.round(bitmap.height * scale));
  canvas.getContext('2d')!.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.85 });
  const kept = await write<{ id: string }>('POST', pathTo(PATHS.pictures, buildId), blob);
  return kept.id;
}

/** Puts a picture by that is printed: as it is, see-through parts too. */
export const keepArtwork = (buildId: string, file: File): Promise<KeptPictureRecord> =>
  write<KeptPictureRecord>('POST', pathTo(PATHS.pictures, buildId), file);

const MOST_PIXELS = 1600;

/** Sub-assemblies and joins without versions, as they are to be. */
interface Division {
  trays: { id: string; tray: SubassembliesInput['trays'][number]['tray'] }[];
  joins: { id: string; join: SubassembliesInput['joins'][number]['join'] }[];
}

function divisionOf(build: BuildRecord): Division {
  return {
    trays: build.trays.map(({ id, buildId: _buildId, version: _version, parts, ...tray }) => ({
      id,
      tray: { ...tray, partIds: parts.map((part) => part.id) },
    })),
    joins: build.joins.map(({ id, buildId: _buildId, version: _version, ...join }) => ({ id, join })),
  };
}

const wanted = <R extends { id: string }>(
  records: readonly R[],
  now: readonly { id: string; version: number }[],
) => {
  const versions = new Map(now.map(({ id, version }) => [id, version]));
  const kept = new Set(records.map(({ id }) => id));
  return {
    records: records.map((record) => ({ ...record, version: versions.get(record.id) ?? 0 })),
    removed: now.filter(({ id }) => !kept.has(id)).map(({ id, version }) => ({ id, version })),
  };
};

/** Changes of one division follow each other: each begins from what the one before has left. */
const inTurn = <T>(buildId: string, change: () => Promise<T>): Promise<T> =>
  keyedQueue(`division ${buildId}`, change);

/** Lays a division over the one that stands now. Where another tab has changed that one, the builder is asked. */
const sendDivision = (buildId: string, division: Division): Promise<void> =>
  inTurn(buildId, () => layDivision(buildId, division));

async function layDivision(buildId: string, division: Division): Promise<void> {
  let now = await currentBuild(buildId);
  for (;;) {
    const trays = wanted(division.trays, now?.trays ?? []);
    const joins = wanted(division.joins, now?.joins ?? []);
    const input: SubassembliesInput = {
      trays: trays.records,
      removed: trays.removed,
      joins: joins.records,
      removedJoins: joins.removed,
    };
    try {
      replaceBuild(await write<BuildRecord>('PUT', pathTo(PATHS.subassemblies, buildId), input));
      return;
    } catch (error) {
      if (!isStale(error)) {
        refreshBench();
        throw error;
      }
      now = error.problem.current as BuildRecord;
      if ((await askWhichToKeep(`The division of ${now.name}`, error.problem.detail)) === 'theirs') {
        replaceBuild(now);
        return;
      }
    }
  }
}

/** Makes a change of a division that is taken back by laying the one before over what it made. */
async function changeDivision(
  build: BuildRecord,
  label: string,
  change: () => Promise<unknown>,
): Promise<void> {
  const before = divisionOf(build);
  let after: Division | undefined;
  const make = () =>
    inTurn(build.id, async () => {
      await change();
      const now = await currentBuild(build.id);
      after = now && divisionOf(now);
    });
  // Made again it is laid over with the ids that it had: what was done after it finds them.
  const redo = () => (after ? sendDivision(build.id, after) : make());
  remember({ label, undo: () => sendDivision(build.id, before), redo });
  await make();
}

/** Adds a sub-assembly to the division. */
export async function addTray(build: BuildRecord, tray: TrayInput): Promise<TrayRecord> {
  let added: TrayRecord | undefined;
  await changeDivision(build, `add ${tray.name}`, async () => {
    added = await sendNewTray(build.id, tray);
  });
  return added!;
}

/** Removes a sub-assembly, and it from the joins. */
export const removeTray = (build: BuildRecord, tray: TrayRecord): Promise<void> =>
  changeDivision(build, `remove ${tray.name}`, () => sendTrayRemoval(tray));

/** Removes a join; what waited for it waits no more. */
export const removeJoin = (build: BuildRecord, join: JoinRecord): Promise<void> =>
  changeDivision(build, `remove ${join.name}`, () => sendJoinRemoval(join));

/** Adds a join of the builder's own. */
export const addJoin = (build: BuildRecord, join: JoinInput): Promise<void> =>
  changeDivision(build, `add ${join.name}`, () => sendJoin(build.id, join));

/** Joins that the builder wrote down by hand and whose sub-assemblies are still there: a proposal keeps them. */
function ownJoins({ joins }: Pick<Division, 'joins'>, trayIds: ReadonlySet<string>): Division['joins'] {
  return joins.filter(
    ({ join }) => join.jointIds.length === 0 && join.trayIds.every((id) => trayIds.has(id)),
  );
}

/** Divides a build as proposed; taking it back restores the division that was there. */
export async function takeDivision(build: BuildRecord, taken: TakenProposal): Promise<void> {
  const idOf = new Map(taken.trays.map(({ id, key }) => [key, id ?? newId(build.id)]));
  const before = divisionOf(build);
  const made = new Set(taken.joins.map(({ id }) => id));
  const after: Division = {
    trays: taken.trays.map(({ key, tray }) => ({
      id: idOf.get(key)!,
      tray: tray,
    })),
    joins: [
      ...taken.joins.map(({ id, trayKeys, after: earlier, ...join }) => ({
        id,
        join: {
          ...join,
          trayIds: trayKeys.map((key) => idOf.get(key)!),
          afterJoinIds: earlier.map((at) => taken.joins[at]!.id),
        },
      })),
      ...ownJoins(before, new Set(idOf.values())).map(({ id, join }) => ({
        id,
        join: { ...join, afterJoinIds: join.afterJoinIds.filter((other) => made.has(other)) },
      })),
    ],
  };
  remember({
    label: `divide ${build.name}`,
    undo: () => sendDivision(build.id, before),
    redo: () => sendDivision(build.id, after),
  });
  await sendDivision(build.id, after);
}
