import { Button, Group } from '@mantine/core';
import {
  BELT_CLOTH_FACTS,
  BELT_CLOTHS,
  BELT_METAL_FACTS,
  BELT_METALS,
} from '../../../../core/cabin/index.ts';
import { figure } from '../../../../core/figures.ts';
import { beltPieceFields, beltPlan, beltRecord, newRecord, type Belt } from '../../../../core/kit/index.ts';
import { worked } from '../../../../core/worked.ts';
import { ChoiceSelect } from '../../../components/form/ChoiceSelect.tsx';
import { FigureInput } from '../../../components/form/FigureInput.tsx';
import { listLimit } from '../../../components/limits.ts';
import { RemoveButton } from '../../../components/RemoveButton.tsx';
import { DetailList, type DetailTools } from '../DetailList.tsx';
import type { DetailViewProps } from '../detailView.ts';
import { Fault } from '../Fault.tsx';
import { WordsInput } from '../WordsInput.tsx';
import { RecordCard } from '../RecordCard.tsx';

const { fields } = beltRecord;

/** Belts: how wide at scale, how long each piece is cut, and what its buckles are made of. */
export const BeltsView = ({ build, kit }: DetailViewProps) => (
  <DetailList<Belt>
    buildId={build.id}
    kind="belt"
    title="Belts"
    all={kit.belts}
    fresh={newRecord(beltRecord)}
    word="Belts"
    addWords="Add belts"
    teaches="Lay a thread over seat and shoulder and measure it, piece by piece. Fanfare gives the width at scale, the cut list with its folds, and what must be there weeks before."
    nothing="No belts yet."
    decide={(belt, tools) => (
      <RecordCard
        record={belt}
        fields={fields}
        kit={kit}
        partLabel="Lie on"
        figures={[
          ['count', 'How many alike'],
          ['realMm', 'Real width, mm'],
        ]}
        {...tools}
      >
        <BeltChoices belt={belt} {...tools} />
      </RecordCard>
    )}
    follows={(belt) => <BeltFollows belt={belt} scale={build.scale} />}
  />
);

type ChangeBelt = { belt: Belt } & Pick<DetailTools<Belt>, 'onChange'>;

function BeltChoices({ belt, onChange }: ChangeBelt) {
  const text = (key: 'colour' | 'note', label: string) => (
    <WordsInput
      label={label}
      field={fields[key]}
      value={belt[key]}
      onSave={(words) => onChange({ [key]: words })}
    />
  );
  return (
    <>
      <Group gap="xs" grow mt={6}>
        <ChoiceSelect
          label="Cut from"
          values={BELT_CLOTHS}
          value={belt.cloth}
          onSave={(cloth) => onChange({ cloth })}
        />
        <ChoiceSelect
          label="Buckles"
          values={BELT_METALS}
          value={belt.metal}
          onSave={(metal) => onChange({ metal })}
        />
        {text('colour', 'Colour')}
      </Group>
      <BeltPieces belt={belt} onChange={onChange} />
      {text('note', 'Note')}
    </>
  );
}

function BeltPieces({ belt, onChange }: ChangeBelt) {
  const put = (at: number, part: Partial<Belt['pieces'][number]>) =>
    onChange({ pieces: belt.pieces.map((each, place) => (place === at ? { ...each, ...part } : each)) });
  return (
    <>
      {belt.pieces.map((piece, at) => (
        <Group key={at} gap="xs" align="end">
          <WordsInput
            label={`Piece ${at + 1}`}
            field={beltPieceFields.name}
            value={piece.name}
            onSave={(name) => put(at, { name })}
          />
          <FigureInput
            w={110}
            label="Its way, mm"
            field={beltPieceFields.pathMm}
            value={piece.pathMm}
            onSave={(pathMm) => put(at, { pathMm })}
          />
          <FigureInput
            w={110}
            label="Buckles on it"
            field={beltPieceFields.fittings}
            value={piece.fittings}
            onSave={(fittings) => put(at, { fittings })}
          />
          <RemoveButton
            name={`Take out ${piece.name}`}
            onRemove={() => onChange({ pieces: belt.pieces.filter((_, place) => place !== at) })}
          />
        </Group>
      ))}
      <Button
        size="xs"
        variant="default"
        mt={6}
        disabled={belt.pieces.length >= listLimit(fields.pieces)}
        onClick={() =>
          onChange({
            pieces: [...belt.pieces, { name: `piece ${belt.pieces.length + 1}`, pathMm: 20, fittings: 0 }],
          })
        }
      >
        Add a piece
      </Button>
    </>
  );
}

function BeltFollows({ belt, scale }: { belt: Belt; scale: number }) {
  const { answer: plan, fault } = worked(() => beltPlan(belt, scale));
  if (fault !== undefined) return <Fault name={belt.name} fault={fault} />;
  return (
    <div className="panel">
      <h3>{belt.name}</h3>
      <p>
        <b className="mono">{figure(plan.widthMm, 'mm')}</b> wide, true to scale{' '}
        <span className="mono">{figure(plan.trueMm, 'mm')}</span>
        {Math.abs(plan.off) >= 0.05 &&
          `; that is ${figure(100 * Math.abs(plan.off), '%')} ${plan.off > 0 ? 'wide' : 'narrow'}`}
        .
      </p>
      {plan.pieces.map(({ name, cutMm }) => (
        <p key={name} className="small">
          {name}: cut <span className="mono">{figure(cutMm, 'mm', 1)}</span>
        </p>
      ))}
      <p>
        <span className="mono">{figure(belt.count * plan.totalMm, 'mm', 0)}</span> in all.
      </p>
      <p className="soft small">
        {belt.cloth}: {BELT_CLOTH_FACTS[belt.cloth].looks}. Buckles {belt.metal}:{' '}
        {BELT_METAL_FACTS[belt.metal].looks}.
      </p>
    </div>
  );
}
