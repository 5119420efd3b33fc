import { NativeSelect, NumberInput } from '@mantine/core';
import { GEOMETRIES, GEOMETRY_NAMES, type MeasuringGeometry } from '../../core/colour/index.ts';

/** How a colour was measured, and the gloss of what was measured where it is known. */
export interface Measured {
  geometry: MeasuringGeometry;
  gloss: number | null;
}

interface MeasuredFieldsProps {
  measured: Measured;
  onChange: (measured: Measured) => void;
}

/** Asks for geometry and gloss of a measured colour. */
export function MeasuredFields({ measured, onChange }: MeasuredFieldsProps) {
  return (
    <div style={{ display: 'grid', gridTemplateColumns: '2fr 1fr', gap: 8 }}>
      <NativeSelect
        label="Measured"
        description="with the shine, a black reads as L 24"
        data={GEOMETRIES.map((value) => ({ value, label: GEOMETRY_NAMES[value] }))}
        value={measured.geometry}
        onChange={({ currentTarget: { value } }) =>
          onChange({ ...measured, geometry: value as MeasuringGeometry })
        }
      />
      <NumberInput
        label="Gloss, GU"
        description="at 60°, if measured"
        min={0}
        max={100}
        value={measured.gloss ?? ''}
        onChange={(value) => onChange({ ...measured, gloss: typeof value === 'number' ? value : null })}
      />
    </div>
  );
}
