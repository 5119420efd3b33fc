import { RUN_FACTS } from '../../detail/index.ts';
import { resolveVersion, runName, type Kit } from '../../kit/index.ts';
import type { TaskKind } from '../tasks.ts';
import { detailsOf } from './detailsOf.ts';
import { harnessRuns } from './harnesses.ts';

/** Detail that is added, with the parts of which it is part, and its minutes. */
export interface DetailWork {
  id: string;
  name: string;
  partIds: string[];
  minutes: number;
  /** The kind of step in which it is done. */
  kind: TaskKind;
}

/** A hole for each end, minutes. */
const HOLES = 3;

/** All the detail of a kit that the plan holds, one by one: what could also be left. */
export function detailWork(kit: Kit, scale: number): DetailWork[] {
  const { used } = resolveVersion(kit);
  const runs = [...kit.runs, ...harnessRuns(kit, scale)].map((run) => ({
    id: `run ${run.id}`,
    name: runName(run, kit),
    partIds: [run.fromPartId, run.toPartId],
    minutes: Math.round(run.count * (RUN_FACTS[run.kind].minutes + HOLES)),
    kind: RUN_FACTS[run.kind].work,
  }));
  const made = detailsOf(kit, scale).flatMap(({ id, partId, kind, made: { answer } }): DetailWork[] =>
    partId === null || !answer
      ? []
      : [{ id, name: answer.title, partIds: [partId], minutes: Math.round(answer.minutes), kind }],
  );
  return [...runs, ...made].filter(({ partIds }) => partIds.every((id) => used.has(id)));
}
