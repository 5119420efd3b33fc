import { Button, Group, TextInput, UnstyledButton } from '@mantine/core';
import { useRef, useState } from 'react';
import { newRecord, milestoneRecord, type Milestone } from '../../../core/kit/index.ts';
import { missingPictureId, type Advice, type PlanOperation } from '../../../core/plan/index.ts';
import { textLimits } from '../../components/limits.ts';
import { benchMinute } from '../../data/clock.ts';
import { changeKit, keepPicture } from '../../data/kit.ts';
import { smallAddress } from '../../data/pictures.ts';
import { newId } from '../../data/newId.ts';

interface StepPicturesProps {
  operation: PlanOperation;
  operations: readonly PlanOperation[];
  advice: readonly Advice[];
  milestones: readonly Milestone[];
}

/** Pictures that are due at a step, and those of earlier ones that it makes the last chance for. */
export function StepPictures({ operation, operations, advice, milestones }: StepPicturesProps) {
  const said = new Set(advice.map(({ id }) => id));
  const due = operations.filter(
    (step) => step.photo !== undefined && (step.id === operation.id || said.has(missingPictureId(step))),
  );
  return due.map(({ id, buildId, photo }) => (
    <StepPicture
      key={id}
      of={{ operationId: id, buildId, what: photo! }}
      isLast={id !== operation.id}
      taken={milestones.filter(({ operationId }) => operationId === id)}
    />
  ));
}

interface StepPictureProps {
  of: { operationId: string; buildId: string; what: string };
  /** Its step is done, and this is the last chance. */
  isLast: boolean;
  taken: readonly Milestone[];
}

export function StepPicture({ of: { operationId, buildId, what }, isLast, taken }: StepPictureProps) {
  const file = useRef<HTMLInputElement>(null);
  const [problem, setProblem] = useState<string>();
  const [why, setWhy] = useState<string>();
  const [busy, setBusy] = useState(false);
  const keep = (said: Partial<Milestone>, label: string) =>
    changeKit(
      buildId,
      [
        {
          kind: 'milestone',
          id: newId('milestone'),
          value: {
            ...newRecord(milestoneRecord),
            operationId,
            what,
            at: benchMinute(),
            ...said,
          },
        },
      ],
      label,
    );
  const take = async (chosen: File) => {
    setBusy(true);
    setProblem(undefined);
    try {
      await keep({ pictureId: await keepPicture(buildId, chosen) }, `picture: ${what}`);
    } catch (error) {
      setProblem((error as Error).message);
    }
    setBusy(false);
  };
  const remove = ({ id }: Milestone) =>
    void changeKit(buildId, [{ kind: 'milestone', id, value: null }], `no picture: ${what}`).catch(
      () => undefined,
    );
  return (
    <div className="lesson">
      <p>
        <b>{taken.length > 0 ? 'Photographed.' : isLast ? 'Last chance for a picture.' : 'Photograph it.'}</b>{' '}
        {what}.
      </p>
      {taken.map((milestone) => (
        <Group key={milestone.id} gap="xs">
          {milestone.pictureId === null ? (
            <span className="small">No picture: {milestone.note}</span>
          ) : (
            <img
              src={smallAddress(milestone.pictureId)}
              alt={milestone.what}
              height={72}
              style={{ borderRadius: 4 }}
            />
          )}
          <UnstyledButton className="why" onClick={() => remove(milestone)}>
            {milestone.pictureId === null ? 'take one after all' : 'remove'}
          </UnstyledButton>
        </Group>
      ))}
      {why === undefined ? (
        <Group gap="xs" mt={4}>
          <Button variant="default" loading={busy} onClick={() => file.current?.click()}>
            {taken.some(({ pictureId }) => pictureId !== null) ? 'Add another picture' : 'Add the picture'}
          </Button>
          {taken.length === 0 && (
            <UnstyledButton className="why" onClick={() => setWhy('')}>
              none is wanted…
            </UnstyledButton>
          )}
        </Group>
      ) : (
        <form
          onSubmit={(event) => {
            event.preventDefault();
            const note = why.trim();
            if (note === '') return setProblem('Say why, in a word or two: it is asked when you look back.');
            setProblem(undefined);
            keep({ note }, `no picture: ${what}`).then(
              () => setWhy(undefined),
              (error: unknown) => setProblem((error as Error).message),
            );
          }}
        >
          <Group gap="xs" mt={4} align="end">
            <TextInput
              label="Why there is none"
              placeholder="hidden for good; a sister part was taken"
              autoFocus
              value={why}
              {...textLimits(milestoneRecord.fields.note)}
              onChange={(event) => setWhy(event.currentTarget.value)}
            />
            <Button type="submit">Keep the reason</Button>
            <UnstyledButton className="why" onClick={() => setWhy(undefined)}>
              never mind
            </UnstyledButton>
          </Group>
        </form>
      )}
      {problem !== undefined && (
        <p className="small" role="alert">
          {problem}
        </p>
      )}
      <input
        ref={file}
        type="file"
        accept="image/*"
        aria-label={`Picture: ${what}`}
        hidden
        onChange={(event) => {
          const chosen = event.currentTarget.files?.[0];
          event.currentTarget.value = '';
          if (chosen) void take(chosen);
        }}
      />
    </div>
  );
}
