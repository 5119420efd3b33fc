import { Checkbox, NumberInput, Select, Textarea, UnstyledButton } from '@mantine/core';
import { Link } from 'react-router';
import { textLimits } from '../../components/limits.ts';
import {
  BOUNDARIES,
  jointName,
  lessonsFor,
  partLabel,
  type Kit,
  type Lesson,
  type Part,
  type Zone,
  partRecord,
} from '../../../core/kit/index.ts';
import { changeKit } from '../../data/kit.ts';
import { newId } from '../../data/newId.ts';

interface PartPanelProps {
  buildId: string;
  kitName: string;
  kit: Kit;
  part: Part;
  leftOver: string | undefined;
  lessons: readonly Lesson[];
}

/** One part: its zones of colour, joints, conflicts and lessons. */
export function PartPanel({ buildId, kitName, kit, part, leftOver, lessons }: PartPanelProps) {
  const byId = new Map(kit.parts.map((each) => [each.id, each]));
  const joints = kit.joints.filter(({ a, b }) => a === part.id || b === part.id);
  const conflicts = kit.evidence.filter(({ partIds }) => partIds.includes(part.id));
  const taught = lessonsFor(
    lessons.map((lesson) => ({ ...lesson, stepKind: null })),
    { kit: kitName, partNames: [part.name], materials: [part.material], stepKind: null },
  ).filter(({ partWord }) => partWord !== null);
  const save = (change: Partial<Part>) =>
    void changeKit(
      buildId,
      [{ kind: 'part', id: part.id, value: { ...part, ...change } }],
      `${partLabel(part)} ${part.name}`,
    ).catch(() => undefined);
  const saveZone = (index: number, change: Partial<Zone>) =>
    save({ zones: part.zones.map((zone, at) => (at === index ? { ...zone, ...change } : zone)) });
  const addZone = () => {
    const finish = kit.finishes.find(({ id }) => !part.zones.some(({ finishId }) => finishId === id));
    if (!finish) return;
    const share = part.zones.length === 0 ? 1 : 0.3;
    save({
      zones: [
        ...part.zones.map((zone, at) =>
          at === 0 ? { ...zone, share: Math.max(0, zone.share - share) } : zone,
        ),
        { id: newId('zone'), name: '', finishId: finish.id, share, boundary: 'masked', edgeMm: null },
      ],
    });
  };
  return (
    <div className="panel">
      <h3>
        <span className="mono">{partLabel(part)}</span> {part.name}
      </h3>
      {leftOver && <p className="small">Left over for the spares box. {leftOver}</p>}
      {part.zones.map((zone, index) => (
        <div key={zone.id} className="fieldgrid mt8">
          <Select
            size="xs"
            label={index === 0 ? 'Finish' : 'Second colour'}
            data={kit.finishes.map(({ id, name }) => ({ value: id, label: name }))}
            value={zone.finishId}
            onChange={(value) => value && saveZone(index, { finishId: value })}
          />
          <NumberInput
            size="xs"
            label="Share, %"
            key={zone.share}
            defaultValue={Math.round(zone.share * 100)}
            min={0}
            max={100}
            onBlur={(event) => {
              const share = Number(event.currentTarget.value) / 100;
              if (share >= 0 && share <= 1 && share !== zone.share) saveZone(index, { share });
            }}
          />
          {index > 0 && (
            <>
              <Select
                size="xs"
                label="Edge"
                data={BOUNDARIES.map((value) => ({ value, label: value }))}
                value={zone.boundary}
                onChange={(value) => value && saveZone(index, { boundary: value })}
              />
              <UnstyledButton
                className="why"
                style={{ alignSelf: 'end', textAlign: 'left', paddingBottom: 6 }}
                onClick={() => save({ zones: part.zones.filter((_, at) => at !== index) })}
              >
                remove this colour
              </UnstyledButton>
            </>
          )}
        </div>
      ))}
      <UnstyledButton
        className="why mt6"

        disabled={kit.finishes.length <= part.zones.length}
        onClick={addZone}
      >
        {kit.finishes.length === 0
          ? 'name a finish below first'
          : part.zones.length === 0
            ? 'give it a finish'
            : 'add a second colour'}
      </UnstyledButton>
      <div style={{ display: 'flex', gap: 16, margin: '8px 0' }}>
        <Checkbox
          label="plated"
          checked={part.plated}
          onChange={(event) => save({ plated: event.currentTarget.checked })}
        />
        <Checkbox
          label="breaks easily"
          checked={part.fragile}
          onChange={(event) => save({ fragile: event.currentTarget.checked })}
        />
        <Checkbox
          label="left off"
          checked={part.use === 'left-off'}
          onChange={(event) => save({ use: event.currentTarget.checked ? 'left-off' : 'build' })}
        />
      </div>
      <Textarea
        size="xs"
        label="Note"
        placeholder="which way the mark faces, where it is held"
        key={part.note}
        defaultValue={part.note}
        {...textLimits(partRecord.fields.note)}
        autosize
        onBlur={(event) =>
          event.currentTarget.value !== part.note && save({ note: event.currentTarget.value })
        }
      />
      <p className="small soft mt8">
        {joints.length === 0 ? (
          <>
            No joint yet: <Link to={`/build/${buildId}/kit/joints`}>the joint map</Link> suggests one.
          </>
        ) : (
          `Joints: ${joints.map((joint) => jointName(joint, byId)).join('; ')}.`
        )}
      </p>
      {conflicts.map(({ id, title, verdict }) => (
        <p key={id} className="small">
          {verdict === 'open' ? '△ ' : '✓ '}
          <Link to={`/build/${buildId}/kit/evidence`}>{title}</Link>
        </p>
      ))}
      {taught.map(({ id, text }) => (
        <p key={id} className="small finding mt6">
          Learnt: {text}
        </p>
      ))}
      <UnstyledButton
        className="why mt8"

        onClick={() =>
          void changeKit(
            buildId,
            [{ kind: 'part', id: part.id, value: null }],
            `remove ${partLabel(part)} ${part.name}`,
          ).catch(() => undefined)
        }
      >
        take it out of the kit
      </UnstyledButton>
    </div>
  );
}
