import { expose } from 'comlink';
import { readColourFile } from './readColourFile.ts';

const colourFileWorker = { read: readColourFile };
export type ColourFileWorker = typeof colourFileWorker;
expose(colourFileWorker);
