import { Alert, Button } from '@mantine/core';

interface NoticeProps {
  text: string;
  onUnderstood: () => void;
}

/** Something that the builder should know of a record once; nothing where there is nothing to say. */
export function Notice({ text, onUnderstood }: NoticeProps) {
  if (text === '') return null;
  return (
    <Alert color="gray" variant="outline" p="xs" my={6} role="note">
      <p className="small m0">{text}</p>
      <Button variant="default" size="compact-xs" mt={6} onClick={onUnderstood}>
        understood
      </Button>
    </Alert>
  );
}
