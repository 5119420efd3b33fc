import { clipStrip, drillFor, sleeveFor } from '../../detail/index.ts';
import { figure } from '../../figures.ts';
import type { Run, RunEnd } from '../../kit/index.ts';

/** A clip of foil: as thick as kitchen foil, and so much lap, mm. */
const CLIP = { foilMm: 0.02, lapMm: 0.8 };
/** Banjo fittings are so many times as wide as their pipe. */
const BANJO_TIMES = 2.5;

/** A bleed nipple in diameters of its pipe. */
const BLEED = { longTimes: 3, wideTimes: 1.2 };

/** How an end is made, for wire or hose of so many mm; undefined where there is nothing to make. */
export function endLine(end: RunEnd, wireMm: number): string | undefined {
  switch (end) {
    case 'plain':
      return undefined;
    case 'bleed':
      return `bleed fitting: ${figure(BLEED.longTimes * wireMm, 'mm', 1)} of rod ${figure(BLEED.wideTimes * wireMm, 'mm')} thick beside it, its tip a turn of wire`;
    case 'unseen':
      return 'no hole: 3 mm more, glued where nobody sees it';
    case 'clip':
      return `clip: a strip of foil ${figure(clipStrip({ hoseMm: wireMm, ...CLIP }), 'mm', 1)} long, its lap to the side that nobody sees`;
    case 'boot': {
      const sleeve = sleeveFor(wireMm);
      if (!sleeve) return 'boot: a ring of thick paint, since no shrink tube is so wide';
      return sleeve.grips
        ? `boot: shrink tube of ${figure(sleeve.boreMm, 'mm', 1)} bore, it comes down to ${figure(sleeve.shrunkMm, 'mm', 1)} and grips`
        : `boot: shrink tube of ${figure(sleeve.boreMm, 'mm', 1)} bore stays loose at ${figure(sleeve.shrunkMm, 'mm', 1)}: pull it thinner warm, or glue it`;
    }
    case 'banjo':
      return `banjo: a punched disc of ${figure(BANJO_TIMES * wireMm, 'mm', 1)}, drilled from its edge`;
    case 'plug': {
      const drillMm = drillFor(wireMm + 0.05);
      return `connector: a stub of rod, drilled from both sides${drillMm === undefined ? '' : ` with ${figure(drillMm, 'mm')}`}`;
    }
  }
}

/** How both ends of a run are made, each way once. */
export function endLines(
  { fromEnd = 'plain', toEnd = 'plain' }: Pick<Run, 'fromEnd' | 'toEnd'>,
  wireMm: number,
): string[] {
  const [from, to] = [endLine(fromEnd, wireMm), endLine(toEnd, wireMm)];
  if (from !== undefined && from === to) return [`both ends, ${from}`];
  return [
    ...(from === undefined ? [] : [`where it begins, ${from}`]),
    ...(to === undefined ? [] : [`where it ends, ${to}`]),
  ];
}
