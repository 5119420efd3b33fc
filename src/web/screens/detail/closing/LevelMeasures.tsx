import { Group } from '@mantine/core';
import { sidedFields, type Level } from '../../../../core/kit/index.ts';
import { RemoveButton } from '../../../components/RemoveButton.tsx';
import { OpenFigure } from '../OpenFigure.tsx';
import { WordsInput } from '../WordsInput.tsx';

interface LevelMeasuresProps {
  level: Level;
  onChange: (part: Partial<Level>) => void;
  /** Also what each is called, and whether it is measured at all. */
  isNamed?: boolean;
}

/** Measures on the left and on the right. */
export function LevelMeasures({ level: { measures }, onChange, isNamed = false }: LevelMeasuresProps) {
  const put = (at: number, part: Partial<Level['measures'][number]>) =>
    onChange({ measures: measures.map((each, place) => (place === at ? { ...each, ...part } : each)) });
  const side = (key: 'leftMm' | 'rightMm', at: number) => (
    <OpenFigure
      size={isNamed ? 'xs' : 'md'}
      label={`${isNamed ? '' : `${measures[at]!.name}, `}${key === 'leftMm' ? 'left' : 'right'}, mm`}
      placeholder="not measured"
      field={sidedFields[key]}
      value={measures[at]![key]}
      onSave={(mm) => put(at, { [key]: mm })}
    />
  );
  return measures.map((measure, at) => (
    <Group key={at} gap="xs" align="end" wrap="nowrap">
      {isNamed && (
        <WordsInput
          label={`Measure ${at + 1}`}
          field={sidedFields.name}
          value={measure.name}
          onSave={(name) => put(at, { name })}
        />
      )}
      {side('leftMm', at)}
      {side('rightMm', at)}
      {isNamed && (
        <RemoveButton
          name={`Take out ${measure.name}`}
          onRemove={() => onChange({ measures: measures.filter((_, place) => place !== at) })}
        />
      )}
    </Group>
  ));
}
