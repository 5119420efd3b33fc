import { Select } from '@mantine/core';
import type { PlannedLayer } from '../../../core/kit/index.ts';

const ALL = 'all of it';

/** A layer laid on the areas of a finish; null for all of the body. Its share of the body, and the code that it should look
 *  like, are no longer known. */
export function onFinish(
  { finishId: _, share: __, codeId: ___, ...layer }: PlannedLayer,
  finishId: string | null,
): PlannedLayer {
  return finishId === null ? layer : { ...layer, finishId };
}

interface OnColourProps {
  layer: PlannedLayer;
  finishNames: Readonly<Record<string, string>>;
  /** Whether it can be changed now. */
  isOpen: boolean;
  onChange: (finishId: string | null) => void;
}

/** On which colour of the body a layer lies. */
export function OnColour({ layer: { finishId }, finishNames, isOpen, onChange }: OnColourProps) {
  const all = Object.entries(finishNames);
  if (isOpen && (all.length > 1 || finishId !== undefined)) {
    return (
      <Select
        size="xs"
        w={118}
        aria-label="Lies on the areas of"
        allowDeselect={false}
        data={[{ value: '', label: ALL }, ...all.map(([value, label]) => ({ value, label }))]}
        value={finishId ?? ''}
        onChange={(value) => onChange(value === '' ? null : value)}
      />
    );
  }
  if (finishId === undefined) return null;
  return (
    <span className="soft small block">
      on {(finishNames[finishId] ?? 'a colour that is gone').toLowerCase()}
    </span>
  );
}
