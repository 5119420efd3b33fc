import { Button, FileButton, Modal } from '@mantine/core';
import { useEffect, useState } from 'react';
import type { ViewSource } from '../../../core/livery/index.ts';
import { Tracing } from './Tracing.tsx';

interface Shown {
  address: string;
  name: string;
  width: number;
  height: number;
}

/** More than any camera of an ordinary kind makes; a browser would choke on it. */
const MOST_PIXELS = 80e6;

/** The size of a picture, or that it is none. */
function opened(file: File): Promise<Shown> {
  const address = URL.createObjectURL(file);
  const image = new Image();
  return new Promise((resolve, reject) => {
    image.onload = () => {
      if (image.naturalWidth * image.naturalHeight > MOST_PIXELS) {
        URL.revokeObjectURL(address);
        reject(
          new Error(
            `${file.name} has ${image.naturalWidth} by ${image.naturalHeight} pixels. Take a smaller copy of it: up to ${MOST_PIXELS / 1e6} million are shown here.`,
          ),
        );
        return;
      }
      resolve({
        address,
        name: file.name.replace(/\.[^.]*$/, ''),
        width: image.naturalWidth,
        height: image.naturalHeight,
      });
    };
    image.onerror = () => {
      URL.revokeObjectURL(address);
      reject(new Error(`${file.name} is no picture that can be shown here. Take a PNG, JPEG or WebP.`));
    };
    image.src = address;
  });
}

/** A picture to begin a view with: it stays on this page, only what is traced over it is kept. */
export function TracePicture({ onDrawn }: { onDrawn: (drawn: ViewSource) => void }) {
  const [shown, setShown] = useState<Shown>();
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => () => shown && URL.revokeObjectURL(shown.address), [shown]);
  return (
    <>
      <FileButton
        accept="image/png,image/jpeg,image/webp"
        onChange={(file) => {
          if (!file) return;
          opened(file).then(
            (picture) => {
              setProblem(null);
              setShown(picture);
            },
            (failure: unknown) => setProblem((failure as Error).message),
          );
        }}
      >
        {(props) => (
          <Button mt={6} {...props}>
            Trace over a picture
          </Button>
        )}
      </FileButton>
      {problem && (
        <p role="alert" className="small">
          {problem}
        </p>
      )}
      {shown && (
        <Modal
          opened
          size="90vw"
          closeOnClickOutside={false}
          closeOnEscape={false}
          title={`Trace over ${shown.name}`}
          onClose={() => setShown(undefined)}
        >
          <Tracing
            picture={shown}
            onDone={(drawn) => {
              setShown(undefined);
              onDrawn(drawn);
            }}
          />
        </Modal>
      )}
    </>
  );
}
