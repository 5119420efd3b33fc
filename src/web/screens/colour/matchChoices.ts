import { figure } from '../../../core/figures.ts';
import type { CodeRecord } from '../../../api/index.ts';
import {
  lightenForScale,
  spectrumToLab,
  type IlluminantId,
  type Lab,
  type ObserverId,
  type ViewingCondition,
} from '../../../core/colour/index.ts';
import type { PaletteAim } from '../../../core/match/index.ts';

/** How answers are searched and judged. */
export interface MatchChoices {
  from: 'shelf' | 'shelf+1' | 'shelf+2' | 'all';
  maxPaints: number;
  maxDrops: number;
  /** What one part of a recipe is. */
  unit: 'drops' | 'tenths';
  /** What makes one answer better than another. */
  aim: PaletteAim;
  /** How near is near enough, dE00, where something else than nearness counts. */
  tolerance: number;
  /** The light in which an answer has to be nearest; worst: the worst of all lights that the model is shown in. */
  light: IlluminantId | 'worst';
  observer: ObserverId;
  /** Share of the veil for scale, 0 for none. */
  lightening: number;
}

export const USUAL: MatchChoices = {
  from: 'shelf',
  maxPaints: 3,
  maxDrops: 20,
  unit: 'drops',
  aim: 'nearest',
  tolerance: 2,
  light: 'D65',
  observer: '2deg',
  lightening: 0,
};

/** Lights that a model is shown in: daylight, a lamp, the hall, low sun. */
export const SHOWN_IN: IlluminantId[] = ['D65', 'A', 'LED-4000', 'D50'];

/** The conditions that an answer is judged in; its difference is that of the worst of them. */
export function judgedIn({ light, observer }: MatchChoices): ViewingCondition[] {
  return (light === 'worst' ? SHOWN_IN : [light]).map((illuminant) => ({ illuminant, observer }));
}

/** How many bottles may be bought. */
export function purchases(from: MatchChoices['from']): number | undefined {
  return from === 'shelf+1' ? 1 : from === 'shelf+2' ? 2 : undefined;
}

/** The code as it is aimed for: lightened where the builder's school lightens. */
export function aimedFor(code: CodeRecord, lightening: number): CodeRecord {
  if (lightening === 0) return code;
  return { ...code, spectrum: lightenForScale(code.spectrum, lightening), angles: null };
}

/** The colour wanted in each condition. */
export function wantedIn(code: CodeRecord, conditions: readonly ViewingCondition[]): Lab[] {
  return conditions.map((condition) => spectrumToLab(code.spectrum, condition));
}

/** So many parts of a recipe in the unit chosen. */
export function amountText(count: number, unit: MatchChoices['unit']): string {
  return unit === 'drops' ? `${count} ${count === 1 ? 'drop' : 'drops'}` : figure(count / 10, 'ml');
}
