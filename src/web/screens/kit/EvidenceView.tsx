import { Button, MultiSelect, Select, Textarea, TextInput, UnstyledButton } from '@mantine/core';
import { IconAlertTriangle, IconCheck } from '@tabler/icons-react';
import { useRef, useState } from 'react';
import { textLimits } from '../../components/limits.ts';
import { PATHS, pathTo } from '../../../api/index.ts';
import { CONFIDENCES, decidedAs, type Evidence, evidenceRecord } from '../../../core/kit/index.ts';
import { adviceAhead, TASK_LABELS, taskLabel } from '../../../core/plan/index.ts';
import { usePlan } from '../../data/plan.tsx';
import { changeKit, keepPicture } from '../../data/kit.ts';
import { benchMinute } from '../../data/clock.ts';
import { newId } from '../../data/newId.ts';
import { AddByName } from './AddByName.tsx';
import type { KitViewProps } from './kitView.ts';
import { labelled, partOptions } from './partNames.ts';

/** What the sheet says, what the evidence says, and what was decided. */
export function EvidenceView({ build, kit }: KitViewProps) {
  const { view, operations } = usePlan();
  const [editing, setEditing] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const conflicts = [...kit.evidence].sort(
    (p, q) => Number(q.verdict === 'open') - Number(p.verdict === 'open'),
  );
  const save = (conflict: Evidence, label = conflict.title) =>
    void changeKit(build.id, [{ kind: 'evidence', id: conflict.id, value: conflict }], label)
      .then(() => setProblem(null))
      .catch((error: unknown) => setProblem((error as Error).message));
  const held = (view ? adviceAhead(view.advice, build.id) : []).filter(({ severity }) => severity === 'stop');
  return (
    <>
      <section className="column" aria-label="What you decide">
        <h2>Where the sheet may be wrong</h2>
        {problem && <p role="alert">{problem}</p>}
        {conflicts.length === 0 && (
          <p className="panel">
            Sheets call out colours that the real vehicle contradicts, show pins that do not exist and orders
            that cannot work. Keep each conflict with its source here; while it is open, the steps that it
            touches wait.
          </p>
        )}
        {conflicts.map((conflict) => (
          <article key={conflict.id} className={`panel${conflict.verdict === 'open' ? ' warned' : ''}`}>
            <div className="in-row apart g10">
              <h3>
                {conflict.verdict === 'open' ? (
                  <IconAlertTriangle size={17} aria-label="open" />
                ) : (
                  <IconCheck size={17} aria-label="settled" />
                )}{' '}
                {conflict.title}
              </h3>
              <UnstyledButton
                className="why"
                onClick={() => setEditing((now) => (now === conflict.id ? null : conflict.id))}
              >
                {editing === conflict.id ? 'done' : 'edit'}
              </UnstyledButton>
            </div>
            <p className="soft small">
              {conflict.partIds
                .flatMap((id) => kit.parts.find((part) => part.id === id) ?? [])
                .map(labelled)
                .join(', ')}
              {conflict.stepKind && ` · at ${taskLabel(conflict.stepKind)}`} · {conflict.confidence}
            </p>
            <div className="evidencepair">
              <div className={conflict.verdict === 'sheet' ? 'taken' : ''}>
                <b>The sheet</b>
                <p>{conflict.sheet || 'says nothing'}</p>
              </div>
              <div className={conflict.verdict === 'evidence' ? 'taken' : ''}>
                <b>The evidence</b>
                <p>{conflict.evidence || 'not written down yet'}</p>
                <p className="soft small">{conflict.source}</p>
                {conflict.pictureId && (
                  <img
                    src={pathTo(PATHS.picture, conflict.pictureId)}
                    alt={`Evidence: ${conflict.title}`}
                    style={{ maxWidth: '100%', maxHeight: 160, marginTop: 4 }}
                  />
                )}
              </div>
            </div>
            {conflict.decision && (
              <p>
                <b>Decided:</b> {conflict.decision}
              </p>
            )}
            <div
              className="chips mt6"

              role="group"
              aria-label={`Decide ${conflict.title}`}
            >
              {(['sheet', 'evidence', 'other', 'open'] as const).map((verdict) => (
                <UnstyledButton
                  key={verdict}
                  className="chip"
                  aria-pressed={conflict.verdict === verdict}
                  onClick={() => save(decidedAs(conflict, verdict, benchMinute()))}
                >
                  {VERDICT_WORDS[verdict]}
                </UnstyledButton>
              ))}
            </div>
            {editing === conflict.id && (
              <ConflictEditor
                buildId={build.id}
                kit={kit}
                conflict={conflict}
                onChange={save}
                onProblem={setProblem}
                onRemove={() =>
                  void changeKit(
                    build.id,
                    [{ kind: 'evidence', id: conflict.id, value: null }],
                    `remove ${conflict.title}`,
                  )
                }
              />
            )}
          </article>
        ))}
        <AddByName
          large
          label="New conflict"
          placeholder="colour of the air cleaner"
          button="Write it down"
          onAdd={(title) => {
            const id = newId(build.id);
            save({
              id,
              title,
              partIds: [],
              stepKind: null,
              sheet: '',
              evidence: '',
              source: '',
              pictureId: null,
              confidence: 'likely',
              verdict: 'open',
              decision: '',
            });
            setEditing(id);
          }}
        />
      </section>
      <section className="column" aria-label="What follows">
        <h2>What follows</h2>
        <div className="panel">
          <h3>Steps that wait for a decision</h3>
          {held.length === 0 && <p className="soft small">None: the plan runs free.</p>}
          {held.flatMap(({ text, about: { steps } }) =>
            steps.map((id) => (
              <p key={`${text} ${id}`} className="small mt4">
                <b>{operations.get(id)?.title ?? id}.</b> <span className="soft">{text}</span>
              </p>
            )),
          )}
        </div>
      </section>
    </>
  );
}

