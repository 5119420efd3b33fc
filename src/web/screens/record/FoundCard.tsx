import { Button, Group, UnstyledButton } from '@mantine/core';
import { useState } from 'react';
import { FAULT_FACTS, foundWords, lessonOfRegret, mendOf } from '../../../core/record/index.ts';
import type { Inspection, Kit, Outcome } from '../../../core/kit/index.ts';
import { mendsOf, type PlanView } from '../../../core/plan/index.ts';
import type { BuildRecord } from '../../../api/index.ts';
import { RemoveButton } from '../../components/RemoveButton.tsx';
import { benchMinute } from '../../data/clock.ts';
import { changeStock, useStock, type changeKit } from '../../data/kit.ts';
import { newId } from '../../data/newId.ts';
import { usePlan } from '../../data/plan.tsx';
import { BothWays } from './BothWays.tsx';
import { LookInPictures } from './inPictures/LookInPictures.tsx';

type KitChanges = Parameters<typeof changeKit>[1];

interface FoundCardProps {
  inspection: Inspection;
  kit: Kit;
  build: BuildRecord;
  /** How much of its part is seen on the finished model, 0..1; undefined where that is not known. */
  seen: number | undefined;
  onChange: (changes: KitChanges, label: string) => void;
}

const OUTCOME_WORDS: Readonly<Record<Outcome, string>> = {
  accept: 'accepted',
  'fix-now': 'the repair is in the plan',
  'fix-later': 'to be fixed before the step that buries it',
  'live-with': 'a regret: you live with it',
};

/** Something that was found: how much of it is seen, what mending it costs now and later, and what is decided. */
export function FoundCard({ inspection, kit, build, seen, onChange }: FoundCardProps) {
  const { view } = usePlan();
  const [weighed, setWeighed] = useState(false);
  const { id: inspectionId, fault, partId, outcome, operationId, mendId } = inspection;
  const facts = FAULT_FACTS[fault ?? 'other'];
  const part = kit.parts.find(({ id }) => id === partId);
  const step = view?.operations.find(({ id }) => id === operationId);
  const put = (change: Partial<Inspection>, more: KitChanges = []) => {
    const { id, ...value } = { ...inspection, ...change };
    onChange([...more, { kind: 'inspection', id, value }], `decide: ${foundWords(inspection)}`);
  };
  const fixNow = () => {
    const mishap = view && mishapFor(inspection, view);
    if (mishap) put({ outcome: 'fix-now', mendId: mishap.id }, [mishap]);
  };
  return (
    <article className={`panel${outcome === null ? ' warned' : ''}`} aria-label={foundWords(inspection)}>
      <div className="toolrow apart">
        <h3>{foundWords(inspection)}</h3>
        <RemoveButton
          name={`Take out ${foundWords(inspection)}`}
          onRemove={() =>
            onChange(
              [
                { kind: 'inspection', id: inspectionId, value: null },
                ...(mendId === '' ? [] : [{ kind: 'mishap' as const, id: mendId, value: null }]),
              ],
              'take out what was found',
            )
          }
        />
      </div>
      <p className="soft small">
        {part ? `${part.name}. ` : ''}
        {step ? `After “${step.title}”. ` : 'After a step that the plan no longer holds. '}
        {seen !== undefined && `${Math.round(100 * seen)} % of the part is seen on the finished model.`}
      </p>
      {outcome !== null && <p>{OUTCOME_WORDS[outcome].replace(/^./, (first) => first.toUpperCase())}.</p>}
      <Group my={8}>
        <LookInPictures
          build={build}
          kit={kit}
          at={{ operationId, partId }}
          title={`In pictures: ${foundWords(inspection)}`}
        />
      </Group>
      {outcome !== 'fix-now' && step && (
        <>
          <p className="small">Mending it: {facts.risk}.</p>
          {weighed ? (
            <BothWays
              question={{ buildId: build.id, operationId, repair: mendOf(fault ?? 'other', step.kind) }}
            />
          ) : (
            <UnstyledButton className="why" onClick={() => setWeighed(true)}>
              what would it cost, now and later?
            </UnstyledButton>
          )}
        </>
      )}
      {outcome !== 'fix-now' && (
        <Group gap="xs" mt={8}>
          <Button size="xs" disabled={!step} onClick={fixNow}>
            Fix it now
          </Button>
          <Button
            size="xs"
            variant="default"
            disabled={outcome === 'fix-later'}
            onClick={() => put({ outcome: 'fix-later' })}
          >
            Fix it later
          </Button>
          <Button
            size="xs"
            variant="default"
            disabled={outcome === 'live-with'}
            onClick={() => put({ outcome: 'live-with' })}
          >
            Live with it
          </Button>
          <Button
            size="xs"
            variant="default"
            disabled={outcome === 'accept'}
            onClick={() => put({ outcome: 'accept' })}
          >
            Accept it
          </Button>
        </Group>
      )}
      {outcome === 'live-with' && (
        <KeepLesson inspection={inspection} build={build} stepKind={step?.kind ?? null} />
      )}
    </article>
  );
}

/** The repair as it goes into the plan. */
function mishapFor(inspection: Inspection, view: PlanView) {
  const { operationId, fault } = inspection;
  const kind = view.operations.find(({ id }) => id === operationId)?.kind;
  const { now } = mendsOf({ buildId: '', operationId, repair: mendOf(fault ?? 'other', kind) }, view);
  const { id: _, ...value } = now;
  return {
    kind: 'mishap' as const,
    id: newId('again'),
    value: { ...value, what: foundWords(inspection), at: benchMinute() },
  };
}

/** A regret that is kept for the next kit, once. */
function KeepLesson({
  inspection,
  build,
  stepKind,
}: Pick<FoundCardProps, 'inspection' | 'build'> & { stepKind: string | null }) {
  const stock = useStock();
  const [problem, setProblem] = useState<string>();
  const { id, lesson } = lessonOfRegret(inspection, build, stepKind);
  if (stock?.lessons.some((known) => known.id === id))
    return (
      <p className="soft small mt6">Kept as a lesson: it comes back at such steps of the next builds.</p>
    );
  return (
    <>
      {problem && <p role="alert">{problem}</p>}
      <UnstyledButton
        className="why"
        onClick={() =>
          void changeStock([{ kind: 'lesson', id, value: lesson }], 'keep a lesson').catch((error: unknown) =>
            setProblem((error as Error).message),
          )
        }
      >
        keep it as a lesson
      </UnstyledButton>
    </>
  );
}
