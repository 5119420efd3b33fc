import { useMemo } from 'react';
import useSWR, { mutate } from 'swr';
import {
  MOST_CHANGES,
  PATHS,
  pathTo,
  type BuildRecord,
  type KitItemKind,
  type KitItemRecord,
  type KitItemsRecord,
  type StockItemKind,
  type SubassembliesInput,
} from '../../api/index.ts';
import {
  assembleKit,
  type Kit,
  type Lesson,
  type Spare,
  type StockMaterial,
  type TakenProposal,
} from '../../core/kit/index.ts';
import type { PlannedLayer } from '../../core/kit/index.ts';
import { currentBuild, refreshBench, replaceBuild } from './bench.ts';
import { askWhichToKeep } from './conflict.ts';
import { inTurn } from './inTurn.ts';
import { newId } from './newId.ts';
import { get, request, RequestProblem, Unreachable } from './request.ts';
import { saving, savesSettled } from './saving.ts';
import { remember } from './undo.ts';

/** One record to store, or to remove where the value is null. */
export interface ItemChange {
  kind: KitItemKind | StockItemKind;
  id: string;
  value: object | null;
}

const KEEP = { revalidateOnFocus: true, keepPreviousData: true };
const kitPath = (buildId: string) => pathTo(PATHS.kit, buildId);

/** The newest version of every record that this tab has seen. */
const versions = new Map<string, number>();
const keyOf = ({ kind, id }: { kind: string; id: string }) => `${kind} ${id}`;

async function getItems(path: string): Promise<KitItemsRecord> {
  await savesSettled();
  const record = await get<KitItemsRecord>(path);
  for (const item of record.items) versions.set(keyOf(item), item.version);
  return record;
}

/** What is in the box of a build; undefined while it is fetched. */
export function useKit(buildId: string | undefined): { kit: Kit | undefined; error: Error | undefined } {
  const { data, error } = useSWR<KitItemsRecord, Error>(buildId ? kitPath(buildId) : null, getItems, KEEP);
  const kit = useMemo(() => data && assembleKit(data.items), [data]);
  return { kit, error };
}

export interface Stock {
  spares: Spare[];
  materials: StockMaterial[];
  lessons: Lesson[];
  stacks: OwnStack[];
}

/** A stack that the builder keeps to put on other sub-assemblies. */
export interface OwnStack {
  id: string;
  name: string;
  note: string;
  layers: PlannedLayer[];
}

/** Spares, materials and lessons of the bench. */
export function useStock(): Stock | undefined {
  const { data } = useSWR<KitItemsRecord, Error>(PATHS.stock, getItems, KEEP);
  return useMemo(() => {
    if (!data) return undefined;
    const ofKind = <T>(kind: StockItemKind) =>
      data.items
        .filter((item) => item.kind === kind)
        .map(({ id, value }) => ({ ...(value as object), id }) as T);
    return {
      spares: ofKind<Spare>('spare'),
      materials: ofKind<StockMaterial>('material'),
      lessons: ofKind<Lesson>('lesson'),
      stacks: ofKind<OwnStack>('stack'),
    };
  }, [data]);
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
  void mutate<KitItemsRecord>(path, (record) => record && { items: applied(record.items, changes) }, {
    revalidate: false,
  });
  await inTurn(path, async () => {
    for (const some of inPortions(changes)) await sendSome(path, some);
  });
  refreshBench();
}

/** The server takes 1 MB at once; portions stay well below. */
const MOST_CHARACTERS = 500_000;

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

async function sendSome(path: string, changes: readonly ItemChange[]): Promise<void> {
  for (;;) {
    const body = {
      changes: changes.map(({ kind, id, value }) => ({
        kind,
        id,
        version: versions.get(keyOf({ kind, id })) ?? 0,
        value: value === null ? null : valueOf(value),
      })),
    };
    try {
      const saved = await saving(() => request<KitItemsRecord>('PUT', path, body));
      for (const item of saved.items) versions.set(keyOf(item), item.version);
      return;
    } catch (error) {
      if (!(error instanceof RequestProblem) || error.problem.status !== 409) {
        void mutate(path);
        throw error;
      }
      const theirs = error.problem.current as KitItemRecord;
      versions.set(keyOf(theirs), theirs.version);
      const name = (theirs.value as { name?: string; title?: string } | null)?.name ?? 'record of the kit';
      if ((await askWhichToKeep(name, error.problem.detail)) === 'theirs') {
        void mutate(path);
        return;
      }
    }
  }
}