const VERDICT_WORDS = {
  sheet: 'go by the sheet',
  evidence: 'go by the evidence',
  other: 'neither: see the decision',
  open: 'still open',
} as const;

function ConflictEditor({
  buildId,
  kit,
  conflict,
  onChange,
  onRemove,
  onProblem,
}: {
  buildId: string;
  kit: KitViewProps['kit'];
  conflict: Evidence;
  onChange: (conflict: Evidence) => void;
  onRemove: () => void;
  onProblem: (problem: string | null) => void;
}) {
  const file = useRef<HTMLInputElement>(null);
  const area = (field: 'sheet' | 'evidence' | 'decision', label: string) => (
    <Textarea
      size="xs"
      className={field === 'decision' ? 'wide' : undefined}
      label={label}
      autosize
      {...textLimits(evidenceRecord.fields[field])}
      defaultValue={conflict[field]}
      onBlur={(event) =>
        event.currentTarget.value !== conflict[field] &&
        onChange({ ...conflict, [field]: event.currentTarget.value })
      }
    />
  );
  return (
    <div className="fieldgrid" style={{ marginTop: 10, borderTop: '1px solid var(--line)', paddingTop: 10 }}>
      <MultiSelect
        size="xs"
        searchable
        label="Parts"
        data={partOptions(kit)}
        value={conflict.partIds}
        onChange={(partIds) => onChange({ ...conflict, partIds })}
      />
      <Select
        size="xs"
        clearable
        label="Step that it touches"
        placeholder="any step of these parts"
        data={TASK_LABELS.map(({ kind, label }) => ({ value: kind, label }))}
        value={conflict.stepKind}
        onChange={(stepKind) => onChange({ ...conflict, stepKind })}
      />
      {area('sheet', 'The sheet says')}
      {area('evidence', 'The evidence says')}
      <TextInput
        size="xs"
        label="Source"
        placeholder="book and page, picture, link"
        {...textLimits(evidenceRecord.fields.source)}
        defaultValue={conflict.source}
        onBlur={(event) =>
          event.currentTarget.value !== conflict.source &&
          onChange({ ...conflict, source: event.currentTarget.value })
        }
      />
      <Select
        size="xs"
        label="How sure"
        data={CONFIDENCES.map((value) => ({ value, label: value }))}
        value={conflict.confidence}
        onChange={(value) => value && onChange({ ...conflict, confidence: value })}
      />
      {area('decision', 'The decision')}
      <div className="toolrow wide">
        <Button onClick={() => file.current?.click()}>
          {conflict.pictureId ? 'Replace the picture' : 'Add a picture'}
        </Button>
        <Button onClick={onRemove}>Remove this conflict</Button>
        <input
          ref={file}
          type="file"
          accept="image/*"
          aria-label="Picture of the evidence"
          hidden
          onChange={(event) => {
            const chosen = event.currentTarget.files?.[0];
            if (!chosen) return;
            keepPicture(buildId, chosen)
              .then((pictureId) => onChange({ ...conflict, pictureId }))
              .catch((error: unknown) => onProblem((error as Error).message));
          }}
        />
      </div>
    </div>
  );
}
