/** Detail: what is added to a kit beyond its parts, scaled from the real thing. */
export { drillFor } from './drills.ts';
export { RUN_FACTS, RUN_KINDS, scaledRun, type RunFacts, type RunKind, type ScaledRun } from './runs.ts';
