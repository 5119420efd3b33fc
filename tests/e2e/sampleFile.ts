import { join } from 'node:path';
import type { TestProject } from 'vitest/node';
import { kill, scratchFolder, startServer } from '../server.ts';
import { EVENING } from './evening.ts';

declare module 'vitest' {
  interface ProvidedContext {
    /** The data file of the sample bench as it is first laid out. */
    sampleFile: string;
  }
}

/** Lays the sample bench out before all tests: each works on a copy of its own. */
export default async function layOutSample(project: TestProject): Promise<() => void> {
  const { folder, remove } = scratchFolder();
  const file = join(folder, 'sample.db');
  const server = await startServer({ FANFARE_DATA: file, FANFARE_CLOCK: EVENING }, ['--demo']);
  await kill(server, 'SIGTERM');
  project.provide('sampleFile', file);
  return remove;
}
