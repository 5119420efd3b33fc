import { join } from 'node:path';
import Sqlite from 'better-sqlite3';
import { OWN_HEADER, type BuildRecord, type KitItemsRecord } from '../../src/api/index.ts';
import { seededRandom } from '../../src/core/seededRandom.ts';
import { benchAt, kill, scratchFolder, startServer, type Started } from '../server.ts';

export interface KillsResult {
  kills: number;
  acknowledged: number;
  lost: number;
  torn: number;
  failedStarts: number;
}

const WRITERS = 4;
const LONGEST_LIFE_MS = 160;

const want = (name: string) => ({
  name,
  why: '',
  optionId: null,
  leadDays: 0,
  have: false,
  substitute: '',
  looks: '',
});

/** Kills a server with no warning in a storm of writes, again and again, and looks after each start whether everything
 *  that it had acknowledged is there and nothing is half there. */
export async function killStorm(kills: number, seed = 1): Promise<KillsResult> {
  const { folder, remove } = scratchFolder();
  const file = join(folder, 'bench.db');
  const random = seededRandom(seed);
  const result: KillsResult = { kills: 0, acknowledged: 0, lost: 0, torn: 0, failedStarts: 0 };
  let server: Started | undefined;
  try {
    server = await startServer({ FANFARE_DATA: file });
    const build = await send<BuildRecord>(server, 'POST', '/api/builds', {
      name: 'Storm',
      subject: '',
      scale: 24,
    });
    const kit = `/api/builds/${build.id}/kit`;
    /** What each writer's record said when it was last acknowledged, and the last that it sent. */
    const acked = new Array<number>(WRITERS).fill(0);
    const sent = new Array<number>(WRITERS).fill(0);
    const steps = new Set<string>();
    let count = 0;
    while (result.kills < kills) {
      const running = server;
      let alive = true;
      const versions = new Map(
        (await read<KitItemsRecord>(running, kit)).items.map(({ id, version }) => [id, version]),
      );
      const write = async (writer: number) => {
        while (alive) {
          const number = ++count;
          try {
            if (number % 3 === 0) {
              await send(running, 'POST', '/api/steps', {
                operationId: `storm/${number}`,
                buildId: build.id,
                trayId: null,
                title: `Step ${number}`,
                endedAt: number,
                minutes: 1,
                note: '',
              });
              steps.add(`storm/${number}`);
            } else {
              sent[writer] = number;
              const id = `w${writer}`;
              const change = { kind: 'want', id, version: versions.get(id) ?? 0, value: want(`n${number}`) };
              const { items } = await send<KitItemsRecord>(running, 'PUT', kit, { changes: [change] });
              versions.set(id, items[0]!.version);
              acked[writer] = number;
            }
            result.acknowledged++;
          } catch {
            // Cut off; whether it was stored is not known, and either is right.
            return;
          }
        }
      };
      const writers = acked.map((_, writer) => write(writer));
      await new Promise((resolve) => setTimeout(resolve, 5 + random() * LONGEST_LIFE_MS));
      await kill(running, 'SIGKILL');
      alive = false;
      await Promise.all(writers);
      result.kills++;
      server = await startServer({ FANFARE_DATA: file }).catch(() => undefined);
      if (!server) {
        result.failedStarts++;
        break;
      }
      const items = new Map((await read<KitItemsRecord>(server, kit)).items.map((item) => [item.id, item]));
      acked.forEach((last, writer) => {
        const item = items.get(`w${writer}`);
        const number = item ? Number((item.value as { name: string }).name.slice(1)) : 0;
        if (number < last) result.lost++;
        else if (number !== last && number !== sent[writer]) result.torn++;
        // What was stored without having been acknowledged stands from now on.
        acked[writer] = number;
      });
      const known = new Set((await benchAt(server.address)).steps.map(({ operationId }) => operationId));
      result.lost += [...steps].filter((id) => !known.has(id)).length;
    }
    if (server) await kill(server, 'SIGTERM');
    const sqlite = new Sqlite(file, { readonly: true });
    if (sqlite.pragma('integrity_check', { simple: true }) !== 'ok') result.torn++;
    sqlite.close();
    return result;
  } finally {
    server?.process.kill('SIGKILL');
    remove();
  }
}

async function send<T>({ address }: Started, method: string, path: string, body: unknown): Promise<T> {
  const answer = await fetch(address + path, {
    method,
    headers: { 'content-type': 'application/json', [OWN_HEADER]: '1' },
    body: JSON.stringify(body),
  });
  if (!answer.ok) throw new Error(await answer.text());
  return (await answer.json()) as T;
}

const read = async <T>({ address }: Started, path: string): Promise<T> =>
  (await (await fetch(address + path)).json()) as T;
