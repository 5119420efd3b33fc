import { Button, Group } from '@mantine/core';
import { guideFields, harnessRecord, type Harness } from '../../../core/kit/index.ts';
import { listLimit } from '../../components/limits.ts';
import { FigureInput } from '../../components/form/FigureInput.tsx';
import { RemoveButton } from '../../components/RemoveButton.tsx';
import { NumbersInput } from './NumbersInput.tsx';

const AXES = [
  ['x', 'forward, mm'],
  ['y', 'to the left, mm'],
  ['z', 'up, mm'],
] as const;

/** Clips and looms that leads pass on their way. */
export function Guides({
  harness,
  onChange,
}: {
  harness: Harness;
  onChange: (part: Partial<Harness>) => void;
}) {
  const { guides } = harness;
  const put = (at: number, part: Partial<(typeof guides)[number]>) =>
    onChange({ guides: guides.map((guide, each) => (each === at ? { ...guide, ...part } : guide)) });
  return (
    <>
      <h3>Clips on the way</h3>
      {guides.map((guide, at) => (
        <Group key={at} gap="xs" align="end" wrap="wrap">
          {AXES.map(([axis, words]) => (
            <FigureInput
              key={axis}
              w={92}
              label={`Clip ${at + 1}, ${words}`}
              field={guideFields[axis]}
              value={guide[axis]}
              onSave={(value) => put(at, { [axis]: value })}
            />
          ))}
          <NumbersInput
            w={120}
            label="for cylinders"
            value={guide.cylinders}
            onSave={(cylinders) => put(at, { cylinders })}
          />
          <RemoveButton
            name={`Take out clip ${at + 1}`}
            onRemove={() => onChange({ guides: guides.filter((_, each) => each !== at) })}
          />
        </Group>
      ))}
      <Button
        size="xs"
        variant="default"
        mt={6}
        disabled={guides.length >= mostGuides}
        onClick={() => onChange({ guides: [...guides, { x: 0, y: 0, z: harness.z, cylinders: [] }] })}
      >
        Add a clip
      </Button>
    </>
  );
}

const mostGuides = listLimit(harnessRecord.fields.guides);
