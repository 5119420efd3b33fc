import { FAMILIES, type FamilyId } from './families.ts';
import type { Tool } from './stack.ts';

/** How a paint is thinned and sprayed. */
export interface ToolSetting {
  /** Parts of thinner to one part of paint. */
  thinner: number;
  /** Pressure, bar; needle, mm; distance, cm. */
  bar: number;
  needleMm: number;
  distanceCm: number;
}

/** The builder's own settings, by `settingKey`. */
export type ToolSettings = Readonly<Record<string, ToolSetting>>;

export const settingKey = (family: FamilyId, mist: boolean) => `${family}/${mist ? 'mist' : 'wet'}`;

/** Limits within which a setting makes sense. */
export const SETTING_LIMITS = {
  thinner: [0, 6],
  bar: [0.3, 4],
  needleMm: [0.15, 1],
  distanceCm: [3, 40],
} as const satisfies Record<keyof ToolSetting, readonly [number, number]>;

const FINE: ReadonlySet<FamilyId> = new Set(['metal-lacquer', 'chrome-ink', 'buffing-metal']);
const HEAVY: ReadonlySet<FamilyId> = new Set(['urethane-2k', 'aerosol']);

/** Usual settings of an airbrush; a mist coat is thinner in effect because it comes from farther at less paint. */
export function usualSetting(family: FamilyId, mist: boolean): ToolSetting {
  const fine = FINE.has(family);
  return {
    thinner: FAMILIES[family].thinner,
    bar: fine ? 1 : mist ? 1.2 : HEAVY.has(family) ? 1.8 : 1.5,
    needleMm: fine ? 0.2 : HEAVY.has(family) ? 0.4 : 0.3,
    distanceCm: fine ? 6 : mist ? 15 : 10,
  };
}

/** The setting in force: the builder's own, or the usual one. */
export function settingFor(family: FamilyId, mist: boolean, own: ToolSettings = {}): ToolSetting {
  return own[settingKey(family, mist)] ?? usualSetting(family, mist);
}

/** A setting in a builder's words; undefined for tools that have none. */
export function settingLine(
  tool: Tool,
  family: FamilyId,
  mist: boolean,
  own: ToolSettings = {},
): string | undefined {
  if (tool === 'can') {
    return mist
      ? '30 cm away, quick passes, start and stop beside the part'
      : '20 cm away, overlapping passes, start and stop beside the part';
  }
  if (tool === 'sponge') return 'dab nearly dry, turn the sponge every time';
  if (tool !== 'airbrush') return undefined;
  const { bar, needleMm, distanceCm } = settingFor(family, mist, own);
  return `${bar} bar, ${needleMm} mm needle, ${distanceCm} cm away, ${mist ? 'quick passes' : 'overlapping passes'}`;
}
