/** A tap so soon after the plan put another card under the finger was meant for the card before. */
export const UNSEEN_MS = 700;

/** Watches which card is shown, and whether the builder or the plan put it there. `now`: ms on any clock. */
export function cardGuard(now: () => number = () => performance.now()) {
  let shown: string | undefined;
  let movedAt = -Infinity;
  return {
    /** `isOwn`: the builder ticked the card before, or went to this one. */
    shows(id: string | undefined, isOwn: (before: string) => boolean): void {
      if (id === shown) return;
      movedAt = shown === undefined || isOwn(shown) ? -Infinity : now();
      shown = id;
    },
    /** Whether a tap can have been meant for the card that is shown. */
    isMeant: (): boolean => now() - movedAt >= UNSEEN_MS,
  };
}
