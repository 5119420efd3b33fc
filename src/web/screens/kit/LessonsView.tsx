import { Button, Select, Textarea, TextInput, UnstyledButton } from '@mantine/core';
import { useState } from 'react';
import { STOCK_ITEMS } from '../../../api/index.ts';
import { useRecordForm } from '../../components/form/useRecordForm.tsx';
import { counted, lessonsFor, MATERIALS, type Lesson, lessonRecord } from '../../../core/kit/index.ts';
import { TASK_LABELS, taskLabel } from '../../../core/plan/index.ts';
import { useBench } from '../../data/bench.ts';
import { changeStock } from '../../data/kit.ts';
import { newId } from '../../data/newId.ts';
import { usePlan } from '../../data/plan.tsx';
import type { KitViewProps } from './kitView.ts';

/** What earlier builds taught, and where it comes back. */
export function LessonsView({ build, stock }: KitViewProps) {
  const { view } = usePlan();
  const { data: bench } = useBench();
  /** From the log. */
  const [begun, setBegun] = useState({ text: '', origin: '' });
  const notes = bench?.steps.filter(({ buildId, note }) => buildId === build.id && note !== '') ?? [];
  const open = new Set(Object.keys(view?.starts ?? {}));
  const coming = (text: string) =>
    view?.operations.filter(
      ({ id, buildId, lessons }) => buildId === build.id && open.has(id) && lessons.includes(text),
    ) ?? [];
  const touching = lessonsFor(
    stock.lessons.map((each) => ({ ...each, stepKind: null })),
    {
      kit: `${build.name} ${build.subject}`,
      partNames: build.trays.flatMap(({ name, parts }) => [name, ...parts.map((part) => part.name)]),
      materials: Object.values(build.kit.materials).flat(),
      stepKind: null,
    },
  );
  const touches = new Set(touching.map(({ id }) => id));
  const inOrder = [...stock.lessons].sort((p, q) => Number(touches.has(q.id)) - Number(touches.has(p.id)));
  return (
    <>
      <section className="column" aria-label="What you decide">
        <h2>What earlier builds taught</h2>
        <NewLesson key={`${begun.origin} ${begun.text}`} kit={build.name} start={begun} />
        {inOrder.map((each) => (
          <article key={each.id} className="panel">
            <p>{each.text}</p>
            <p className="soft small">
              {ties(each)}
              {each.origin && ` · from ${each.origin}`}
              {coming(each.text).length > 0
                ? ` · comes back at ${counted(coming(each.text).length, 'step')} of this build`
                : !touches.has(each.id) && ' · not on this build'}{' '}
              <UnstyledButton
                className="why"
                aria-label={`forget it: ${each.text}`}
                onClick={() =>
                  void changeStock([{ kind: 'lesson', id: each.id, value: null }], 'forget a lesson')
                }
              >
                forget it
              </UnstyledButton>
            </p>
          </article>
        ))}
      </section>
      <section className="column" aria-label="What follows">
        <h2>What follows</h2>
        <div className="panel">
          <h3>For this build</h3>
          <p className="soft small">
            {touching.length === 0
              ? 'No lesson touches this build yet.'
              : `${touching.length} of ${stock.lessons.length} lessons touch it; each is shown at its step.`}
          </p>
        </div>
        {notes.length > 0 && (
          <div className="panel">
            <h3>From the log</h3>
            {notes.map(({ operationId, title, note }) => (
              <p key={operationId} className="small mt4">
                <b>{title}:</b> {note}{' '}
                <UnstyledButton
                  className="why"
                  onClick={() => setBegun({ text: note, origin: `log, ${title}` })}
                >
                  make it a lesson
                </UnstyledButton>
              </p>
            ))}
          </div>
        )}
      </section>
    </>
  );
}

function ties({ kit, partWord, material, stepKind }: Lesson): string {
  return [
    kit && `kit ${kit}`,
    partWord && `parts called “${partWord}”`,
    material,
    stepKind && taskLabel(stepKind),
  ]
    .filter(Boolean)
    .join(' · ');
}

/** A lesson, and what it comes back with. */
function NewLesson({ kit, start }: { kit: string; start: Pick<Lesson, 'text' | 'origin'> }) {
  const { text, pick, problem, submit } = useRecordForm(lessonRecord.fields, STOCK_ITEMS.lesson, {
    start,
    asks: { text: 'Write what you would tell the next builder.' },
    check: (lesson) =>
      (lesson.kit ?? lesson.partWord ?? lesson.material ?? lesson.stepKind)
        ? {}
        : { text: 'Say where it should come back: a kit, a part, a material or a kind of step.' },
  });
  return (
    <form
      className="panel fieldgrid"
      onSubmit={submit(
        (lesson) => changeStock([{ kind: 'lesson', id: newId('lesson'), value: lesson }], 'lesson'),
        ['text', 'kit', 'partWord', 'material', 'stepKind'],
      )}
    >
      <Textarea
        className="wide"
        label="A lesson"
        placeholder="the hood binds once clear is on: ease its rear edge first"
        autosize
        {...text('text')}
      />
      <TextInput
        size="xs"
        label="Comes back with this kit"
        placeholder={kit.split(' ')[0]}
        {...text('kit')}
      />
      <TextInput size="xs" label="… with parts called" placeholder="hood" {...text('partWord')} />
      <Select size="xs" clearable label="… with a material" data={[...MATERIALS]} {...pick('material')} />
      <Select
        size="xs"
        clearable
        label="… at a kind of step"
        data={TASK_LABELS.map(({ kind, label }) => ({ value: kind, label }))}
        {...pick('stepKind')}
      />
      <Button type="submit" fullWidth>
        Keep the lesson
      </Button>
      {problem}
    </form>
  );
}
