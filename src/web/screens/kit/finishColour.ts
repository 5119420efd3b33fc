import type { CodeRecord } from '../../../api/index.ts';
import { spectrumToDisplay } from '../../../core/colour/index.ts';
import type { KitFinish, Look } from '../../../core/kit/index.ts';

const LOOK_GREYS: Readonly<Record<Look, string>> = {
  polished: '#8c8c8c',
  gloss: '#8c8c8c',
  satin: '#7a7a7a',
  matt: '#6c6c6c',
  metal: '#b9b9b9',
  'chrome-ink': '#dcdcdc',
  plating: '#d2d2d2',
  clear: '#f4f4f4',
  bare: '#c4c4c4',
};

/** A finish as a dot: its code where it has one, black where its name says so, else the grey of its look. */
export function finishHex(finish: KitFinish | undefined, codes: readonly CodeRecord[]): string {
  if (!finish) return '#c4c4c4';
  const code = codes.find(({ id }) => id === finish.codeId);
  if (code) return spectrumToDisplay(code.spectrum).hex;
  return /black/i.test(finish.name) ? '#262626' : LOOK_GREYS[finish.look];
}
