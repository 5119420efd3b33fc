/** How the time of a search, or its count of decoded orders, is shared out between the ways of searching. */

/** First orders that are tried, each by block insertion and by a priority rule. */
export const FIRST_TRIES = 24;
/** Share of the time that first orders may take where there is a plan already. */
export const FIRST_SHARE = 0.1;
/** The priority rule looks at all open operations at every step: too slow for more. */
export const MOST_TO_DISPATCH = 400;
/** Beyond its time a search without any schedule yet goes on this long, ms. */
export const PATIENCE_MS = 5000;

/** Tries at a first schedule by penalty search where none was found otherwise: moves per operation, and minutes by which
 *  it may end later than one that breaks maximum lags. */
export const TRIES_TO_FIT = 3;
export const MOVES_TO_FIT = 1500;
export const ROOM_TO_FIT = 7 * 1440;
/** After those, orders are shaken so often at least, and at most. */
export const LEAST_SHAKEN = 500;
export const MOST_SHAKEN = 4000;

/** Before a small instance is searched to the end: shares of the time, tries of two kinds. The search finds what is
 *  better by itself, but sooner from a good schedule; with the smallest it is done before that pays. */
export const MOST_TO_PROVE_AT_ONCE = 15;
export const BEFORE_PROOF = { share: 0.2, reinserted: 3000, targets: 0.15, annealed: 300 };
/** Shares of the time and nodes by which the searches to the end stop, for the finish and then for the set-up; what is
 *  left is for annealing. Less set-up is looked for even where the finish is not proved: it mostly is the earliest. */
export const FINISH_SHARE = 0.75;
export const PROOF_SHARE = 0.95;
/** Share of the time for improving the set-up between the two. */
export const SHARE_BETWEEN_PROOFS = 0.05;
export const PROOF_NODES = 4_000_000;
/** A node costs about as much as this share of a decoded order is worth, in a budget of evaluations. */
export const NODES_PER_EVALUATION = 80;
/** Moves of penalty search that cost about as much. */
export const MOVES_PER_EVALUATION = 180;

/** Of larger instances, shares of what is left at each: neighbourhoods, then lower targets for the ends of aims, for the
 *  finish by whole sessions, neighbourhoods again, for the set-up alone, and lower targets for the set-up. */
export const SHARES = {
  /** Of few operations, orders are annealed first. */
  annealingOfFew: 0.5,
  beforeTargets: 0.05,
  beforeAims: 0.3,
  aims: 0.5,
  sessions: 0.8,
  afterTargets: 0.5,
  setupNeighbourhoods: 0.4,
  setup: 0.7,
};

/** For one target that is tried: moves per operation, and the share of the time for all of them. */
export const MOST_FOR_SESSION = { moves: 3000, share: 0.4 };
export const MOST_FOR_MINUTES = { moves: 500, share: 0.15 };
/** A session that was not spared is asked for again with so many times the moves: where it hardly can be, one long try
 *  finds it sooner than many short ones. */
export const LONGER = 3;
export const LONGER_SHARE = 0.7;
/** So many sessions more may be used for what ends after its due time. */
export const SESSIONS_LATER = 2;
/** Share of the set-up that is first asked off it. */
export const SETUP_STEP = 0.04;

/** Energy, minutes, that a large neighbourhood search may give up at first: for the finish, and for the set-up alone. */
export const NEIGHBOURHOOD_HEAT = 50;
export const SETUP_HEAT = 8;
/** A minute beyond a finish that must be kept weighs so much. */
export const BEYOND_WEIGHT = 10;