async function change(path: string, changes: readonly ItemChange[], label: string): Promise<void> {
  if (changes.length === 0) return;
  let before: readonly KitItemRecord[] = [];
  await mutate<KitItemsRecord>(
    path,
    (record) => {
      before = record?.items ?? [];
      return record;
    },
    { revalidate: false },
  );
  const known = new Map(before.map((item) => [keyOf(item), item]));
  const back = [...changes].reverse().map(({ kind, id }): ItemChange => {
    return { kind, id, value: (known.get(keyOf({ kind, id }))?.value as object | undefined) ?? null };
  });
  remember({ label, undo: () => send(path, back), redo: () => send(path, changes) });
  await send(path, changes);
}

/** Saves changes of a kit at once and remembers how to take them back. */
export const changeKit = (buildId: string, changes: readonly ItemChange[], label: string): Promise<void> =>
  change(kitPath(buildId), changes, label);

/** Saves changes of the stock at once and remembers how to take them back. */
export const changeStock = (changes: readonly ItemChange[], label: string): Promise<void> =>
  change(PATHS.stock, changes, label);

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
  const response = await saving(() =>
    fetch(pathTo(PATHS.pictures, buildId), { method: 'POST', body: blob }).catch((error: unknown) => {
      throw new Unreachable('The server cannot be reached.', { cause: error });
    }),
  );
  if (!response.ok) throw new Error(((await response.json()) as { detail: string }).detail);
  return ((await response.json()) as { id: string }).id;
}

const MOST_PIXELS = 1600;

interface Division {
  trays: { id: string; tray: SubassembliesInput['trays'][number]['tray'] }[];
  joins: SubassembliesInput['joins'];
}

function divisionOf(build: BuildRecord): Division {
  return {
    trays: build.trays.map(({ id, buildId: _buildId, version: _version, parts, ...tray }) => ({
      id,
      tray: { ...tray, partIds: parts.map((part) => part.id) },
    })),
    joins: build.joins.map(({ buildId: _buildId, version: _version, ...join }) => join),
  };
}

/** Lays a division over the one that stands now. */
async function sendDivision(buildId: string, { trays, joins }: Division): Promise<void> {
  const now = await currentBuild(buildId);
  const versionOf = new Map(now?.trays.map(({ id, version }) => [id, version]));
  const kept = new Set(trays.map(({ id }) => id));
  const input: SubassembliesInput = {
    trays: trays.map(({ id, tray }) => ({ id, version: versionOf.get(id) ?? 0, tray })),
    removed: [...versionOf].filter(([id]) => !kept.has(id)).map(([id, version]) => ({ id, version })),
    joins,
  };
  try {
    replaceBuild(
      await saving(() => request<BuildRecord>('PUT', pathTo(PATHS.subassemblies, buildId), input)),
    );
  } catch (error) {
    refreshBench();
    throw error;
  }
}

/** Joins that the builder wrote down by hand and whose sub-assemblies are still there: a proposal keeps them. */
function ownJoins({ joins }: Pick<Division, 'joins'>, trayIds: ReadonlySet<string>): Division['joins'] {
  return joins.filter((join) => join.jointIds.length === 0 && join.trayIds.every((id) => trayIds.has(id)));
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
      ...taken.joins.map(({ trayKeys, after: earlier, ...join }) => ({
        ...join,
        trayIds: trayKeys.map((key) => idOf.get(key)!),
        afterJoinIds: earlier.map((at) => taken.joins[at]!.id),
      })),
      ...ownJoins(before, new Set(idOf.values())).map((join) => ({
        ...join,
        afterJoinIds: join.afterJoinIds.filter((id) => made.has(id)),
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
