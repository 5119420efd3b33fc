import { Button, Group, Textarea, UnstyledButton } from '@mantine/core';
import { useState } from 'react';
import { lessonRecord, type Verdict } from '../../../../core/kit/index.ts';
import { taskLabel } from '../../../../core/plan/index.ts';
import type { LessonProposal } from '../../../../core/record/index.ts';
import { textLimits } from '../../../components/limits.ts';
import { changeStock, useStock } from '../../../data/kit.ts';
import type { VerdictProps } from './EndOfIt.tsx';

interface LessonProposalsProps extends VerdictProps {
  proposals: readonly LessonProposal[];
}

/** What the records suggest for the next kit: kept as it is or in other words, or dropped. */
export function LessonProposals({ proposals, verdict, onPut }: LessonProposalsProps) {
  const stock = useStock();
  const kept = stock?.lessons.filter(({ id }) => proposals.some((each) => each.id === id)) ?? [];
  const isKept = (id: string) => kept.some((lesson) => lesson.id === id);
  const open = proposals.filter(({ id }) => !isKept(id) && !verdict.dropped.includes(id));
  const dropped = proposals.filter(({ id }) => !isKept(id) && verdict.dropped.includes(id));
  const setDropped = (next: Verdict['dropped'], label: string) => onPut({ dropped: next }, label);
  return (
    <>
      {proposals.length === 0 && (
        <p className="panel soft">
          Nothing yet. Conflicts that were decided against the sheet, mishaps, what you live with, slow steps
          and parts that were replaced suggest lessons here.
        </p>
      )}
      {open.map((proposal) => (
        <Proposal
          key={proposal.id}
          proposal={proposal}
          onDrop={() => setDropped([...verdict.dropped, proposal.id], 'drop a lesson')}
        />
      ))}
      {kept.length > 0 && (
        <div className="panel">
          <h3>Kept</h3>
          <ul className="mt6">
            {kept.map(({ id, text }) => (
              <li key={id}>{text}</li>
            ))}
          </ul>
          <p className="soft small">
            They come back on the builds that they are tied to; all are in the Kit stage.
          </p>
        </div>
      )}
      {dropped.length > 0 && (
        <p className="small">
          {dropped.length} not wanted.{' '}
          <UnstyledButton className="why" onClick={() => setDropped([], 'propose lessons again')}>
            propose them again
          </UnstyledButton>
        </p>
      )}
    </>
  );
}

function Proposal({
  proposal: { id, lesson, because },
  onDrop,
}: {
  proposal: LessonProposal;
  onDrop: () => void;
}) {
  const [text, setText] = useState(lesson.text);
  const [problem, setProblem] = useState<string>();
  const keep = () => {
    const said = text.trim();
    if (said === '') {
      setProblem('Say what is to be remembered, or drop it.');
      return;
    }
    void changeStock([{ kind: 'lesson', id, value: { ...lesson, text: said } }], 'keep a lesson').catch(
      (error: unknown) => setProblem((error as Error).message),
    );
  };
  return (
    <article className="panel stacked g8" aria-label={lesson.text}>
      <Textarea
        label={`Lesson: ${because}`}
        rows={3}
        value={text}
        {...textLimits(lessonRecord.fields.text)}
        onChange={(event) => setText(event.currentTarget.value)}
      />
      <p className="soft small">
        Comes back{' '}
        {lesson.stepKind !== null
          ? `at steps of the kind ${taskLabel(lesson.stepKind)}`
          : `on kits called ${lesson.kit}`}
        {lesson.partWord !== null && `, where a part is a ${lesson.partWord.toLowerCase()}`}.
      </p>
      {problem && <p role="alert">{problem}</p>}
      <Group gap="xs">
        <Button size="xs" onClick={keep}>
          Keep it
        </Button>
        <Button size="xs" variant="default" onClick={onDrop}>
          Not wanted
        </Button>
      </Group>
    </article>
  );
}
