import { MultiSelect, NumberInput, Select, UnstyledButton } from '@mantine/core';
import { IconAlertTriangle, IconHandStop, IconInfoCircle, IconShieldExclamation } from '@tabler/icons-react';
import {
  chooseAdhesive,
  ENTRIES,
  glueJob,
  JOINT_KINDS,
  jointName,
  LOCATING,
  MOTIONS,
  SEAMS,
  type CostTerm,
  type Joint,
  type JointDecision,
  type Kit,
} from '../../../core/kit/index.ts';
import { formatMinutes } from '../../../core/finish/index.ts';
import { Why } from '../../components/Why.tsx';
import { changeKit } from '../../data/kit.ts';
import { partOptions } from './partNames.ts';
import { usePinCost } from './useProposal.ts';

interface JointPanelProps {
  buildId: string;
  kit: Kit;
  joint: Joint;
  decision: JointDecision | undefined;
  onProblem: (problem: string | null) => void;
}

const RISK_ICONS = {
  stop: IconHandStop,
  warn: IconAlertTriangle,
  note: IconInfoCircle,
  caution: IconShieldExclamation,
} as const;

/** One joint: when it is made and why, what it would cost the other way, its glue, and its facts to edit. */
export function JointPanel({ buildId, kit, joint, decision, onProblem }: JointPanelProps) {
  const parts = new Map(kit.parts.map((part) => [part.id, part]));
  const finishes = new Map(kit.finishes.map((finish) => [finish.id, finish]));
  const other = decision && (decision.when === 'before' ? 'after' : 'before');
  const alternative = usePinCost(decision ? kit : undefined, decision?.jointId, other);
  const save = (change: Partial<Joint>, label = jointName(joint, parts)) =>
    void changeKit(buildId, [{ kind: 'joint', id: joint.id, value: { ...joint, ...change } }], label)
      .then(() => onProblem(null))
      .catch((error: unknown) => onProblem((error as Error).message));
  const glue = chooseAdhesive(glueJob(joint, decision?.when ?? 'before', parts, finishes));
  const options = partOptions(kit);
  const otherJoints = kit.joints
    .filter(({ id }) => id !== joint.id)
    .map((each) => ({ value: each.id, label: jointName(each, parts) }));
  return (
    <>
      <div className="panel">
        <h3>{jointName(joint, parts)}</h3>
        {decision && (
          <>
            <p>
              <b>{decision.when === 'before' ? 'Joined before paint.' : 'Joined after paint.'}</b>{' '}
              {decision.because}
            </p>
            <Terms title="Joined before paint" terms={decision.early} chosen={decision.when === 'before'} />
            <Terms title="Left for after" terms={decision.late} chosen={decision.when === 'after'} />
            {other && (
              <p className="small soft mt6">
                {alternative === undefined
                  ? 'Working out the other way…'
                  : 'refused' in alternative
                    ? `The other way cannot be: ${alternative.refused}`
                    : alternative.minutes < 0.5
                      ? 'The other way costs the same over the whole build.'
                      : `The other way costs ${Math.round(alternative.minutes)} min more over the whole build.`}
              </p>
            )}
          </>
        )}
        {/* Also without a proposal: a pin may be what stands in its way. */}
        <div className="chips mt8" role="group" aria-label="When to make it">
          {(
            [
              ['before', 'pin before'],
              [null, 'let Fanfare decide'],
              ['after', 'pin after'],
            ] as const
          ).map(([pin, word]) => (
            <UnstyledButton
              key={word}
              className="chip"
              aria-pressed={joint.pin === pin}
              disabled={pin === other && alternative !== undefined && 'refused' in alternative}
              onClick={() => save({ pin })}
            >
              {word}
            </UnstyledButton>
          ))}
        </div>
      </div>
      <div className="panel">
        <h3>Glue: {glue.name}</h3>
        <p className="small">{glue.reason}</p>
        <p className="small">
          <b>Prepare:</b> {glue.preparation}.
        </p>
        {glue.adhesive !== 'none' && (
          <p className="small mono">
            set {formatMinutes(glue.setMinutes)}, full strength {formatMinutes(glue.strongMinutes)}{' '}
            <Why about="the choice of glue">
              Rule “{glue.ruleId}”, at 20 °C. Ordinary workshop practice; the product’s label and its safety
              sheet win.
            </Why>
          </p>
        )}
        {glue.risks.map(({ id, severity, words, remedy }) => {
          const Icon = RISK_ICONS[severity];
          return (
            <div key={id} className={`finding ${severity}`} style={{ marginTop: 6 }}>
              <b>
                <Icon size={16} aria-hidden /> {words}
              </b>
              <p className="soft">{remedy}</p>
            </div>
          );
        })}
      </div>
      <div className="panel">
        <h3>The joint</h3>
        <div className="fieldgrid">
          <Select
            size="xs"
            label="Kind"
            data={JOINT_KINDS.map((value) => ({ value, label: value }))}
            value={joint.kind}
            onChange={(value) => value && save({ kind: value })}
          />
          <Select
            size="xs"
            label="Seam"
            data={SEAMS.map((value) => ({ value, label: SEAM_WORDS[value] }))}
            value={joint.seam}
            onChange={(value) => value && save({ seam: value })}
          />
          <Select
            size="xs"
            label="Moves afterwards"
            data={MOTIONS.map((value) => ({ value, label: value === 'none' ? 'no' : value }))}
            value={joint.motion}
            onChange={(value) => value && save({ motion: value })}
          />
          <Select
            size="xs"
            label="Goes in from"
            data={ENTRIES.map((value) => ({ value, label: value }))}
            value={joint.entry}
            onChange={(value) => value && save({ entry: value })}
          />
          <Select
            size="xs"
            label="Located by"
            placeholder="not looked at"
            clearable
            data={LOCATING.map((value) => ({ value, label: LOCATING_WORDS[value] }))}
            value={joint.locating ?? null}
            onChange={(locating) => save({ locating: locating ?? undefined })}
          />
          <Measure
            label="Clearance, mm"
            value={joint.clearanceMm}
            onSave={(clearanceMm) => save({ clearanceMm })}
          />
          <Measure label="Seam length, mm" value={joint.edgeMm} onSave={(edgeMm) => save({ edgeMm })} />
          <MultiSelect
            size="xs"
            className="wide"
            searchable
            label="Shuts in for good"
            data={options.filter(({ value }) => value !== joint.a && value !== joint.b)}
            value={joint.captured}
            onChange={(captured) => save({ captured })}
          />
          <MultiSelect
            size="xs"
            className="wide"
            searchable
            label="Closes the way for these joints"
            data={otherJoints}
            value={joint.closes}
            onChange={(closes) => save({ closes })}
          />
        </div>
        <UnstyledButton
          className="why mt8"

          onClick={() =>
            void changeKit(
              buildId,
              [{ kind: 'joint', id: joint.id, value: null }],
              `remove ${jointName(joint, parts)}`,
            ).catch((error: unknown) => onProblem((error as Error).message))
          }
        >
          remove this joint
        </UnstyledButton>
      </div>
    </>
  );
}

