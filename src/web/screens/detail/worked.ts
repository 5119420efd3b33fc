/** Something worked out, or what is wrong with what it was to be worked out from. */
export function worked<A>(
  work: () => A,
): { answer: A; fault?: undefined } | { answer?: undefined; fault: string } {
  try {
    return { answer: work() };
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return { fault: error.message };
  }
}
