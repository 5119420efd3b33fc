import { createHash, randomBytes, timingSafeEqual } from 'node:crypto';

const LEAST_LENGTH = 8;
const LEAST_DIFFERENT = 4;

/** Why a passphrase cannot guard a bench on a network, in words; null where it can. */
export function weakness(passphrase: string): string | null {
  const text = passphrase.trim();
  if (text === '') return 'it is empty';
  if (text.length < LEAST_LENGTH)
    return `it has ${text.length} characters; it needs at least ${LEAST_LENGTH}`;
  if (new Set(text).size < LEAST_DIFFERENT)
    return `it has fewer than ${LEAST_DIFFERENT} different characters`;
  return null;
}

const digest = (text: string) => createHash('sha256').update(text).digest();

/** Compares in a time that tells nothing of how much was right, nor how long the passphrase is. */
export function isPassphrase(expected: string): (given: string) => boolean {
  const wanted = digest(expected);
  return (given) => timingSafeEqual(digest(given), wanted);
}

const DAY_MS = 86_400_000;
/** A browser is asked again after so long. */
const LASTS_MS = 30 * DAY_MS;
const MOST_SESSIONS = 200;

/** Browsers that gave the passphrase, by a token of which only the digest is kept; a restart forgets them. */
export function sessions(clock: () => number) {
  const known = new Map<string, number>();
  const keyOf = (token: string) => digest(token).toString('base64');
  return {
    lastsMs: LASTS_MS,
    begin(): string {
      if (known.size >= MOST_SESSIONS) known.delete(known.keys().next().value!);
      const token = randomBytes(32).toString('base64url');
      known.set(keyOf(token), clock() + LASTS_MS);
      return token;
    },
    isOpen(token: string | undefined): boolean {
      const until = token === undefined ? undefined : known.get(keyOf(token));
      return until !== undefined && until > clock();
    },
    end(token: string | undefined): void {
      if (token !== undefined) known.delete(keyOf(token));
    },
  };
}
