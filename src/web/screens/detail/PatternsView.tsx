import { ChoiceSelect } from '../../components/form/ChoiceSelect.tsx';
import { Checkbox, Group, Select } from '@mantine/core';
import { drawDevelopment } from '../../../core/detail/index.ts';
import { figure } from '../../../core/figures.ts';
import {
  flatOf,
  newRecord,
  PATTERN_FACTS,
  PATTERN_MATERIALS,
  PATTERN_SHAPES,
  patternRecord,
  type Pattern,
} from '../../../core/kit/index.ts';
import type { DetailViewProps } from './detailView.ts';
import { DetailList } from './DetailList.tsx';
import { DrawingPicture } from './DrawingPicture.tsx';
import { Fault } from './Fault.tsx';
import { RecordCard } from './RecordCard.tsx';
import { SaveDrawings } from './SaveDrawings.tsx';
import { worked } from '../../../core/worked.ts';

const SIZE_WORDS = {
  radiusMm: 'Radius, mm',
  topRadiusMm: 'Radius at the top, mm',
  lengthMm: 'Length, mm',
  widthMm: 'Width, mm',
  heightMm: 'Height or rise, mm',
  bottomLengthMm: 'Length below, mm',
  bottomWidthMm: 'Width below, mm',
  degrees: 'Cut, degrees from square',
  petals: 'Petals',
  thicknessMm: 'Thickness of what is cut, mm',
  lapMm: 'Lap at the seam, mm',
  count: 'How many of it',
} as const;
type SizeKey = keyof typeof SIZE_WORDS;

/** Tanks, pipes and boxes laid out flat, to be cut from foil, paper or sheet at exact size. */
export const PatternsView = ({ build, kit }: DetailViewProps) => (
  <DetailList<Pattern>
    buildId={build.id}
    kind="pattern"
    title="Patterns in the flat"
    all={kit.patterns}
    fresh={newRecord(patternRecord)}
    word="Tank"
    addWords="Add a pattern"
    teaches="A tank wrapped in foil, a pipe rolled from sheet, a hopper folded from card: give its sizes and print what to cut. Edges that meet are as long on one side as on the other."
    nothing="Nothing to cut yet."
    decide={(pattern, tools) => (
      <RecordCard
        record={pattern}
        fields={patternRecord.fields}
        kit={kit}
        partLabel="Covers"
        figures={(['count', ...PATTERN_FACTS[pattern.shape].asks, 'thicknessMm', 'lapMm'] as SizeKey[]).map(
          (key) => [key, SIZE_WORDS[key]] as const,
        )}
        {...tools}
      >
        <PatternChoices pattern={pattern} onChange={tools.onChange} />
      </RecordCard>
    )}
    follows={(pattern) => <LaidFlat pattern={pattern} kit={kit} />}
  />
);

/** Shape and material of a pattern. */
const PatternChoices = ({
  pattern,
  onChange,
}: {
  pattern: Pattern;
  onChange: (part: Partial<Pattern>) => void;
}) => (
  <>
    <Group gap="xs" grow mt={6}>
      <Select
        size="xs"
        label="Shape"
        allowDeselect={false}
        data={PATTERN_SHAPES.map((value) => ({ value, label: PATTERN_FACTS[value].name }))}
        value={pattern.shape}
        onChange={(shape) => shape && onChange({ shape })}
      />
      <ChoiceSelect
        label="Cut from"
        values={PATTERN_MATERIALS}
        value={pattern.material}
        onSave={(material) => onChange({ material })}
      />
    </Group>
    {pattern.shape === 'cylinder' && (
      <Checkbox
        size="xs"
        mt={6}
        label="With flat ends"
        checked={pattern.ends}
        onChange={({ currentTarget: { checked } }) => onChange({ ends: checked })}
      />
    )}
  </>
);

function LaidFlat({ pattern, kit }: { pattern: Pattern; kit: DetailViewProps['kit'] }) {
  const { answer, fault } = worked(() => flatOf(pattern));
  if (fault !== undefined) return <Fault name={pattern.name} fault={fault} />;
  const drawings = drawDevelopment(answer);
  return (
    <div className="panel">
      <h3>{pattern.name}</h3>
      <div className="flatdrawings">
        {drawings.map((drawing, at) => (
          <figure key={drawing.id}>
            <DrawingPicture drawing={drawing} label={`${pattern.name}, ${drawing.id}`} />
            <figcaption className="small">
              {answer.pieces[at]!.count > 1 ? `${answer.pieces[at]!.count} × ` : ''}
              {drawing.id}:{' '}
              <span className="mono">
                {drawing.width.toFixed(1)} × {figure(drawing.height, 'mm', 1)}
              </span>
            </figcaption>
          </figure>
        ))}
      </div>
      {answer.meets.map(({ what, one, other }) => (
        <p key={what} className="soft small">
          {what}: <span className="mono">{figure(one, 'mm')}</span> meets{' '}
          <span className="mono">{figure(other, 'mm')}</span>
        </p>
      ))}
      <p className="soft small">
        Cut along full lines, fold along dashed ones; a cross is where a circle cutter stands. Sizes are those
        of what is covered; half the thickness is added for the bend.
      </p>
      <SaveDrawings
        kit={kit}
        title={pattern.name}
        drawings={drawings}
        copies={Object.fromEntries(answer.pieces.map(({ name, count }) => [name, pattern.count * count]))}
      />
    </div>
  );
}
