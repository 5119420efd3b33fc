import { Button, type ButtonProps } from '@mantine/core';
import { useState } from 'react';
import { PATHS, pathTo, type BuildRecord } from '../../../api/index.ts';
import type { BookBlock } from '../../../core/record/index.ts';
import { requestFile } from '../../data/request.ts';
import { saveFile } from '../../data/saveFile.ts';

interface SavePdfProps extends ButtonProps {
  build: BuildRecord;
  /** Of the file, before the build's. */
  name: string;
  blocks: () => readonly BookBlock[];
  children: string;
}

/** Pages of a build laid out by the server and saved as PDF. */
export function SavePdf({ build, name, blocks, children, ...look }: SavePdfProps) {
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const save = async () => {
    setBusy(true);
    setProblem(null);
    try {
      const pdf = await requestFile(pathTo(PATHS.book, build.id), { title: build.name, blocks: blocks() });
      saveFile(`${name}-${build.id}.pdf`, pdf, 'application/pdf');
    } catch (error) {
      setProblem((error as Error).message);
    } finally {
      setBusy(false);
    }
  };
  return (
    <>
      <Button {...look} loading={busy} onClick={() => void save()}>
        {children}
      </Button>
      {problem && <p role="alert">{problem}</p>}
    </>
  );
}
