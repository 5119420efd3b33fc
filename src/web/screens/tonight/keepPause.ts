import { logEntryRecord, newRecord } from '../../../core/kit/index.ts';
import type { PlanOperation } from '../../../core/plan/index.ts';
import { changeKit } from '../../data/kit.ts';
import { newId } from '../../data/newId.ts';

/** A pause shorter than this is a hand washed. */
const LEAST_MINUTES = 1;

/** Keeps in the log that a step was put down from one moment to another, minutes since 1970. */
export function keepPause({ id, buildId, title }: PlanOperation, from: number, to: number): void {
  const minutes = Math.round(to - from);
  if (minutes < LEAST_MINUTES) return;
  const value = {
    ...newRecord(logEntryRecord),
    entry: 'pause' as const,
    text: `Put down: ${title}`.slice(0, 1000),
    amount: minutes,
    operationId: id,
    at: Math.floor(to),
  };
  void changeKit(buildId, [{ kind: 'log-entry', id: newId('pause'), value }], `pause: ${title}`).catch(
    () => undefined,
  );
}
