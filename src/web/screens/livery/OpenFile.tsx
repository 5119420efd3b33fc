import { Button, FileButton, type ButtonProps } from '@mantine/core';
import { useState, type ReactNode } from 'react';

interface OpenFileProps extends ButtonProps {
  accept: string;
  children: ReactNode;
  /** What is to be known of it, in words; what it throws is told as well. */
  onOpen: (file: File) => Promise<readonly string[]>;
}

/** A button that takes a file, and what came of it. */
export function OpenFile({ accept, children, onOpen, ...button }: OpenFileProps) {
  const [told, setTold] = useState<readonly string[]>([]);
  return (
    <>
      <FileButton
        accept={accept}
        onChange={(file) =>
          file &&
          void onOpen(file).then(setTold, (failure: unknown) =>
            setTold([`${file.name} was not opened, and nothing was changed. ${(failure as Error).message}`]),
          )
        }
      >
        {(props) => (
          <Button {...button} {...props}>
            {children}
          </Button>
        )}
      </FileButton>
      {told.map((words) => (
        <p key={words} className="small" role="status">
          {words}
        </p>
      ))}
    </>
  );
}
