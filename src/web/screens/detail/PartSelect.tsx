import { Select } from '@mantine/core';
import type { Kit } from '../../../core/kit/index.ts';
import { partOptions } from '../kit/partNames.ts';

interface PartSelectProps {
  label: string;
  kit: Kit;
  value: string | null;
  onChange: (partId: string | null) => void;
  /** What none means. */
  placeholder?: string;
}

/** A part of the kit; none for what the plan does not follow yet. */
export const PartSelect = ({
  label,
  kit,
  value,
  onChange,
  placeholder = 'none: not in the plan yet',
}: PartSelectProps) => (
  <Select
    size="xs"
    label={label}
    searchable
    clearable
    limit={80}
    placeholder={placeholder}
    data={partOptions(kit)}
    value={value}
    onChange={onChange}
  />
);
