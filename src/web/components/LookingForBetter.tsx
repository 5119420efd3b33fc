import { UnstyledButton } from '@mantine/core';
import { usePlan } from '../data/plan.tsx';

/** Says that the plan shown is still being improved, and keeps it when asked to; nothing where it is not. */
export function LookingForBetter() {
  const { improving, keepThis } = usePlan();
  if (improving === null) return null;
  return (
    <>
      looking for better, <span className="mono">{Math.round(100 * improving)} %</span>{' '}
      <UnstyledButton className="why" onClick={keepThis}>
        keep this plan
      </UnstyledButton>
    </>
  );
}
