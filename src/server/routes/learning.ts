import type { Database } from '../database/open.ts';
import { inPortions, oneAtATime } from '../requests/inPortions.ts';
import { refitDone, refitDue, refitSteps } from '../store/cupStore.ts';
import { writing } from '../store/writing.ts';

/** Learns the optics of paints from their readings, one request after the other and in portions, so that nothing else
 *  waits for it. */
export interface Learning {
  /** Resolves once everything that was due has been learned. */
  catchUp: () => Promise<void>;
}

export function learning(db: Database): Learning {
  const oneByOne = oneAtATime();
  return {
    catchUp: () =>
      oneByOne(async () => {
        for (let due = refitDue(db); due !== undefined; due = refitDue(db)) {
          const { paintIds, version } = due;
          const store = await inPortions(refitSteps(db, paintIds));
          writing(db, (tx) => {
            // A reading that came meanwhile has more to say: then it is all done once more.
            if (refitDue(tx)?.version !== version) return;
            store(tx);
            refitDone(tx);
          });
        }
      }),
  };
}
