import { UnstyledButton } from '@mantine/core';
/** A small cross that takes something out of a list; its name says what. */
export function RemoveButton({ name, onRemove }: { name: string; onRemove: () => void }) {
  return (
    <UnstyledButton className="plain" aria-label={name} onClick={onRemove}>
      ✕
    </UnstyledButton>
  );
}
