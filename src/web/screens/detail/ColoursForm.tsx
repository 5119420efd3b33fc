import { Button } from '@mantine/core';
import { useState } from 'react';
import { ColourField } from '../../components/ColourField.tsx';

interface ColoursFormProps<K extends string> {
  record: Readonly<Record<K, string>>;
  /** Fields that hold a colour, with their words. */
  colours: readonly (readonly [K, string])[];
  onChange: (part: Record<K, string>) => void;
}

/** Colours of a record, kept together once they are typed. */
export const ColoursForm = <K extends string>(props: ColoursFormProps<K>) => (
  // What is kept elsewhere, or undone, replaces what stands here.
  <Typed key={props.colours.map(([key]) => props.record[key]).join('|')} {...props} />
);

function Typed<K extends string>({ record, colours, onChange }: ColoursFormProps<K>) {
  const [typed, setTyped] = useState(
    () => Object.fromEntries(colours.map(([key]) => [key, record[key]])) as Record<K, string>,
  );
  const isSame = colours.every(([key]) => typed[key].trim() === record[key]);
  return (
    <form
      className="stacked g8"
      onSubmit={(event) => {
        event.preventDefault();
        onChange(Object.fromEntries(colours.map(([key]) => [key, typed[key].trim()])) as Record<K, string>);
      }}
    >
      {colours.map(([key, label]) => (
        <ColourField
          key={key}
          label={label}
          value={typed[key]}
          onChange={(value) => setTyped({ ...typed, [key]: value })}
        />
      ))}
      <Button type="submit" variant="default" size="xs" disabled={isSame}>
        {colours.length > 1 ? 'Keep the colours' : 'Keep the colour'}
      </Button>
    </form>
  );
}