const LOCATING_WORDS = { pins: 'pins in holes', rim: 'a rim or step', none: 'nothing' } as const;

export const SEAM_WORDS = {
  hidden: 'hidden',
  vanish: 'must vanish',
  'panel-line': 'a real panel line',
} as const;

function Terms({ title, terms, chosen }: { title: string; terms: readonly CostTerm[]; chosen: boolean }) {
  const total = terms.reduce((sum, { minutes }) => sum + minutes, 0);
  const widest = Math.max(20, total);
  return (
    <div className="mt8">
      <p className="small in-row apart">
        <span>{title}</span>
        <span className="mono">{total > 0 ? `${Math.round(total)} min` : 'free'}</span>
      </p>
      <div className="termbar">
        {terms.map(({ id, minutes, words }) => (
          <div key={id} className="contents">
            <span className="soft">{words}</span>
            <span className="mono right">{minutes < 1 ? '<1' : Math.round(minutes)}</span>
            <i
              className={chosen ? '' : 'other'}
              style={{ width: `${Math.max(1, Math.min(100, (100 * minutes) / widest))}%` }}
            />
          </div>
        ))}
      </div>
    </div>
  );
}

function Measure({
  label,
  value,
  onSave,
}: {
  label: string;
  value: number | null;
  onSave: (value: number | null) => void;
}) {
  return (
    <NumberInput
      size="xs"
      label={label}
      placeholder="not measured"
      key={value}
      defaultValue={value ?? ''}
      step={0.05}
      decimalScale={2}
      onBlur={(event) => {
        const text = event.currentTarget.value.trim();
        const typed = text === '' ? null : Number(text);
        if (typed !== value && (typed === null || Number.isFinite(typed))) onSave(typed);
      }}
    />
  );
}
