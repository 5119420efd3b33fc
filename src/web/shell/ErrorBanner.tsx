import { Button } from '@mantine/core';
import { setRefusal, useRefusal } from '../data/saving.ts';

/** What the server would not take, whole, until the builder has read it. */
export function ErrorBanner() {
  const refusal = useRefusal();
  if (!refusal) return null;
  return (
    <div role="alert" className="refusal">
      <p>
        <b>{refusal.title}:</b> {refusal.detail} {refusal.remedy}
      </p>
      <Button onClick={() => setRefusal(null)}>understood</Button>
    </div>
  );
}
