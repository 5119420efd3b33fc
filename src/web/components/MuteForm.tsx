import { Button, TextInput, UnstyledButton } from '@mantine/core';
import { useState } from 'react';

interface MuteFormProps {
  /** What is silenced. */
  about: string;
  /** What the button that opens it says, and the one that sends it. */
  offer: string;
  send: string;
  onMute: (note: string) => void;
}

/** A warning is silenced with a reason, never without. */
export function MuteForm({ about, offer, send, onMute }: MuteFormProps) {
  const [open, setOpen] = useState(false);
  const [note, setNote] = useState('');
  if (!open) {
    return (
      <UnstyledButton className="why small" onClick={() => setOpen(true)}>
        {offer}…
      </UnstyledButton>
    );
  }
  return (
    <form
      className="muteform"
      onSubmit={(event) => {
        event.preventDefault();
        if (note.trim()) onMute(note.trim());
      }}
    >
      <TextInput
        autoFocus
        aria-label={`Why “${about}” does not matter here`}
        placeholder="why it does not matter here"
        maxLength={300}
        value={note}
        onChange={(event) => setNote(event.currentTarget.value)}
      />
      <Button type="submit" disabled={note.trim() === ''}>
        {send}
      </Button>
    </form>
  );
}
