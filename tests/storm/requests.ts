import { join } from 'node:path';
import type { AnyObjectSchema } from 'yup';
import {
  KIT_ITEMS,
  OWN_HEADER,
  PATHS,
  STOCK_ITEMS,
  type KitItemsRecord,
  type PaintRecord,
} from '../../src/api/index.ts';
import { assembleKit, checkKit, soundDivision } from '../../src/core/kit/index.ts';
import { seededRandom } from '../../src/core/seededRandom.ts';
import { openDatabase } from '../../src/server/database/open.ts';
import { readKitItems } from '../../src/server/store/kitStore.ts';
import { benchAt, kill, scratchFolder, startServer, type Started } from '../server.ts';

export interface RequestsResult {
  requests: number;
  /** Answers by their hundreds: 2, 3, 4, 5; 0 for none at all. */
  answers: Record<string, number>;
  /** Slowest answer and the largest answer to a refusal. */
  slowestMs: number;
  slowest: string;
  largestRefusal: number;
  /** Slowest fetch of the bench meanwhile, as a multiple of a plain one. */
  heldUp: number;
  /** Records that do not pass their own checks afterwards, in words. */
  unsound: string[];
}

type Random = () => number;
const pick = <T>(random: Random, from: readonly T[]): T => from[Math.floor(random() * from.length)]!;

const HEAP_MB = 512;
const SIDE_BY_SIDE = 4;

/** Sends requests that no page of ours would send, and looks at what is answered and what is stored afterwards. */
export async function requestStorm(requests: number, seed = 1): Promise<RequestsResult> {
  const { folder, remove } = scratchFolder();
  const file = join(folder, 'bench.db');
  let server: Started | undefined;
  const result: RequestsResult = {
    requests: 0,
    answers: {},
    slowestMs: 0,
    slowest: '',
    largestRefusal: 0,
    heldUp: 0,
    unsound: [],
  };
  try {
    const env = { FANFARE_DATA: file, NODE_OPTIONS: `--max-old-space-size=${HEAP_MB}` };
    server = await startServer(env, ['--demo']);
    const { address } = server;
    const known = await idsOf(address);
    const random = seededRandom(seed);
    const plain: number[] = [];
    for (let at = 0; at < 20; at++) plain.push(await timed(() => fetch(address + PATHS.bench)));
    const usual = plain.sort((p, q) => p - q)[10]!;
    const one = async () => {
      const { method, path, body, headers } = hostile(random, known);
      result.requests++;
      try {
        const began = performance.now();
        const answer = await fetch(address + path, { method, body, headers });
        const text = await answer.text();
        const took = performance.now() - began;
        if (took > result.slowestMs) {
          result.slowestMs = took;
          result.slowest = `${method} ${path.slice(0, 60)}`;
        }
        const kind = String(Math.floor(answer.status / 100));
        result.answers[kind] = (result.answers[kind] ?? 0) + 1;
        if (answer.status >= 400) result.largestRefusal = Math.max(result.largestRefusal, text.length);
      } catch {
        result.answers['0'] = (result.answers['0'] ?? 0) + 1;
      }
    };
    const state = { isOver: false };
    const watching = (async () => {
      while (!state.isOver) {
        result.heldUp = Math.max(result.heldUp, (await timed(() => fetch(address + PATHS.bench))) / usual);
        await new Promise((resolve) => setTimeout(resolve, 20));
      }
    })();
    const workers = Array.from({ length: SIDE_BY_SIDE }, async () => {
      while (result.requests < requests) await one();
    });
    await Promise.all(workers);
    state.isOver = true;
    await watching;
    await kill(server, 'SIGTERM');
    result.unsound = unsoundIn(file);
    return result;
  } finally {
    server?.process.kill('SIGKILL');
    remove();
  }
}

async function timed(work: () => Promise<Response>): Promise<number> {
  const began = performance.now();
  await (await work()).arrayBuffer();
  return performance.now() - began;
}

interface Known {
  ids: string[];
  bodies: unknown[];
}

async function idsOf(address: string): Promise<Known> {
  const { builds, settings, plan } = await benchAt(address);
  const paints = (await (await fetch(address + PATHS.paints)).json()) as PaintRecord[];
  const kit = (await (await fetch(`${address}/api/builds/${builds[0]!.id}/kit`)).json()) as KitItemsRecord;
  const trays = builds.flatMap((build) => build.trays);
  return {
    ids: [
      ...builds.map(({ id }) => id),
      ...trays.map(({ id }) => id),
      ...builds.flatMap(({ joins }) => joins.map(({ id }) => id)),
      ...paints.slice(0, 20).map(({ id }) => id),
      ...kit.items.slice(0, 20).map(({ id }) => id),
    ],
    bodies: [
      settings,
      { ...plan, starts: Object.fromEntries(Object.entries(plan.starts).slice(0, 20)) },
      ...trays.slice(0, 10).map(({ parts, ...tray }) => ({ ...tray, partIds: parts.map(({ id }) => id) })),
      ...builds.flatMap(({ joins }) => joins.slice(0, 5)),
      ...kit.items.slice(0, 200).map((item) => ({ changes: [item] })),
      { levelMl: 5, openedOn: '2026-01-01', place: 'rack', note: '' },
      { filmUm: 40, over: 'white', note: '', spectrum: new Array<number>(31).fill(0.3) },
      { name: 'Cup', trayId: null, codeId: 'TL-4417', drops: { [paints[0]!.id]: 3 } },
      {
        maker: 'a',
        code: 'b',
        name: '',
        years: '',
        kind: 'solid',
        provenance: 'chip',
        lab: { L: 50, a: 0, b: 0 },
      },
    ],
  };
}

