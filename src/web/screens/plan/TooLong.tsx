import { UnstyledButton } from '@mantine/core';
import type { BuildRecord } from '../../../api/index.ts';
import { isDivisible, type PlanView } from '../../../core/plan/index.ts';
import { changeStep, editOf } from './StepEditing.tsx';

interface TooLongProps {
  view: PlanView;
  builds: readonly BuildRecord[];
}

/** Steps that no session holds: an offer to split each, or the session that it needs. */
export function TooLong({ view, builds }: TooLongProps) {
  if (view.tooLong.length === 0) return null;
  return (
    <ul className="small" style={{ display: 'grid', gap: 6, paddingLeft: 18 }}>
      {view.tooLong.map(({ operationId, hands, longest }) => {
        const operation = view.operations.find(({ id }) => id === operationId);
        const build = builds.find(({ id }) => id === operation?.buildId);
        if (!operation || !build) return null;
        const edit = editOf(operationId, build.kit.plan.stepEdits);
        const parts = Math.ceil(hands / Math.max(1, longest));
        const isSplittable = isDivisible(operation) && longest > 0 && parts <= 8 && !edit?.withNext;
        return (
          <li key={operationId}>
            {operation.title}: <span className="mono">{hands}</span> min.{' '}
            {isSplittable ? (
              <UnstyledButton
                className="why"
                onClick={() =>
                  changeStep(
                    build.id,
                    edit?.operationId ?? operationId,
                    edit,
                    { parts: edit && edit.parts > 1 ? Math.min(8, edit.parts * parts) : parts },
                    `split ${operation.title}`,
                  )
                }
              >
                do it in {parts} parts
              </UnstyledButton>
            ) : edit?.withNext ? (
              <UnstyledButton
                className="why"
                onClick={() =>
                  changeStep(
                    build.id,
                    operationId,
                    edit,
                    { withNext: false },
                    `take ${operation.title} apart`,
                  )
                }
              >
                take it apart again
              </UnstyledButton>
            ) : (
              <>A coat is not put down half way: it needs a session of {hands} min with its set-up.</>
            )}
          </li>
        );
      })}
    </ul>
  );
}
