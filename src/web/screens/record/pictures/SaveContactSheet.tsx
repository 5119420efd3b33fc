import { Button } from '@mantine/core';
import { useState } from 'react';
import { PATHS, pathTo, type BuildRecord } from '../../../../api/index.ts';
import { contactSheet, type AlbumPicture } from '../../../../core/record/index.ts';
import { requestFile } from '../../../data/request.ts';
import { saveFile } from '../../../data/saveFile.ts';

interface SaveContactSheetProps {
  build: BuildRecord;
  album: readonly AlbumPicture[];
  groupOf: (picture: AlbumPicture) => string;
}

/** All pictures in small, on paper, grouped as they are shown. */
export function SaveContactSheet({ build, album, groupOf }: SaveContactSheetProps) {
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const save = async () => {
    setBusy(true);
    setProblem(null);
    try {
      const pdf = await requestFile(pathTo(PATHS.book, build.id), {
        title: build.name,
        blocks: contactSheet(build.name, album, groupOf),
      });
      saveFile(`pictures-${build.id}.pdf`, pdf, 'application/pdf');
    } catch (error) {
      setProblem((error as Error).message);
    } finally {
      setBusy(false);
    }
  };
  return (
    <>
      <Button variant="default" size="xs" mt={8} loading={busy} onClick={() => void save()}>
        Save a contact sheet as PDF
      </Button>
      {problem && <p role="alert">{problem}</p>}
    </>
  );
}
