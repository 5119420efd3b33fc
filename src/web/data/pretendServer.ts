import { vi } from 'vitest';

export interface Asked {
  method: string;
  path: string;
  body: unknown;
  /** Of its If-Match. */
  version?: number;
}
interface Sent {
  method: string;
  body?: string;
  headers?: Record<string, string>;
}
type Answer = { status: number; body?: unknown };

/** Stands in for browser and server where the web's data is tested alone: answers what a test says, keeps what was asked,
 *  and can be away. What the browser stores outlives `reload`. */
export function pretendServer() {
  const asked: Asked[] = [];
  const stored = new Map<string, string>();
  let answer: (asked: Asked) => Answer = () => ({ status: 200, body: {} });
  let isAway = false;
  return {
    asked,
    stored,
    answerWith: (next: typeof answer) => void (answer = next),
    goAway: () => void (isAway = true),
    comeBack: () => void (isAway = false),
    /** Begins as a freshly loaded page does. */
    reload: () => {
      vi.resetModules();
      vi.stubGlobal('window', { addEventListener: () => undefined, removeEventListener: () => undefined });
      vi.stubGlobal('localStorage', {
        getItem: (key: string) => stored.get(key) ?? null,
        setItem: (key: string, value: string) => void stored.set(key, value),
        removeItem: (key: string) => void stored.delete(key),
      });
      vi.stubGlobal('fetch', (path: string, { method, body, headers = {} }: Sent) => {
        if (isAway) return Promise.reject(new TypeError('failed to fetch'));
        const match = headers['if-match'];
        const one: Asked = {
          method,
          path,
          body: body === undefined ? undefined : (JSON.parse(body) as unknown),
          version: match === undefined ? undefined : Number(match.replaceAll('"', '')),
        };
        asked.push(one);
        const { status, body: given } = answer(one);
        return Promise.resolve(new Response(status === 204 ? null : JSON.stringify(given ?? {}), { status }));
      });
    },
  };
}

/** Problem details as the server sends them. */
export const problem = (status: number, detail: string, current?: unknown): Answer => ({
  status,
  body: {
    type: status === 409 && current !== undefined ? '/problems/stale-version' : 'about:blank',
    title: 'No',
    status,
    detail,
    current,
  },
});

const CONFLICT = './conflict.ts';

/** Answers every question which of two versions to keep; with what was asked. To be called after `reload`. */
export function answerConflicts() {
  const conflict = { answer: 'mine' as 'mine' | 'theirs', asked: [] as string[] };
  vi.doMock(CONFLICT, () => ({
    askWhichToKeep: (what: string) => {
      conflict.asked.push(what);
      return Promise.resolve(conflict.answer);
    },
  }));
  return conflict;
}

/** Takes all stand-ins away again. */
export function restore(): void {
  vi.useRealTimers();
  vi.doUnmock(CONFLICT);
  vi.unstubAllGlobals();
}
