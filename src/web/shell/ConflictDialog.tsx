import { Button, Group, Modal } from '@mantine/core';
import { useConflict } from '../data/conflict.ts';

/** Two tabs changed the same thing: the builder decides which to keep. */
export function ConflictDialog() {
  const conflict = useConflict();
  if (!conflict) return null;
  return (
    <Modal
      opened
      onClose={conflict.takeTheirs}
      title={`${conflict.what} was changed elsewhere`}
      withCloseButton={false}
      closeOnClickOutside={false}
      closeOnEscape={false}
    >
      <p>{conflict.detail}</p>
      <Group mt="md">
        <Button onClick={conflict.keepMine} data-autofocus>
          Keep mine
        </Button>
        <Button variant="default" onClick={conflict.takeTheirs}>
          Take theirs
        </Button>
      </Group>
    </Modal>
  );
}
