import { Button, Select, Textarea } from '@mantine/core';
import { viewRecord, type Kit, type LiveryView } from '../../../core/kit/index.ts';
import { FigureInput } from '../../components/form/FigureInput.tsx';
import { textLimits } from '../../components/limits.ts';
import { partOptions } from '../kit/partNames.ts';

interface ViewFormProps {
  view: LiveryView;
  kit: Kit;
  onSave: (change: Partial<LiveryView>) => void;
  onMirror: () => void;
  onRemove: () => void;
}

/** What a view shows, and what lies under all of its areas. */
export const ViewForm = ({ view, kit, onSave, onMirror, onRemove }: ViewFormProps) => (
  <div className="panel">
    <h3>The view</h3>
    <div className="fieldgrid">
      <Select
        size="xs"
        label="Finish under all areas"
        placeholder="that of the part"
        clearable
        data={kit.finishes.map(({ id, name }) => ({ value: id, label: name }))}
        value={view.finishId}
        onChange={(finishId) => onSave({ finishId })}
      />
      <Select
        size="xs"
        label="The part that it shows"
        placeholder="none in particular"
        clearable
        searchable
        data={partOptions(kit)}
        value={view.partId}
        onChange={(partId) => onSave({ partId })}
      />
      <FigureInput
        label="Surface per area seen"
        description="1 is flat; a rounded side 1.1 to 1.3"
        inputWrapperOrder={['label', 'input', 'description']}
        step={0.05}
        field={viewRecord.fields.slope}
        value={view.slope}
        onSave={(slope) => onSave({ slope })}
      />
    </div>
    <Textarea
      size="xs"
      label="Outline, mm, as SVG writes a path"
      key={view.outline}
      defaultValue={view.outline}
      autosize
      maxRows={4}
      {...textLimits(viewRecord.fields.outline)}
      onBlur={({ currentTarget: { value } }) =>
        value.trim() !== view.outline && onSave({ outline: value.trim() })
      }
    />
    <div className="toolrow mt8">
      <Button size="xs" onClick={onMirror}>
        Make the other side
      </Button>
      <Button size="xs" onClick={onRemove}>
        Remove this view
      </Button>
    </div>
  </div>
);
