import { bundleMm } from '../../detail/index.ts';
import type { Run } from '../records/index.ts';
import { runAtScale } from './runAtScale.ts';

/** Runs that are tied together. */
export interface Bundle<T extends Run = Run> {
  name: string;
  runs: T[];
  /** How many wires lie in it, and how thick they are together, mm. */
  count: number;
  mm: number;
}

/** Bundles by their names, however these are spelt, as they first come. */
export function bundlesOf<T extends Run>(runs: readonly T[], scale: number): Bundle<T>[] {
  const byName = new Map<string, { name: string; runs: T[] }>();
  for (const run of runs) {
    const name = (run.bundle ?? '').trim();
    if (name === '') continue;
    const key = name.toLowerCase();
    const known = byName.get(key) ?? { name, runs: [] };
    known.runs.push(run);
    byName.set(key, known);
  }
  return [...byName.values()].map((bundle) => {
    const wires = bundle.runs.flatMap((run) =>
      Array.from({ length: run.count }, () => runAtScale(run, scale).wireMm),
    );
    return { ...bundle, count: wires.length, mm: bundleMm(wires) };
  });
}
