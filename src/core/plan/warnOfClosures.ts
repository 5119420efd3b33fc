import type { KitSummary } from '../kit/index.ts';
import { operationsOf } from './benchSteps.ts';
import type { PlanOperation } from './operation.ts';
import type { Warn } from './warning.ts';

/** Steps planned after another that ends their chance, and masks that a join shuts in. */
export function warnOfClosures(
  { id: buildId, kit }: { id: string; kit: Pick<KitSummary, 'consequences'> },
  operations: readonly PlanOperation[],
  starts: Readonly<Record<string, number>>,
  warn: Warn,
): void {
  for (const { id, effect, step, other, because } of kit.consequences) {
    if (effect === 'serves') continue;
    const closing = operationsOf(buildId, step, operations);
    const closes = closing.at(-1);
    const late = operationsOf(buildId, other, operations).filter(
      (operation) => starts[operation.id] !== undefined,
    );
    const last = late.at(-1);
    if (!closes || !last) continue;
    const at = starts[closes.id];
    const reason = `${because[0]!.toUpperCase()}${because.slice(1)}.`;
    if (effect === 'traps-mask') {
      if (at === undefined) continue;
      warn(closes, {
        id: `mask ${id}`,
        title: 'A mask would be shut in',
        reason: `${reason} Its own colour goes on first, under a mask that must come out again.`,
        remedy: 'Try bare whether tape can be drawn out, or pin that joint to after paint.',
        stage: 'kit',
      });
    } else if (at === undefined) {
      warn(last, {
        id: `closed ${id}`,
        title: `Shut off already: ${last.title}`,
        reason: `${reason} “${closes.title}” is done.`,
        remedy:
          'See whether it can still be reached, or open that joint again before anything more is painted.',
        stage: 'kit',
      });
    } else if (starts[last.id]! > at) {
      warn(closes, {
        id: `closes ${id}`,
        title: `No longer enters: ${last.title}`,
        reason: `${reason} It is planned after “${closes.title}”.`,
        remedy: 'Change the order of the joins in the Kit stage, or what this one shuts in.',
        stage: 'kit',
      });
    }
  }
}