const STRANGE_IDS = [
  '__proto__',
  'constructor',
  'toString',
  '..%2f..',
  '%00',
  '%ff',
  'a'.repeat(3000),
  'né',
  '-1',
];
const TYPES = [
  'application/json',
  'text/plain',
  'multipart/form-data',
  'image/png',
  'application/json; charset=utf-7',
];

function hostile(random: Random, known: Known) {
  const method = pick(random, ['GET', 'POST', 'PUT', 'PUT', 'PUT', 'DELETE', 'PATCH', 'HEAD', 'OPTIONS']);
  const id = random() < 0.6 ? encodeURIComponent(pick(random, known.ids)) : pick(random, STRANGE_IDS);
  // A restore would end the storm, and every copy takes the room of the bench: their own tests try them.
  const paths = Object.values(PATHS).filter(
    (path) => path !== PATHS.backup && !path.startsWith(PATHS.copies),
  );
  const path = pick(random, paths).replace(':id', id);
  const hasBody = method !== 'GET' && method !== 'HEAD';
  const headers: Record<string, string> = {
    'content-type': random() < 0.9 ? 'application/json' : pick(random, TYPES),
    ...(random() < 0.9 ? { [OWN_HEADER]: '1' } : {}),
    ...(random() < 0.7 ? { 'if-match': random() < 0.9 ? `"${Math.floor(random() * 400)}"` : '*' } : {}),
    ...(random() < 0.05 ? { origin: 'https://evil.test' } : {}),
  };
  return { method, path, headers, body: hasBody ? body(random, known) : undefined };
}

function body(random: Random, known: Known): string {
  const way = random();
  if (way < 0.05) return nested(Math.floor(random() * 5000));
  if (way < 0.08) return `[${'null,'.repeat(Math.floor(random() * 100_000))}null]`;
  if (way < 0.11)
    return JSON.stringify({ changes: Array.from({ length: Math.floor(random() * 6000) }, () => ({})) });
  if (way < 0.14) return JSON.stringify(pick(random, known.bodies)).slice(0, Math.floor(random() * 300));
  if (way < 0.17) return JSON.stringify({ name: 'x'.repeat(Math.floor(random() * 1_200_000)) });
  if (way < 0.19) return '{"__proto__": {"admin": true}, "constructor": {"prototype": {"admin": true}}}';
  const mutated = mutate(random, structuredClone(pick(random, known.bodies)), 0);
  return mutated === undefined ? 'null' : JSON.stringify(mutated);
}

const nested = (depth: number) => `${'{"a":'.repeat(depth)}1${'}'.repeat(depth)}`;

const STRANGE_VALUES: readonly unknown[] = [
  null,
  true,
  -1,
  0,
  1e300,
  -1e300,
  1e-300,
  0.5,
  '',
  ' ',
  '__proto__',
  'constructor',
  '\u0000',
  '\ud800',
  'x'.repeat(20_000),
  '<script>',
  [],
  {},
  [[[[]]]],
  { length: 5 },
];

/** A body with something in it replaced, doubled, renamed or taken out. */
function mutate(random: Random, value: unknown, depth: number): unknown {
  if (depth > 4 || random() < 0.12 || typeof value !== 'object' || value === null)
    return pick(random, STRANGE_VALUES);
  if (Array.isArray(value)) {
    const list = [...(value as unknown[])];
    if (list.length === 0 || random() < 0.2) return [...list, pick(random, STRANGE_VALUES)];
    if (random() < 0.2) return [...list, ...list];
    const at = Math.floor(random() * list.length);
    list[at] = mutate(random, list[at], depth + 1);
    return list;
  }
  const entries: [string, unknown][] = Object.entries(value);
  if (entries.length === 0) return { strange: 1 };
  const at = Math.floor(random() * entries.length);
  const [key, inside] = entries[at]!;
  const way = random();
  if (way < 0.15) entries.splice(at, 1);
  else if (way < 0.3) entries.push([pick(random, ['__proto__', 'admin', 'id', 'version']), inside]);
  else entries[at] = [key, mutate(random, inside, depth + 1)];
  return Object.fromEntries(entries);
}

/** What of a data file does not pass the checks that it was to pass before it was stored. */
function unsoundIn(file: string): string[] {
  const data = openDatabase(file);
  try {
    const found: string[] = [];
    const whole = data.sqlite.pragma('integrity_check', { simple: true });
    if (whole !== 'ok') found.push(String(whole));
    const schemas: Readonly<Record<string, AnyObjectSchema>> = { ...KIT_ITEMS, ...STOCK_ITEMS };
    const builds = data.sqlite.prepare('SELECT id FROM builds').pluck().all() as string[];
    for (const buildId of [null, ...builds]) {
      const items = readKitItems(data.db, buildId);
      for (const { kind, id, value } of items)
        if (!schemas[kind]?.isValidSync(value, { strict: true })) found.push(`${kind} ${id}`);
      if (buildId === null) continue;
      found.push(
        ...checkKit(assembleKit(items)).flatMap(({ kind, message }) =>
          kind === 'impossible' ? [message] : [],
        ),
      );
      const rows = (table: string) =>
        data.sqlite.prepare(`SELECT * FROM ${table} WHERE build_id = ?`).all(buildId) as Record<
          string,
          string
        >[];
      const parsed = (text: string | undefined) => JSON.parse(text ?? '[]') as never[];
      const { faults } = soundDivision({
        trays: rows('trays').map((row) => ({ id: row.id!, name: row.name!, layers: parsed(row.layers) })),
        joins: rows('joins').map((row) => ({
          id: row.id!,
          name: row.name!,
          trayIds: parsed(row.tray_ids),
          afterJoinIds: parsed(row.after_join_ids),
        })),
      });
      found.push(...faults.map(({ message }) => message));
    }
    return found;
  } finally {
    data.close();
  }
}
