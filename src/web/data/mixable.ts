import type { CodeRecord, PaintRecord } from '../../api/index.ts';
import type { DoubtfulPaint, RecipePaint } from '../../core/match/index.ts';

/** Whether a kind of colour has metal flake or mica in it. */
export const hasFlake = (kind: CodeRecord['kind']): boolean => kind !== 'solid' && kind !== 'satin';

/** The paints that a search may use: what can be mixed, with flake only where the target has it. */
export function mixable(
  paints: readonly PaintRecord[],
  kind: CodeRecord['kind'],
  from: 'shelf' | 'all',
): PaintRecord[] {
  return paints.filter(
    ({ role, container, flakeUm, levelMl }) =>
      (role === 'colour' || role === 'metal') &&
      container === 'bottle' &&
      (hasFlake(kind) || flakeUm === null) &&
      (from === 'all' || levelMl !== null),
  );
}

/** A paint as a search of recipes takes it. */
export function recipePaint({ id, k, s, perDrop, family, levelMl }: PaintRecord): RecipePaint {
  return { id, k, s, perDrop, group: family, toBuy: levelMl === null };
}

/** A paint with how far it is believed. */
export function doubtfulPaint({
  id,
  k,
  s,
  uncertainty,
  perDrop,
  strengthDoubt,
  dropDoubt,
}: Pick<
  PaintRecord,
  'id' | 'k' | 's' | 'uncertainty' | 'perDrop' | 'strengthDoubt' | 'dropDoubt'
>): DoubtfulPaint {
  return { id, k, s, uncertainty, perDrop, strengthDoubt, dropDoubt };
}
