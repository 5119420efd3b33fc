import { useSyncExternalStore } from 'react';

/** Whether the server asked for the passphrase when it was asked last. */
let signedOut = false;
const listeners = new Set<() => void>();

export function setSignedOut(next: boolean): void {
  if (next === signedOut) return;
  signedOut = next;
  listeners.forEach((listener) => listener());
}

function subscribe(listener: () => void) {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

export const useSignedOut = (): boolean => useSyncExternalStore(subscribe, () => signedOut);
