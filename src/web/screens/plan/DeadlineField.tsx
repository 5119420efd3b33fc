import { NativeSelect } from '@mantine/core';
import type { BuildRecord } from '../../../api/index.ts';
import type { Priority } from '../../../core/kit/index.ts';
import { dayText } from '../../components/time.ts';
import { usePlan } from '../../data/plan.tsx';
import { changeKit, useKit } from '../../data/kit.ts';
import { newId } from '../../data/newId.ts';

interface DeadlineFieldProps {
  build: BuildRecord;
  /** Whether other builds share the bench. */
  several: boolean;
  /** When the plan has it ready, minutes since 1970. */
  last: number;
}

/** The day by which a build must be ready, and at once whether the plan makes it. */
export function DeadlineField({ build, last, several }: DeadlineFieldProps) {
  const { kit } = useKit(build.id);
  const { view } = usePlan();
  const known = kit?.aims[0];
  const due = view?.deadlines[build.id];
  const earliest = view?.earliest[build.id];
  const impossible = due !== undefined && earliest !== undefined && earliest > due;
  const save = (change: { deadline?: string | null; priority?: Priority }, label: string) => {
    const value = {
      deadline: build.kit.plan.deadline,
      priority: build.kit.plan.priority,
      ...change,
    };
    const isPlain = value.deadline === null && value.priority === 'usual';
    void changeKit(
      build.id,
      [{ kind: 'aim', id: known?.id ?? newId(build.id), value: isPlain ? null : value }],
      label,
    ).catch(() => undefined);
  };
  const spare = due === undefined ? undefined : Math.floor((due - last) / 1440);
  return (
    <>
      <input
        type="date"
        aria-label="Needed by"
        // What is stored must be known first, or a second record would be made.
        disabled={!kit}
        className="textline mono"
        style={{ maxWidth: 132 }}
        value={build.kit.plan.deadline ?? ''}
        onChange={({ currentTarget: { value } }) =>
          save(
            { deadline: value === '' ? null : value },
            value === '' ? `no day for ${build.name}` : `${build.name} needed by ${value}`,
          )
        }
      />
      {spare !== undefined && (
        <span className="small" style={{ display: 'block' }}>
          {spare >= 0
            ? `${spare} ${spare === 1 ? 'day' : 'days'} to spare`
            : `${-spare} ${spare === -1 ? 'day' : 'days'} too late`}
        </span>
      )}
      {impossible && (
        <span className="small" style={{ display: 'block' }}>
          no plan makes it with these evenings: {dayText(earliest)} at the earliest, were it the only build
        </span>
      )}
      {several && (
        <NativeSelect
          size="xs"
          aria-label="Place among the builds"
          disabled={!kit}
          data={[
            { value: 'first', label: 'before the others' },
            { value: 'usual', label: 'like the others' },
            { value: 'last', label: 'when there is time' },
          ]}
          value={build.kit.plan.priority}
          onChange={({ currentTarget: { value } }) =>
            save({ priority: value as Priority }, `place of ${build.name}`)
          }
        />
      )}
    </>
  );
}
