import { NativeSelect } from '@mantine/core';
import type { BuildRecord } from '../../../api/index.ts';
import { counted, PRIORITIES, type Priority } from '../../../core/kit/index.ts';
import { DayField } from '../../components/DayField.tsx';
import { dayText, storedDay } from '../../components/time.ts';
import { usePlan } from '../../data/plan.tsx';
import { changeKit, useKit } from '../../data/kit.ts';

/** The aim of a build as stored, and a way to change it. */
function useAim(build: BuildRecord) {
  const { kit } = useKit(build.id);
  const { deadline, priority } = build.kit.plan;
  return {
    // What is stored must be known first, or a second record would be made.
    isKnown: kit !== undefined,
    save: (change: { deadline?: string | null; priority?: Priority }, label: string) => {
      const value = { deadline, priority, ...change };
      const isPlain = value.deadline === null && value.priority === 'usual';
      void changeKit(
        build.id,
        [{ kind: 'aim', id: kit?.aims[0]?.id ?? `${build.id}-aim`, value: isPlain ? null : value }],
        label,
      ).catch(() => undefined);
    },
  };
}

interface DeadlineFieldProps {
  build: BuildRecord;
  /** When the plan has it ready, minutes since 1970. */
  last: number;
}

/** The day by which a build must be ready, and at once whether the plan makes it. */
export function DeadlineField({ build, last }: DeadlineFieldProps) {
  const { isKnown, save } = useAim(build);
  const { view } = usePlan();
  const due = view?.deadlines[build.id];
  const earliest = view?.earliest[build.id];
  const spare = due === undefined ? undefined : Math.floor((due - last) / 1440);
  return (
    <>
      <DayField
        name="Needed by"
        width={150}
        disabled={!isKnown}
        value={build.kit.plan.deadline}
        onChange={(day) =>
          save(
            { deadline: day },
            day === null ? `no day for ${build.name}` : `${build.name} needed by ${storedDay(day)}`,
          )
        }
      />
      {spare !== undefined && (
        <span className="small block">
          {spare === 0
            ? 'on that very day, none to spare'
            : spare > 0
              ? `${counted(spare, 'day')} to spare`
              : `${counted(-spare, 'day')} too late`}
        </span>
      )}
      {due !== undefined && earliest !== undefined && earliest > due && (
        <span className="small block">
          no plan makes it with these evenings: {dayText(earliest)} at the earliest, were it the only build
        </span>
      )}
    </>
  );
}

const PLACES: Readonly<Record<Priority, string>> = {
  first: 'comes first',
  usual: 'like the others',
  last: 'when there is time',
};

/** Whether the evenings go to this build before the others. */
export function PriorityField({ build }: { build: BuildRecord }) {
  const { isKnown, save } = useAim(build);
  return (
    <NativeSelect
      size="xs"
      aria-label="Among the builds"
      disabled={!isKnown}
      data={PRIORITIES.map((value) => ({ value, label: PLACES[value] }))}
      value={build.kit.plan.priority}
      onChange={({ currentTarget: { value } }) =>
        save({ priority: value as Priority }, `${build.name} ${PLACES[value as Priority]}`)
      }
    />
  );
}
