import { PATHS } from '../../api/index.ts';
import { randomKey } from './newId.ts';

/** A write as it is sent, and as the browser keeps it until the server has answered. */
export interface Write {
  /** Names it to the server, which does it once however often it is sent. */
  key: string;
  method: 'POST' | 'PUT' | 'DELETE';
  path: string;
  body?: unknown;
  /** Of the record that is changed or removed. */
  version?: number;
}

const KEPT = 'fanfare.unsent-writes';
/** Where the version before kept ticks alone. */
const TICKS = 'fanfare.steps-to-send';

/** Writes that were not answered when the page was closed, in the order in which they were made. */
export const unsent = (): Write[] => listIn(KEPT) as Write[];

/** Takes over the ticks that the version before kept. */
export function takeOverTicks(): void {
  for (const body of listIn(TICKS)) keep({ key: randomKey(), method: 'POST', path: PATHS.steps, body });
  localStorage.removeItem(TICKS);
}

function listIn(place: string): unknown[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(place) ?? '[]');
    return Array.isArray(kept) ? kept : [];
  } catch {
    return [];
  }
}

/** Keeps a write until `answered`. A file is not kept, nor what the browser has no room for: leaving the page then asks
 *  first, as it does while anything is on its way. */
export function keep(write: Write): void {
  if (write.body instanceof Blob) return;
  try {
    localStorage.setItem(KEPT, JSON.stringify([...unsent(), write]));
  } catch {
    return;
  }
}

export function answered({ key }: Write): void {
  const left = unsent();
  const others = left.filter((write) => write.key !== key);
  if (others.length < left.length) localStorage.setItem(KEPT, JSON.stringify(others));
}
