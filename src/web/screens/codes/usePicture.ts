import { wrap, type Remote } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { PhotographColour } from '../../../core/colour/index.ts';
import type { PictureQuestion, PictureWorker } from '../../workers/pictureWorker.ts';

const LARGEST_MB = 60;

type Reading = { key: string; colours?: PhotographColour[]; problem?: string };

/** A picture opened in a worker, and the colours of what is marked in it. */
export function usePicture(question: PictureQuestion) {
  const [picture, setPicture] = useState<{ url: string; name: string }>();
  const [problem, setProblem] = useState<string>();
  const [reading, setReading] = useState<Reading>();
  const thread = useRef<{ worker: Worker; remote: Remote<PictureWorker> }>(undefined);
  const key = picture ? `${picture.url} ${JSON.stringify(question)}` : '';

  useEffect(
    () => () => {
      thread.current?.worker.terminate();
      thread.current = undefined;
    },
    [],
  );
  const shown = useRef<string>(undefined);
  useEffect(
    () => () => {
      if (shown.current) URL.revokeObjectURL(shown.current);
    },
    [],
  );
  const remote = useCallback(() => {
    if (!thread.current) {
      const worker = new Worker(new URL('../../workers/pictureWorker.ts', import.meta.url), {
        type: 'module',
      });
      thread.current = { worker, remote: wrap<PictureWorker>(worker) };
    }
    return thread.current.remote;
  }, []);

  useEffect(() => {
    if (key === '') return;
    let current = true;
    const { patches, cards } = JSON.parse(key.slice(key.indexOf(' ') + 1)) as PictureQuestion;
    if (patches.length + cards.length === 0) return;
    remote()
      .colours({ patches, cards })
      .then((colours) => current && setReading({ key, colours }))
      .catch((error: unknown) => current && setReading({ key, problem: (error as Error).message }));
    return () => {
      current = false;
    };
  }, [key, remote]);

  const open = useCallback(
    async (file: File) => {
      setProblem(undefined);
      if (file.size > LARGEST_MB * 2 ** 20) {
        setProblem(
          `${file.name} has ${Math.round(file.size / 2 ** 20)} MB; at most ${LARGEST_MB} are read. Save it smaller and give it again.`,
        );
        return;
      }
      try {
        await remote().open(file);
        if (shown.current) URL.revokeObjectURL(shown.current);
        shown.current = URL.createObjectURL(file);
        setPicture({ url: shown.current, name: file.name });
      } catch (error) {
        setProblem(`${file.name}: ${(error as Error).message}`);
      }
    },
    [remote],
  );
  const now = reading?.key === key ? reading : undefined;
  return { picture, open, problem: problem ?? now?.problem, colours: now?.colours };
}
