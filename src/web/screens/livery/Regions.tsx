import { Select } from '@mantine/core';
import { useState } from 'react';
import { regionFields, type Kit, type LiveryView, type ViewRegion } from '../../../core/kit/index.ts';
import { FigureInput } from '../../components/form/FigureInput.tsx';
import { newId } from '../../data/newId.ts';
import { partOptions } from '../kit/partNames.ts';
import { PathEntries } from './PathEntries.tsx';

interface RegionsProps {
  view: LiveryView;
  kit: Kit;
  onSave: (regions: ViewRegion[]) => void;
}

/** What of a view belongs to other parts, such as a door: a marking across its edge crosses a joint. */
export function Regions({ view, kit, onSave }: RegionsProps) {
  const { id: viewId, regions = [] } = view;
  const [partId, setPartId] = useState<string | null>(null);
  const name = (id: string) => kit.parts.find((part) => part.id === id)?.name ?? 'a part that is gone';
  return (
    <PathEntries
      title="Other parts on it"
      empty="None: all of it is one part. Doors and lids go here, so that what crosses their edge is known."
      entries={regions.map((region) => ({ id: region.id, name: name(region.partId) }))}
      placeholder="M60 8 H95 V30 H60 Z"
      act="It lies there"
      onAdd={(path) => {
        if (partId === null) return 'Say which part lies there.';
        onSave([...regions, { id: newId(viewId), partId, path }]);
        setPartId(null);
        return null;
      }}
      onRemove={(gone) => onSave(regions.filter(({ id }) => id !== gone))}
      actsOf={(id) => {
        const region = regions.find((each) => each.id === id);
        return (
          region && (
            <FigureInput
              label={`Slope of ${name(region.partId)}`}
              step={0.05}
              field={regionFields.slope}
              value={region.slope ?? view.slope}
              onSave={(slope) => onSave(regions.map((each) => (each.id === id ? { ...each, slope } : each)))}
            />
          )
        );
      }}
    >
      <Select
        size="xs"
        label="Another part"
        placeholder="door, lid…"
        searchable
        data={partOptions(kit)}
        value={partId}
        onChange={setPartId}
      />
    </PathEntries>
  );
}
