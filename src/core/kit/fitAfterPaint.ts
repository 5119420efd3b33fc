import type { DryFit, FitFeel, Joint } from './kit.ts';

/** Gap that a felt fit stands for, mm: least, likely, most. Working values for styrene parts. */
export const FELT_CLEARANCE: Readonly<Record<FitFeel, readonly [number, number, number]>> = {
  free: [0.15, 0.3, 0.5],
  snug: [0.05, 0.1, 0.15],
  tight: [0, 0.03, 0.06],
  forced: [-0.1, -0.04, 0],
};

export interface FitForecast {
  /** Gap left after paint, mm: least, likely, most. */
  leftMm: [number, number, number];
  verdict: 'goes' | 'snug' | 'tight' | 'will not go';
  /** Film to take off the two faces so that it goes snugly, um; 0 where none. */
  scrapeUm: number;
  words: string;
}

const SNUG_MM = 0.1;
const TIGHT_MM = 0.03;

/** Clearance of a joint as last fitted bare: measured, felt, or as the joint says; undefined where nobody knows. */
export function bareClearance(joint: Joint, fits: readonly DryFit[]): [number, number, number] | undefined {
  const last = fits.findLast(({ jointId, stage }) => jointId === joint.id && stage === 'bare');
  const measured = last?.clearanceMm ?? (last ? null : joint.clearanceMm);
  if (measured !== null) return [measured - 0.02, measured, measured + 0.02];
  return last ? [...FELT_CLEARANCE[last.feel]] : undefined;
}

/** How a joint fits when both faces carry film (um each, on the faces that meet): clearance minus film. */
export function fitAfterPaint(
  clearanceMm: readonly [number, number, number],
  filmUm: readonly [number, number],
): FitForecast {
  const film = (filmUm[0] + filmUm[1]) / 1000;
  const leftMm = clearanceMm.map((gap) => Math.round((gap - film) * 1000) / 1000) as [number, number, number];
  const likely = leftMm[1];
  const verdict =
    likely >= SNUG_MM ? 'goes' : likely >= TIGHT_MM ? 'snug' : likely >= 0 ? 'tight' : 'will not go';
  const scrapeUm =
    likely >= TIGHT_MM ? 0 : Math.min(Math.round((TIGHT_MM - likely) * 1000), Math.round(film * 1000));
  const words =
    verdict === 'goes'
      ? 'Goes together after paint.'
      : verdict === 'snug'
        ? 'Snug after paint: try it before glue.'
        : `${verdict === 'tight' ? 'Tight' : 'Will not go'} after paint: mask the faces, or scrape ${scrapeUm} µm off them.`;
  return { leftMm, verdict, scrapeUm, words };
}
