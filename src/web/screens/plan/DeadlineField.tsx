import type { BuildRecord } from '../../../api/index.ts';
import { usePlan } from '../../data/plan.tsx';
import { changeKit, useKit } from '../../data/kit.ts';
import { newId } from '../../data/newId.ts';

interface DeadlineFieldProps {
  build: BuildRecord;
  /** When the plan has it ready, minutes since 1970. */
  last: number;
}

/** The day by which a build must be ready, and at once whether the plan makes it. */
export function DeadlineField({ build, last }: DeadlineFieldProps) {
  const { kit } = useKit(build.id);
  const { view } = usePlan();
  const known = kit?.aims[0];
  const due = view?.deadlines[build.id];
  const spare = due === undefined ? undefined : Math.floor((due - last) / 1440);
  return (
    <>
      <input
        type="date"
        aria-label="Needed by"
        className="textline mono"
        style={{ maxWidth: 132 }}
        value={build.kit.plan.deadline ?? ''}
        onChange={({ currentTarget: { value } }) =>
          void changeKit(
            build.id,
            [
              {
                kind: 'aim',
                id: known?.id ?? newId(build.id),
                value: value === '' ? null : { deadline: value },
              },
            ],
            value === '' ? `no day for ${build.name}` : `${build.name} needed by ${value}`,
          ).catch(() => undefined)
        }
      />
      {spare !== undefined && (
        <span className="small" style={{ display: 'block' }}>
          {spare >= 0
            ? `${spare} ${spare === 1 ? 'day' : 'days'} to spare`
            : `${-spare} ${spare === -1 ? 'day' : 'days'} too late`}
        </span>
      )}
    </>
  );
}
