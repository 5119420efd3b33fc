import { Button, Select, Textarea, TextInput } from '@mantine/core';
import {
  AREA_SHAPES,
  liveryAreaRecord,
  type AreaShape,
  type Kit,
  type LiveryArea,
} from '../../../core/kit/index.ts';
import { ChoiceSelect } from '../../components/form/ChoiceSelect.tsx';
import { FigureInput } from '../../components/form/FigureInput.tsx';
import { textLimits } from '../../components/limits.ts';

interface AreaFormProps {
  area: LiveryArea;
  kit: Kit;
  onSave: (change: Partial<LiveryArea>) => void;
  /** Its image on the other half of the view. */
  onMirror: () => void;
  /** Lays its edges along moulded lines; null where the view has none. */
  onLayAlong: (() => void) | null;
}

type Figure = 'x' | 'y' | 'width' | 'height' | 'angle' | 'count' | 'gapMm';
const LABELS: Readonly<Record<Figure, string>> = {
  x: 'Centre from the left, mm',
  y: 'Centre from above, mm',
  width: 'Width, mm',
  height: 'Height, mm',
  angle: 'Turned, degrees',
  count: 'How many',
  gapMm: 'Room between, mm',
};
const BOXED: readonly Figure[] = ['x', 'y', 'width', 'height', 'angle'];
const FIGURES: Readonly<Record<AreaShape, readonly Figure[]>> = {
  band: ['y', 'height', 'angle', 'x'],
  stripes: ['y', 'height', 'count', 'gapMm', 'angle', 'x'],
  scallops: [...BOXED, 'count'],
  rectangle: BOXED,
  ellipse: BOXED,
  path: [],
};

/** What an area is, in figures. */
export const AreaForm = ({ area, kit, onSave, onMirror, onLayAlong }: AreaFormProps) => (
  <div className="panel">
    <h3>{area.name}</h3>
    <div className="fieldgrid">
      <TextInput
        size="xs"
        label="Called"
        key={`name ${area.name}`}
        defaultValue={area.name}
        {...textLimits(liveryAreaRecord.fields.name)}
        onBlur={({ currentTarget: { value } }) => {
          const name = value.trim();
          if (name !== '' && name !== area.name) onSave({ name });
        }}
      />
      <Select
        size="xs"
        label="Finish"
        allowDeselect={false}
        data={kit.finishes.map(({ id, name }) => ({ value: id, label: name }))}
        value={area.finishId}
        onChange={(finishId) => finishId && onSave({ finishId })}
      />
      <ChoiceSelect
        label="Shape"
        values={AREA_SHAPES}
        value={area.shape}
        onSave={(shape) => onSave({ shape })}
      />
      {FIGURES[area.shape].map((figure) => (
        <FigureInput
          key={figure}
          label={LABELS[figure]}
          step={figure === 'angle' || figure === 'count' ? 1 : 0.1}
          allowDecimal={figure !== 'count'}
          field={liveryAreaRecord.fields[figure]}
          value={area[figure]}
          onSave={(value) => onSave({ [figure]: value })}
        />
      ))}
    </div>
    {area.shape === 'path' && (
      <Textarea
        size="xs"
        label="Path, mm, as SVG writes it"
        key={`path ${area.path}`}
        defaultValue={area.path}
        placeholder="M10 20 L60 20 Q70 25 60 30 L10 30 Z"
        autosize
        {...textLimits(liveryAreaRecord.fields.path)}
        onBlur={({ currentTarget: { value } }) =>
          value.trim() !== area.path && onSave({ path: value.trim() })
        }
      />
    )}
    <div className="toolrow mt8">
      {onLayAlong && (
        <Button size="xs" onClick={onLayAlong}>
          Lay its edge along the moulded line
        </Button>
      )}
      <Button size="xs" onClick={onMirror}>
        Add its mirror image
      </Button>
    </div>
  </div>
);
