import { Button, NumberInput, Select, TextInput } from '@mantine/core';
import { useState } from 'react';
import { KIT_ITEMS } from '../../../api/index.ts';
import { viewRecord, viewSize, VIEW_SIDES, type Kit } from '../../../core/kit/index.ts';
import {
  STARTING_OUTLINES,
  startingOutline,
  stretched,
  type StartingOutlineId,
  type ViewSource,
} from '../../../core/livery/index.ts';
import { useRecordForm } from '../../components/form/useRecordForm.tsx';
import { numberLimits } from '../../components/limits.ts';
import { changeKit } from '../../data/kit.ts';
import { newId } from '../../data/newId.ts';
import { partOptions } from '../kit/partNames.ts';
import { TracePicture } from './TracePicture.tsx';
import { OpenDrawing } from './OpenDrawing.tsx';

const IDS = Object.keys(STARTING_OUTLINES) as StartingOutlineId[];
const DRAWN = 'drawn';

interface NewViewProps {
  buildId: string;
  kit: Kit;
  scale: number;
  onAdded: (viewId: string) => void;
}

/** A view begun from a plain outline, or from a drawing, and brought to the length and height of this model. */
export function NewView({ scale, ...props }: NewViewProps) {
  const [outlineId, setOutlineId] = useState<StartingOutlineId>('coupe');
  const [drawn, setDrawn] = useState<ViewSource>();
  const plain = startingOutline(outlineId);
  const onModel = (mm: number) => Math.round((10 * mm) / scale) / 10;
  return (
    <div className="panel">
      <h3>Another view</h3>
      <Select
        size="xs"
        label="Begin with"
        allowDeselect={false}
        data={[
          ...(drawn ? [{ value: DRAWN, label: drawn.name }] : []),
          ...IDS.map((value) => ({ value, label: STARTING_OUTLINES[value].name })),
        ]}
        value={drawn ? DRAWN : outlineId}
        onChange={(value) => {
          if (value === DRAWN) return;
          setDrawn(undefined);
          setOutlineId(value as StartingOutlineId);
        }}
      />
      <OpenDrawing onDrawn={setDrawn} />
      <TracePicture onDrawn={setDrawn} />
      <ViewFields
        key={drawn ? `${drawn.name} ${drawn.outline}` : outlineId}
        source={drawn ?? plain}
        start={
          drawn
            ? { length: drawn.box.width, height: drawn.box.height }
            : { length: onModel(plain.realMm.length), height: onModel(plain.realMm.height) }
        }
        {...props}
      />
    </div>
  );
}

interface ViewFieldsProps extends Omit<NewViewProps, 'scale'> {
  source: ViewSource;
  /** mm on the model. */
  start: { length: number; height: number };
}

function ViewFields({ buildId, kit, source, start, onAdded }: ViewFieldsProps) {
  const [size, setSize] = useState<{ length: number | string; height: number | string }>(start);
  const { text, pick, problem, submit } = useRecordForm(viewRecord.fields, KIT_ITEMS.view, {
    start: { side: source.sides[0]! },
    prepare: ({ name, ...view }) => ({ ...view, name: name || source.name.split(',')[0]! }),
  });
  const sizeInput = (key: 'length' | 'height') => ({
    size: 'xs' as const,
    value: size[key],
    decimalScale: 1,
    ...numberLimits(viewSize),
    onChange: (value: number | string) => setSize({ ...size, [key]: value }),
  });
  return (
    <form
      onSubmit={submit(
        (value) => {
          const id = newId(buildId);
          const shape = stretched(source, Number(size.length), Number(size.height), value.side);
          return changeKit(
            buildId,
            [{ kind: 'view', id, value: { ...value, ...shape, id } }],
            `view ${value.name}`,
          ).then(() => onAdded(id));
        },
        ['name'],
      )}
    >
      <div className="fieldgrid">
        <NumberInput label="Length, mm" {...sizeInput('length')} />
        <NumberInput label="Height, mm" {...sizeInput('height')} />
      </div>
      <Select
        size="xs"
        label="Seen from"
        allowDeselect={false}
        data={VIEW_SIDES.map((value) => ({ value, label: value.replace('-', ', ') }))}
        {...pick('side')}
      />
      <Select
        size="xs"
        label="The part that it shows"
        placeholder="none in particular"
        clearable
        searchable
        data={partOptions(kit)}
        {...pick('partId')}
      />
      <TextInput size="xs" label="Called" placeholder={source.name.split(',')[0]} {...text('name')} />
      {problem}
      <Button type="submit" mt={8}>
        Add the view
      </Button>
    </form>
  );
}
