import { Button, Group, Select } from '@mantine/core';
import { useState } from 'react';
import type { Kit } from '../../../core/kit/index.ts';
import { partOptions } from '../kit/partNames.ts';

interface AddForProps {
  kit: Kit;
  label: string;
  /** On its button. */
  action?: string;
  onAdd: (partId: string) => void;
}

/** Adds a record that belongs to a part: the part is picked first. */
export function AddFor({ kit, label, action = 'Add it', onAdd }: AddForProps) {
  const [partId, setPartId] = useState<string | null>(null);
  return (
    <Group gap="xs" align="end">
      <Select
        size="xs"
        label={label}
        searchable
        limit={80}
        data={partOptions(kit)}
        value={partId}
        onChange={setPartId}
      />
      <Button
        size="xs"
        variant="default"
        disabled={partId === null}
        onClick={() => {
          onAdd(partId!);
          setPartId(null);
        }}
      >
        {action}
      </Button>
    </Group>
  );
}
