import type { BenchSnapshot, PlanRecord } from '../../api/index.ts';

/** A look for a better plan of one bench. */
export interface LongerLook {
  bench: BenchSnapshot;
  /** Once it has ended: the stored plan that its own takes the place of. */
  replaces?: number;
}

/** What a search under way has found. */
export interface SoFar {
  starts: PlanRecord['starts'];
  longer: boolean;
  /** Of the stored plan that it is better than. */
  version: number;
}

/** Kept in this browser alone: what a search had found when its page was left. */
const SO_FAR = 'fanfare.plan-so-far';

/** Whether nothing has ended a look: no change of its bench, and it stays on until what it found is stored. */
export function isOn({ bench, replaces }: LongerLook, latest: BenchSnapshot): boolean {
  return isSameBench(bench, latest) && (replaces ?? latest.plan.version) === latest.plan.version;
}

/** Whether two snapshots differ in nothing but the plan that is stored. */
function isSameBench({ plan: _, ...bench }: BenchSnapshot, other: BenchSnapshot): boolean {
  return (Object.keys(bench) as (keyof typeof bench)[]).every((key) => bench[key] === other[key]);
}

/** Keeps what a search has found for when the page is opened again. */
export function leaveSoFar(soFar: SoFar, storage: Pick<Storage, 'setItem'> = localStorage): void {
  try {
    storage.setItem(SO_FAR, JSON.stringify(soFar));
  } catch {
    // Where the browser keeps nothing, the search begins anew.
  }
}

/** What was found before the page was left, once; nothing where it cannot be read. */
export function takeSoFar(storage: Pick<Storage, 'getItem' | 'removeItem'> = localStorage): SoFar | null {
  const text = storage.getItem(SO_FAR);
  storage.removeItem(SO_FAR);
  try {
    return text === null ? null : (JSON.parse(text) as SoFar);
  } catch {
    return null;
  }
}

/** What the next search goes on from: where another plan was stored meanwhile, that is the better one. */
export function beginFrom(soFar: SoFar | null, stored: Pick<PlanRecord, 'version'>): SoFar | null {
  return soFar?.version === stored.version ? soFar : null;
}
