import { Button, Checkbox, Group, SimpleGrid, TagsInput } from '@mantine/core';
import { useState } from 'react';
import {
  drillField,
  initialOf,
  onPanelFields,
  PANEL_ART,
  panelRecord,
  type InstrumentPanel,
  type Kit,
  type OnPanel,
} from '../../../../core/kit/index.ts';
import { ChoiceSelect } from '../../../components/form/ChoiceSelect.tsx';
import { listLimit, numberLimits } from '../../../components/limits.ts';
import type { DetailTools } from '../DetailList.tsx';
import { OpenFigure } from '../OpenFigure.tsx';
import { WordsInput } from '../WordsInput.tsx';
import { RecordCard } from '../RecordCard.tsx';
import { OnPanelCard } from './OnPanelCard.tsx';

const { fields } = panelRecord;

interface PanelCardProps extends DetailTools<InstrumentPanel> {
  panel: InstrumentPanel;
  kit: Kit;
}

/** What is known of a panel: its face, what the kit gives for it, and everything on it. */
export function PanelCard({ panel, kit, onChange, onRemove }: PanelCardProps) {
  const put = (at: number, part: Partial<OnPanel>) =>
    onChange({ on: panel.on.map((each, place) => (place === at ? { ...each, ...part } : each)) });
  return (
    <RecordCard
      record={panel}
      fields={fields}
      kit={kit}
      partLabel="Sits on"
      figures={[
        ['widthMm', 'Face, width, mm'],
        ['heightMm', 'Face, height, mm'],
        ['cornerMm', 'Corners, radius, mm'],
        ['gaugeMm', 'Sheet of an overlay, mm'],
        ['lensMm', 'Lenses stand, mm'],
      ]}
      onChange={onChange}
      onRemove={onRemove}
      after={
        <>
          {panel.on.map((each, at) => (
            <OnPanelCard
              key={at}
              each={each}
              place={at + 1}
              printed={panel.art === 'kit-decal'}
              onChange={(part) => put(at, part)}
              onRemove={() => onChange({ on: panel.on.filter((_, other) => other !== at) })}
            />
          ))}
          <Button
            size="xs"
            variant="default"
            mt={8}
            disabled={panel.on.length >= listLimit(fields.on)}
            onClick={() =>
              onChange({
                on: [
                  ...panel.on,
                  // Beside the last one, so that two never lie on each other at once.
                  {
                    ...initialOf(onPanelFields),
                    ...panel.on.at(-1),
                    name: `dial ${panel.on.length + 1}`,
                    xMm: Math.min(panel.widthMm, (panel.on.at(-1)?.xMm ?? 0) + 5),
                  },
                ],
              })
            }
          >
            Add something on it
          </Button>
        </>
      }
    >
      <GivenFor panel={panel} onChange={onChange} />
    </RecordCard>
  );
}

/** What the kit gives for it, the room there is, and the drills. */
function GivenFor({ panel, onChange }: Pick<PanelCardProps, 'panel' | 'onChange'>) {
  return (
    <>
      <Group gap="md" mt={8}>
        <Checkbox
          size="xs"
          label="Its dials are moulded"
          checked={panel.relief}
          onChange={({ currentTarget: { checked } }) => onChange({ relief: checked })}
        />
        <Checkbox
          size="xs"
          label="There is an etched frame"
          checked={panel.etched}
          onChange={({ currentTarget: { checked } }) => onChange({ etched: checked })}
        />
      </Group>
      <SimpleGrid cols={{ base: 2, sm: 3 }} spacing="xs" mt={6}>
        <ChoiceSelect
          label="Its artwork"
          values={PANEL_ART}
          words={{ own: 'drawn here', 'kit-decal': 'the kit’s decal' }}
          value={panel.art}
          onSave={(art) => onChange({ art })}
        />
        <OpenFigure
          label="Recess, width, mm"
          placeholder="not measured"
          field={fields.recessWidthMm}
          value={panel.recessWidthMm}
          onSave={(recessWidthMm) => onChange({ recessWidthMm })}
        />
        <OpenFigure
          label="Recess, height, mm"
          placeholder="not measured"
          field={fields.recessHeightMm}
          value={panel.recessHeightMm}
          onSave={(recessHeightMm) => onChange({ recessHeightMm })}
        />
        {panel.art === 'kit-decal' && (
          <>
            <OpenFigure
              label="Decal, width, mm"
              placeholder="not measured"
              field={fields.decalWidthMm}
              value={panel.decalWidthMm}
              onSave={(decalWidthMm) => onChange({ decalWidthMm })}
            />
            <OpenFigure
              label="Decal, height, mm"
              placeholder="not measured"
              field={fields.decalHeightMm}
              value={panel.decalHeightMm}
              onSave={(decalHeightMm) => onChange({ decalHeightMm })}
            />
          </>
        )}
      </SimpleGrid>
      <OwnDrills drills={panel.drills} onSave={(drills) => onChange({ drills })} />
      <WordsInput label="Note" field={fields.note} value={panel.note} onSave={(note) => onChange({ note })} />
    </>
  );
}

const drillLimits = numberLimits(drillField);

/** The drills there are; what is no size stays out and is said. */
function OwnDrills({ drills, onSave }: { drills: readonly number[]; onSave: (drills: number[]) => void }) {
  const [problem, setProblem] = useState<string>();
  return (
    <TagsInput
      size="xs"
      label="Drills there are, mm"
      description="none listed: every usual size"
      placeholder="0.5"
      error={problem}
      maxTags={listLimit(fields.drills)}
      value={drills.map(String)}
      onChange={(typed) => {
        const sizes = typed.map((each) => Number(each.replace(',', '.')));
        const { min = 0, max = Infinity } = drillLimits;
        const isSize = (mm: number) => mm >= min && mm <= max;
        const strange = typed.filter((_, at) => !isSize(sizes[at]!));
        setProblem(
          strange.length > 0
            ? `“${strange[0]}” is no drill: give ${min} to ${max} mm. The others are kept.`
            : undefined,
        );
        onSave([...new Set(sizes.filter(isSize))].sort((p, q) => p - q));
      }}
    />
  );
}
