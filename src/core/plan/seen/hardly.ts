/** Shares are means over all eyes: what one of eight sees a quarter of has 3 in a hundred. Below this nobody will see it. */
export const HARDLY = 0.02;
