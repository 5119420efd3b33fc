import { Select, type SelectProps } from '@mantine/core';

interface ChoiceSelectProps<T extends string> extends Pick<
  SelectProps,
  'w' | 'mt' | 'disabled' | 'description'
> {
  label: string;
  values: readonly T[];
  /** How each is shown; absent where it says itself. */
  words?: Readonly<Record<T, string>>;
  value: T;
  onSave: (value: T) => void;
}

/** A choice of a record, saved once another is picked. */
export const ChoiceSelect = <T extends string>({
  values,
  words,
  value,
  onSave,
  ...more
}: ChoiceSelectProps<T>) => (
  <Select
    size="xs"
    allowDeselect={false}
    data={values.map((each) => ({ value: each, label: words?.[each] ?? each }))}
    value={value}
    onChange={(picked) => picked !== null && picked !== value && onSave(picked)}
    {...more}
  />
);
