import { Button, Group } from '@mantine/core';
import { formatMinutes } from '../../../../core/finish/index.ts';
import { counted, verdictRecord, type Verdict } from '../../../../core/kit/index.ts';
import type { Hours, TickedStep } from '../../../../core/record/index.ts';
import { FigureInput } from '../../../components/form/FigureInput.tsx';
import { ChoiceSelect } from '../../../components/form/ChoiceSelect.tsx';
import { dayText } from '../../../components/time.ts';
import { benchMinute } from '../../../data/clock.ts';

export interface VerdictProps {
  verdict: Verdict;
  onPut: (said: Partial<Verdict>, label: string) => void;
}

const AGAIN = { open: 'not said', yes: 'yes', perhaps: 'perhaps', no: 'no' } as const;

/** Whether the build goes on; what it took; the scale of its marks. */
export function EndOfIt({
  verdict,
  hours,
  steps,
  onPut,
}: VerdictProps & { hours: readonly Hours[]; steps: readonly TickedStep[] }) {
  const took = hours.reduce((sum, each) => sum + each.took, 0);
  const left = hours.reduce((sum, each) => sum + each.toCome, 0);
  const ends = steps.map(({ endedAt }) => endedAt);
  const close = (end: NonNullable<Verdict['end']>, label: string) => onPut({ end, at: benchMinute() }, label);
  return (
    <div className="panel stacked g8">
      <h3>
        {verdict.end === null
          ? 'It goes on'
          : `${verdict.end === 'finished' ? 'Finished' : 'Given up'}, ${dayText(verdict.at)}`}
      </h3>
      <p className="small">
        {steps.length === 0
          ? 'No step is done yet.'
          : `${formatMinutes(took)} in ${counted(steps.length, 'step')}, from ${dayText(Math.min(...ends))} to ${dayText(Math.max(...ends))}.`}
        {verdict.end === null && left > 0 && ` ${formatMinutes(left)} are planned still.`}
      </p>
      {verdict.end === null ? (
        <>
          <Group gap="xs">
            <Button onClick={() => close('finished', 'the build is finished')}>It is finished</Button>
            <Button variant="default" onClick={() => close('given-up', 'give the build up')}>
              Give it up
            </Button>
          </Group>
          <p className="soft small">
            {left > 0
              ? 'What is left of it then goes out of the plan, and comes back where you go on. You can mark it before.'
              : 'You can mark it before.'}
          </p>
        </>
      ) : (
        <Group>
          <Button variant="default" onClick={() => onPut({ end: null, at: 0 }, 'go on with the build')}>
            Go on with it
          </Button>
        </Group>
      )}
      <ChoiceSelect
        label="Would you build it again?"
        values={Object.keys(AGAIN)}
        words={AGAIN}
        value={verdict.again ?? 'open'}
        onSave={(again) => onPut({ again: again === 'open' ? null : again }, 'whether to build it again')}
      />
      <FigureInput
        label="Marks go from 0 to"
        w={140}
        value={verdict.best}
        field={verdictRecord.fields.best}
        onSave={(best) =>
          onPut(
            {
              best,
              // Each keeps its place on the scale.
              marks: verdict.marks.map(({ aspect, mark }) => ({
                aspect,
                mark: Math.round((mark * best) / verdict.best),
              })),
            },
            'the scale of marks',
          )
        }
      />
    </div>
  );
}
