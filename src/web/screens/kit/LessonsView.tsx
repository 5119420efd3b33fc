import { Button, Select, Textarea, TextInput, UnstyledButton } from '@mantine/core';
import { useState } from 'react';
import { textLimits } from '../../components/limits.ts';
import { lessonsFor, MATERIALS, type Lesson, lessonRecord } from '../../../core/kit/index.ts';
import { TASK_LABELS, taskLabel } from '../../../core/plan/index.ts';
import { useBench } from '../../data/bench.ts';
import { changeStock } from '../../data/kit.ts';
import { newId } from '../../data/newId.ts';
import { usePlan } from '../../data/plan.tsx';
import type { KitViewProps } from './kitView.ts';

const NEW_LESSON: Omit<Lesson, 'id'> = {
  text: '',
  origin: '',
  kit: null,
  partWord: null,
  material: null,
  stepKind: null,
};

/** What earlier builds taught, and where it comes back. */
export function LessonsView({ build, stock }: KitViewProps) {
  const { view } = usePlan();
  const { data: bench } = useBench();
  const [lesson, setLesson] = useState(NEW_LESSON);
  const [problem, setProblem] = useState<string | null>(null);
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
  const add = () => {
    if (lesson.text.trim() === '') {
      setProblem('Write what you would tell the next builder.');
      return;
    }
    if (!lesson.kit && !lesson.partWord && !lesson.material && !lesson.stepKind) {
      setProblem('Say where it should come back: a kit, a part, a material or a kind of step.');
      return;
    }
    void changeStock(
      [{ kind: 'lesson', id: newId('lesson'), value: { ...lesson, text: lesson.text.trim() } }],
      'lesson',
    )
      .then(() => {
        setLesson(NEW_LESSON);
        setProblem(null);
      })
      .catch((error: unknown) => setProblem((error as Error).message));
  };
  const orNull = (text: string) => (text.trim() === '' ? null : text);
  return (
    <>
      <section className="column" aria-label="What you decide">
        <h2>What earlier builds taught</h2>
        <form
          className="panel fieldgrid"
          onSubmit={(event) => {
            event.preventDefault();
            add();
          }}
        >
          <Textarea
            className="wide"
            label="A lesson"
            placeholder="the hood binds once clear is on: ease its rear edge first"
            autosize
            {...textLimits(lessonRecord.fields.text)}
            value={lesson.text}
            error={problem}
            onChange={(event) => setLesson({ ...lesson, text: event.currentTarget.value })}
          />
          <TextInput
            size="xs"
            label="Comes back with this kit"
            placeholder={build.name.split(' ')[0]}
            value={lesson.kit ?? ''}
            {...textLimits(lessonRecord.fields.kit)}
            onChange={(event) => setLesson({ ...lesson, kit: orNull(event.currentTarget.value) })}
          />
          <TextInput
            size="xs"
            label="… with parts called"
            placeholder="hood"
            value={lesson.partWord ?? ''}
            {...textLimits(lessonRecord.fields.partWord)}
            onChange={(event) => setLesson({ ...lesson, partWord: orNull(event.currentTarget.value) })}
          />
          <Select
            size="xs"
            clearable
            label="… with a material"
            data={MATERIALS.map((value) => ({ value, label: value }))}
            value={lesson.material}
            onChange={(value) => setLesson({ ...lesson, material: value })}
          />
          <Select
            size="xs"
            clearable
            label="… at a kind of step"
            data={TASK_LABELS.map(({ kind, label }) => ({ value: kind, label }))}
            value={lesson.stepKind}
            onChange={(stepKind) => setLesson({ ...lesson, stepKind })}
          />
          <Button type="submit" fullWidth>
            Keep the lesson
          </Button>
        </form>
        {stock.lessons.map((each) => (
          <article key={each.id} className="panel">
            <p>{each.text}</p>
            <p className="soft small">
              {ties(each)}
              {each.origin && ` · from ${each.origin}`}
              {coming(each.text).length > 0 &&
                ` · comes back at ${coming(each.text).length} steps of this build`}{' '}
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
              <p key={operationId} className="small" style={{ marginTop: 4 }}>
                <b>{title}:</b> {note}{' '}
                <UnstyledButton
                  className="why"
                  onClick={() => setLesson({ ...NEW_LESSON, text: note, origin: `log, ${title}` })}
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
