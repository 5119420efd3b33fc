import { UnstyledButton } from '@mantine/core';
import type { BuildRecord, StepRecord } from '../../../api/index.ts';
import type { KitItemKind } from '../../../core/kit/index.ts';
import { whenText } from '../../components/time.ts';
import { changeKit } from '../../data/kit.ts';
import type { PlanView } from '../../../core/plan/index.ts';

interface OwnChangesProps {
  view: PlanView;
  builds: readonly BuildRecord[];
  /** Done already. */
  steps: readonly StepRecord[];
}

interface OwnChange {
  id: string;
  kind: KitItemKind;
  buildId: string;
  operationId: string;
  text: string;
}

/** What the builder changed of steps that are not done, to be taken back where there is no plan: a step on a plan that is
 *  not there cannot be chosen. */
export function OwnChanges({ view, builds, steps }: OwnChangesProps) {
  const done = new Set(steps.map(({ operationId }) => operationId));
  const changes = builds
    .flatMap((build) => ownChanges(build, view))
    .filter(({ operationId }) => !done.has(operationId));
  if (changes.length === 0) return null;
  return (
    <>
      <p className="mt8">What you changed of the plan yourself:</p>
      <ul className="small" style={{ display: 'grid', gap: 6, paddingLeft: 18 }}>
        {changes.map(({ id, kind, buildId, text }) => (
          <li key={id}>
            {text}{' '}
            <UnstyledButton
              className="why"
              aria-label={`take back: ${text}`}
              onClick={() =>
                void changeKit(buildId, [{ kind, id, value: null }], `take back: ${text}`).catch(
                  () => undefined,
                )
              }
            >
              take it back
            </UnstyledButton>
          </li>
        ))}
      </ul>
    </>
  );
}

/** The changes of one build that shape its plan, in words. */
function ownChanges({ id: buildId, kit: { plan } }: BuildRecord, view: PlanView): OwnChange[] {
  const titleOf = (operationId: string) =>
    view.operations.find(({ id }) => id === operationId || id === `${operationId}-1`)?.title;
  return [
    ...plan.ownSteps.map(({ id, after, title, minutes, waitMinutes }): OwnChange => ({
      id,
      kind: 'own-step',
      buildId,
      operationId: `${buildId}/own/${id}`,
      text: `your step “${title}” after “${titleOf(after) ?? after}”, ${minutes} min${waitMinutes > 0 ? ` and ${Math.round(waitMinutes / 6) / 10} h to leave it be` : ''}`,
    })),
    ...plan.pins.map(({ id, operationId, start }): OwnChange => ({
      id,
      kind: 'pin',
      buildId,
      operationId,
      text: `“${titleOf(operationId) ?? operationId}” held to ${whenText(start)}`,
    })),
    ...plan.stepEdits.flatMap(({ id, operationId, minutes, parts, withNext, leaveOut }): OwnChange[] => {
      const how = [
        minutes === null ? [] : [`${minutes} min`],
        parts > 1 ? [`in ${parts} parts`] : [],
        withNext ? ['in one go with the next'] : [],
        leaveOut ? ['left out'] : [],
      ].flat();
      if (how.length === 0) return [];
      const text = `“${titleOf(operationId) ?? operationId}” ${how.join(', ')}`;
      return [{ id, kind: 'step-edit', buildId, operationId, text }];
    }),
  ];
}
