import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { wholeBench, type BenchSnapshot } from '../src/api/index.ts';

const ROOT = join(import.meta.dirname, '..');
/** The built server. */
export const SERVER = join(ROOT, 'dist/server/main.js');

export interface Started {
  process: ChildProcess;
  address: string;
}

/** Starts the built server and waits for its address; the port may be given to come back to the same one. */
export async function startServer(
  env: Record<string, string>,
  args: string[] = [],
  server = SERVER,
): Promise<Started> {
  const child = spawn(process.execPath, [server, ...args], {
    env: { ...process.env, FANFARE_PORT: '0', ...env },
  });
  const address = await new Promise<string>((resolve, reject) => {
    let said = '';
    const listen = (text: Buffer) => {
      said += String(text);
      const match = /http:\S+\//.exec(said);
      if (match) resolve(match[0].slice(0, -1));
    };
    child.stdout.on('data', listen);
    child.stderr.on('data', listen);
    child.on('exit', (code) => reject(new Error(`the server ended with ${code}: ${said}`)));
  });
  return { process: child, address };
}

/** The bench with its builds whole, as the page puts it together. */
export const benchAt = (address: string): Promise<BenchSnapshot> =>
  wholeBench(async <T>(path: string) => {
    const answer = await fetch(address + path);
    return { body: (await answer.json()) as T, headers: answer.headers };
  });

/** Runs the server to its end and gives what it said; for starts that must fail. */
export function startAndFail(env: Record<string, string>): Promise<{ code: number | null; said: string }> {
  const child = spawn(process.execPath, [SERVER], { env: { ...process.env, ...env } });
  let said = '';
  child.stdout.on('data', (text) => (said += String(text)));
  child.stderr.on('data', (text) => (said += String(text)));
  return new Promise((resolve) => child.on('exit', (code) => resolve({ code, said })));
}

export async function kill({ process: child }: Started, signal: NodeJS.Signals): Promise<void> {
  const ended = new Promise((resolve) => child.on('exit', resolve));
  child.kill(signal);
  await ended;
}

export function scratchFolder(): { folder: string; remove: () => void } {
  const folder = mkdtempSync(join(tmpdir(), 'fanfare-e2e-'));
  return { folder, remove: () => rmSync(folder, { recursive: true, force: true, maxRetries: 5 }) };
}
