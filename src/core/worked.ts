/** Something worked out, or in words what is wrong with what it was to be worked out from. */
export type Worked<A> = { answer: A; fault?: undefined } | { answer?: undefined; fault: string };

/** What a piece of work gives; a RangeError that it throws is what is wrong with its question. Other errors are ours, and thrown
 *  on. */
export function worked<A>(work: () => A): Worked<A> {
  try {
    return { answer: work() };
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return { fault: error.message };
  }
}
