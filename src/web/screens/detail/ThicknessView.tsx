import { Checkbox, SegmentedControl } from '@mantine/core';
import type { ThicknessAudit, ThicknessWay } from '../../../core/detail/index.ts';
import { figure } from '../../../core/figures.ts';
import { auditOf, gaugeRecord, newRecord, type Gauge } from '../../../core/kit/index.ts';
import type { DetailViewProps } from './detailView.ts';
import { DetailList } from './DetailList.tsx';
import { Fault } from './Fault.tsx';
import { RecordCard } from './RecordCard.tsx';
import { ScaleBothWays } from './ScaleBothWays.tsx';
import { worked } from '../../../core/worked.ts';

const WAY_WORDS: Readonly<Record<ThicknessWay, string>> = {
  leave: 'leave it',
  thin: 'thin it',
  edges: 'thin its edge',
  replace: 'make it anew',
};
const WAYS = Object.keys(WAY_WORDS) as ThicknessWay[];

/** Sizes at scale both ways, and every part that is thicker than the real thing. */
export const ThicknessView = ({ build, kit }: DetailViewProps) => (
  <DetailList<Gauge>
    buildId={build.id}
    kind="gauge"
    title="Scale and thickness"
    all={kit.gauges}
    fresh={newRecord(gaugeRecord)}
    word="Edge"
    addWords="Add a measured edge"
    teaches="Measure an edge that looks heavy (a door, a bonnet, a wing, a vent window) and say how thick the real one is. Fanfare says how many times too thick it is and what can be done before it breaks."
    nothing="Nothing measured yet."
    decide={(gauge, tools) => (
      <RecordCard
        record={gauge}
        fields={gaugeRecord.fields}
        kit={kit}
        partLabel="Part"
        figures={[
          ['measuredMm', 'Measured, mm'],
          ['realMm', 'The real one, mm'],
        ]}
        {...tools}
      >
        <Checkbox
          size="xs"
          mt={6}
          label="Only its edge is seen"
          checked={gauge.edgeOnly}
          onChange={({ currentTarget: { checked } }) => tools.onChange({ edgeOnly: checked })}
        />
      </RecordCard>
    )}
    follows={(gauge, { onChange }) => (
      <Audited
        gauge={gauge}
        audit={worked(() => auditOf(gauge, kit, build.scale))}
        onDecide={(way) => onChange({ way })}
      />
    )}
  >
    <ScaleBothWays scale={build.scale} />
  </DetailList>
);

interface AuditedProps {
  gauge: Gauge;
  audit: { answer?: ThicknessAudit; fault?: string };
  onDecide: (way: ThicknessWay) => void;
}

function Audited({ gauge, audit: { answer, fault }, onDecide }: AuditedProps) {
  if (!answer) return <Fault name={gauge.name} fault={fault ?? ''} />;
  const { trueMm, times, way } = answer;
  return (
    <div className="panel">
      <h3>{gauge.name}</h3>
      <p>
        <b className="mono">{figure(times, 'times', 1)}</b> the real thickness, which is{' '}
        <span className="mono">{figure(trueMm, 'mm')}</span> at scale.
      </p>
      <p>{reasonOf(answer)}</p>
      <SegmentedControl
        size="xs"
        orientation="vertical"
        fullWidth
        aria-label={`What is done about ${gauge.name}`}
        value={gauge.way ?? ''}
        onChange={(value) => onDecide(value as ThicknessWay)}
        data={WAYS.map((value) => ({
          value,
          label: value === way ? `${WAY_WORDS[value]} (advised)` : WAY_WORDS[value],
        }))}
      />
      <p className="soft small">
        {gauge.way === null
          ? 'Nothing decided yet: the plan leaves it as it is.'
          : gauge.way === 'leave'
            ? 'Left as it is.'
            : 'In the plan, on the bare part.'}
      </p>
    </div>
  );
}

/** Why a way is advised. */
function reasonOf({ way, takeOffMm, leastMm, instead }: ThicknessAudit): string {
  switch (way) {
    case 'leave':
      return 'Nobody sees that much.';
    case 'thin':
      return `Take off ${figure(takeOffMm, 'mm')} from behind; below ${figure(leastMm, 'mm')} it would break in the hand.`;
    case 'edges':
      return `Take off ${figure(takeOffMm, 'mm')} at the edge alone, as a bevel from behind; below ${figure(leastMm, 'mm')} it would break.`;
    case 'replace':
      return `Thinned as far as it holds, ${figure(leastMm, 'mm')}, it is still too thick: ${instead?.clear ? 'clear ' : ''}${instead?.form} of ${instead?.mm} mm comes nearest.`;
  }
}
