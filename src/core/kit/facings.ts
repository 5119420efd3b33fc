import { figure } from '../figures.ts';
import type { Facing } from './records/index.ts';

export const FACE_WORDS: Readonly<Record<Facing['faces'], string>> = {
  front: 'the front',
  rear: 'the rear',
  left: 'the left',
  right: 'the right',
  up: 'up',
  down: 'down',
};

export const MARK_WORDS: Readonly<Record<Facing['mark'], string>> = {
  none: 'no mark',
  notch: 'a notch',
  dot: 'a dot',
  arrow: 'an arrow',
  letter: 'a letter',
  holes: 'holes',
  pin: 'a pin',
};

export const TRIM_WORDS: Readonly<Record<Facing['trim'], string>> = {
  nothing: 'nothing',
  'cut-pin': 'cut off its pin',
  'file-bar': 'file its bar down',
  'file-hole': 'file its hole longer',
  bend: 'bend its bracket',
};

/** "the thick flange faces the front; 3 holes on that side". */
export function facingWords({ what, faces, mark, holes }: Facing): string {
  const told = [
    mark !== 'none' && mark !== 'holes' ? `told by ${MARK_WORDS[mark]}` : '',
    holes === null ? '' : `${holes} ${holes === 1 ? 'hole' : 'holes'} on that side`,
  ];
  return [`${what} faces ${FACE_WORDS[faces]}`, ...told].filter((words) => words !== '').join('; ');
}

/** What sits otherwise than its pins would have it, and what is done about it; '' where it sits as it comes. */
export function offsetWords({ aheadMm, turnedDeg, trim }: Facing): string {
  const way = (value: number, more: string, less: string) => (value > 0 ? more : less);
  return [
    aheadMm
      ? `it sits ${figure(Math.abs(aheadMm), 'mm', 1)} ${way(aheadMm, 'ahead of', 'behind')} its pins`
      : '',
    turnedDeg ? `it is turned ${Math.abs(turnedDeg)}° ${way(turnedDeg, 'to the left', 'to the right')}` : '',
    trim === 'nothing' ? '' : `first ${TRIM_WORDS[trim]}`,
  ]
    .filter((words) => words !== '')
    .join('; ');
}
