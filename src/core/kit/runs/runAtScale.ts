import { RUN_FACTS, scaledRun, type RunMake, type ScaledRun } from '../../detail/index.ts';
import type { Kit, Run } from '../records/index.ts';

/** Diameter of a run at the scale of the build. */
export function runAtScale({ kind, realMm }: Pick<Run, 'kind' | 'realMm'>, scale: number): ScaledRun {
  return scaledRun(realMm === null ? RUN_FACTS[kind].realMm : [realMm, realMm], scale);
}

/** "6 × ignition lead, distributor to cylinder head". */
export function runName({ name, kind, count, fromPartId, toPartId }: Run, kit: Pick<Kit, 'parts'>): string {
  const part = (id: string) =>
    kit.parts.find((each) => each.id === id)?.name.toLowerCase() ?? 'a part that is gone';
  const what = name || RUN_FACTS[kind].name;
  return `${count > 1 ? `${count} × ` : ''}${what}, ${part(fromPartId)} to ${part(toPartId)}`;
}

/** Of what a run is made: what the builder says, or what is usual for its kind. */
export const makeOfRun = ({ kind, make = 'usual' }: Pick<Run, 'kind' | 'make'>): RunMake =>
  make === 'usual' ? RUN_FACTS[kind].make : make;
