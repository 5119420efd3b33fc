import { useState } from 'react';
import { LONGEST_FILE } from '../../../core/formats/index.ts';
import { useTask } from '../../data/useTask.ts';
import type { ColourFileWorker } from '../../workers/colourFileWorker.ts';
import type { ColourFile, ReadOptions } from '../../workers/readColourFile.ts';

interface Asked {
  source: string;
  options: ReadOptions;
}

/** A file of colours, read in a worker: once as it is, and again with whatever the builder says of it. */
export function useColourFile() {
  const [name, setName] = useState('');
  const [asked, setAsked] = useState<Asked>();
  const [unopened, setUnopened] = useState('');
  const { state, newest } = useTask<ColourFileWorker, { source: string; file: ColourFile }>({
    question: asked,
    worker: () =>
      new Worker(new URL('../../workers/colourFileWorker.ts', import.meta.url), { type: 'module' }),
    work: async (remote) => {
      const { source, options } = asked!;
      return { source, file: await remote.read(source, options) };
    },
  });
  const open = async (chosen: File) => {
    setAsked(undefined);
    setUnopened('');
    setName(chosen.name);
    if (chosen.size > LONGEST_FILE) {
      setUnopened(
        `${chosen.name} has ${Math.round(chosen.size / 1e6)} MB; colour files of up to ${LONGEST_FILE / 1e6} MB are read. Nothing was opened. Take the colours you need into a smaller file.`,
      );
      return;
    }
    try {
      setAsked({ source: await chosen.text(), options: {} });
    } catch (error) {
      setUnopened(`${chosen.name} cannot be read: ${(error as Error).message}`);
    }
  };
  return {
    name,
    open,
    /** As it was read last; the reading before stays in sight while another is made of the same file. */
    file: state.kind !== 'failed' && newest?.source === asked?.source ? newest?.file : undefined,
    options: asked?.options ?? {},
    /** Reads it again with something said of it. */
    say: (change: ReadOptions) =>
      setAsked((before) => before && { ...before, options: { ...before.options, ...change } }),
    problem: unopened || (state.kind === 'failed' ? state.message : ''),
  };
}
