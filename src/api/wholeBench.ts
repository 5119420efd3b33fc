import { CLOCK_HEADER, PATHS, pathTo } from './paths.ts';
import type {
  BenchOverview,
  BenchSnapshot,
  BuildDetail,
  BuildRecord,
  Problem,
  StepRecord,
} from './records.ts';

/** JSON with the headers of the answer that it came in. */
export interface Answered<T> {
  body: T;
  headers: Headers;
}

type Get = <T>(path: string) => Promise<Answered<T>>;

/** Builds as they were fetched last, by id. */
export type KnownBuilds = Map<string, { revision: number; build: BuildRecord; steps: StepRecord[] }>;

/** So many builds are fetched side by side. */
const AT_ONCE = 6;

/** The bench with its builds whole: the overview, and of the builds those that changed since they were last fetched.
 *  `known` keeps them from one call to the next. */
export async function wholeBench(get: Get, known: KnownBuilds = new Map()): Promise<BenchSnapshot> {
  const { body, headers } = await get<BenchOverview>(PATHS.bench);
  const fetchOne = async (id: string) => {
    try {
      const { revision, steps, ...build } = (await get<BuildDetail>(pathTo(PATHS.build, id))).body;
      known.set(id, { revision, build, steps });
    } catch (error) {
      // Removed since the overview was made.
      if ((error as { problem?: Problem }).problem?.status !== 404) throw error;
      known.delete(id);
    }
  };
  const wanted = body.builds.filter(({ id, revision }) => known.get(id)?.revision !== revision);
  for (let from = 0; from < wanted.length; from += AT_ONCE)
    await Promise.all(wanted.slice(from, from + AT_ONCE).map(({ id }) => fetchOne(id)));
  const ids = new Set(body.builds.map(({ id }) => id));
  for (const id of known.keys()) if (!ids.has(id)) known.delete(id);
  const found = body.builds.flatMap(({ id }) => known.get(id) ?? []);
  return {
    ...body,
    now: Number(headers.get(CLOCK_HEADER)),
    builds: found.map(({ build }) => build),
    steps: found.flatMap(({ steps }) => steps).sort((p, q) => p.endedAt - q.endedAt),
  };
}
