import { figure } from '../../../core/figures.ts';

/** How much is seen, 0..1, with its error where that is told; in words and round figures where a place is only guessed: no
 *  digit is true there. */
export function shareText(share: number, guessed: boolean, error?: number): string {
  if (!guessed) {
    const doubt = error === undefined ? '' : ` ± ${figure(100 * Math.max(error, 0.005), '%', 1)}`;
    return `${figure(100 * share, '%')}${doubt}`;
  }
  return share < 0.03 ? 'next to nothing' : `about ${figure(Math.max(5, 5 * Math.round(20 * share)), '%')}`;
}
