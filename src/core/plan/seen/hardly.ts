/** Shares are means over all eyes: what one of eight sees a third of has 4 in a hundred. Below this nobody will see it. */
export const HARDLY = 0.04;
/** Below this a part is seen in part only: from some sides, or by its edge. */
export const PARTLY = 0.15;
