import {
  PATHS,
  pathTo,
  type CupInput,
  type CupRecord,
  type CupUpdate,
  type ReaderRecord,
  type ReadingInput,
  type ReadingRecord,
} from '../../api/index.ts';
import { cachedNow, changeCached, putCached, refetch, useCached } from './cache.ts';
import { get } from './request.ts';
import { write } from './saving.ts';
import { remember } from './undo.ts';
import { saveVersioned } from './versioned.ts';

export const useCups = () => useCached<CupRecord[]>(PATHS.cups, get);
/** Test cards of single paints. */
export const useCards = () => useCached<ReadingRecord[]>(PATHS.readings, get);

const POLL_MS = 1000;
/** The reader as it stands, asked again while it warms up. */
export const useReader = () =>
  useCached<ReaderRecord>(PATHS.reader, get, {
    refreshInterval: (reader) => (reader?.state === 'warming' ? POLL_MS : 60 * POLL_MS),
  });

function putCup(cup: CupRecord): void {
  changeCached<CupRecord[]>(PATHS.cups, (cups) =>
    [...cups.filter(({ id }) => id !== cup.id), cup].sort((p, q) => p.mixedAt - q.mixedAt),
  );
}

/** What was learned changes the paints everywhere. */
function learned(): void {
  void refetch(PATHS.paints);
  void refetch(PATHS.readings);
}

export async function addCup(buildId: string, cup: CupInput): Promise<CupRecord> {
  const saved = await write<CupRecord>('POST', pathTo(PATHS.buildCups, buildId), cup);
  putCup(saved);
  return saved;
}

async function sendCup(id: string, change: (cup: CupRecord) => CupUpdate): Promise<void> {
  const cups = await cachedNow<CupRecord[]>(PATHS.cups);
  let cup = cups?.find((other) => other.id === id);
  if (!cup) return;
  const saved = await saveVersioned({
    key: `cup ${id}`,
    what: cup.name,
    version: cup.version,
    send: async (version) => {
      // Drops are added to what the cup holds by now, not to what it held when the button was pressed.
      const now = await cachedNow<CupRecord[]>(PATHS.cups);
      cup = now?.find((other) => other.id === id && other.version >= cup!.version) ?? cup!;
      if (cup.version < version) cup = await freshCup(id, cup);
      return write<CupRecord>('PUT', pathTo(PATHS.cup, id), change(cup), version);
    },
    takeTheirs: (current) => (current ? putCup(current as CupRecord) : void refetch(PATHS.cups)),
  });
  if (saved) putCup(saved);
}

/** A cup as the server has it now. */
async function freshCup(id: string, known: CupRecord): Promise<CupRecord> {
  const cups = await get<CupRecord[]>(PATHS.cups);
  return cups.find((cup) => cup.id === id) ?? known;
}

const restOf = ({ name, note, additions, thrown }: CupRecord): CupUpdate => ({
  name,
  note,
  additions,
  thrown,
});

/** Notes drops that went into a cup; undo takes back the note, not the drops. */
export async function addDrops(cup: CupRecord, add: Record<string, number>, at: number): Promise<void> {
  const entry = { at, add };
  const put = () => sendCup(cup.id, (now) => ({ ...restOf(now), additions: [...now.additions, entry] }));
  const take = () =>
    sendCup(cup.id, (now) => {
      const index = now.additions.findLastIndex(
        (other) => other.at === at && JSON.stringify(other.add) === JSON.stringify(add),
      );
      return { ...restOf(now), additions: now.additions.filter((_, i) => i !== index) };
    });
  remember({ label: `drops into ${cup.name}`, undo: take, redo: put });
  await put();
}

export async function readSpoon(cupId: string, input: ReadingInput): Promise<void> {
  putCup(await write<CupRecord>('POST', pathTo(PATHS.cupReadings, cupId), input));
  learned();
}

export async function readPaintCard(paintId: string, input: ReadingInput): Promise<void> {
  await write('POST', pathTo(PATHS.paintReadings, paintId), input);
  learned();
}

/** Throws a cup away: it goes out of sight, what its spoons taught stays. */
export async function throwAway(cup: CupRecord): Promise<void> {
  const set = (thrown: boolean) => sendCup(cup.id, (now) => ({ ...restOf(now), thrown }));
  remember({ label: `throw away ${cup.name}`, undo: () => set(false), redo: () => set(true) });
  await set(true);
}

/** Sets a reading aside, so that nothing is learned from it. */
export async function setAside(reading: ReadingRecord, label: string): Promise<void> {
  const set = async (aside: boolean) => {
    await saveVersioned({
      key: `reading ${reading.id}`,
      what: reading.note || 'the reading',
      version: reading.version,
      send: (version) => write<ReadingRecord>('PUT', pathTo(PATHS.reading, reading.id), { aside }, version),
      takeTheirs: () => undefined,
    });
    await refetch(PATHS.cups);
    learned();
  };
  remember({ label, undo: () => set(false), redo: () => set(true) });
  await set(true);
}

async function reader(method: 'POST' | 'DELETE', path: string): Promise<void> {
  const state = await write<ReaderRecord>(method, path);
  await putCached(PATHS.reader, state);
}
export const connectReader = () => reader('POST', PATHS.reader);
export const disconnectReader = () => reader('DELETE', PATHS.reader);
export const calibrateReader = () => reader('POST', PATHS.readerCalibration);
