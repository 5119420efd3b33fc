import { Button } from '@mantine/core';
import { lazy, Suspense, useState } from 'react';
import { usePlan } from '../../../data/plan.tsx';
import type { InPicturesProps } from './InPictures.tsx';

const InPictures = lazy(async () => ({ default: (await import('./InPictures.tsx')).InPictures }));

/** Opens the pictures of what is looked at. */
export function LookInPictures(props: Omit<InPicturesProps, 'view' | 'onClose'>) {
  const { view } = usePlan();
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button size="xs" variant="default" disabled={!view} onClick={() => setOpen(true)}>
        Look at it in pictures
      </Button>
      {open && view && (
        <Suspense>
          <InPictures {...props} view={view} onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  );
}
