import { Button, TextInput } from '@mantine/core';
import { useState, type ReactNode } from 'react';
import { partRecord, type Field } from '../../../core/kit/index.ts';
import { textLimits } from '../../components/limits.ts';

interface AddByNameProps {
  /** What the field is for, to the ear; shown above it where the form is a large one. */
  label: string;
  placeholder: string;
  button: string;
  /** What the name is stored in. */
  field?: Field<string>;
  large?: boolean;
  /** Fields that go with the name. */
  children?: ReactNode;
  onAdd: (name: string) => void;
}

/** One line that adds something by its name; an empty name adds nothing. */
export function AddByName({
  label,
  placeholder,
  button,
  field = partRecord.fields.name,
  large = false,
  children,
  onAdd,
}: AddByNameProps) {
  const [name, setName] = useState('');
  return (
    <form
      className="toolrow"
      style={large ? undefined : { marginTop: 8 }}
      onSubmit={(event) => {
        event.preventDefault();
        if (name.trim() === '') return;
        onAdd(name.trim());
        setName('');
      }}
    >
      <TextInput
        className="grow"
        size={large ? 'sm' : 'xs'}
        {...(large ? { label } : { 'aria-label': label })}
        placeholder={placeholder}
        value={name}
        {...textLimits(field)}
        onChange={(event) => setName(event.currentTarget.value)}
      />
      {children}
      <Button type="submit" style={large ? { alignSelf: 'end' } : { padding: '3px 10px' }}>
        {button}
      </Button>
    </form>
  );
}
