import type { CodeRecord, PaintRecord } from '../../api/index.ts';

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
