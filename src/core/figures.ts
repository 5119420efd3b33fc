/** Units in which numbers are shown, with the digits after the point that mean something. */
const DIGITS = {
  dE: 1,
  ml: 1,
  mm: 2,
  µm: 0,
  'cm²': 0,
  'mm³': 1,
  g: 2,
  h: 1,
  s: 1,
  '%': 0,
  '°C': 1,
  GU: 0,
  L: 1,
  times: 1,
  /** Parts of a mixture: as few digits as say it, and no unit. */
  parts: 2,
  /** Money, given in cents. */
  euro: 2,
} as const;
export type Unit = keyof typeof DIGITS;

/** A number without its unit, for where a heading, a neighbour or a field says it. */
export function bare(value: number, unit: Unit, digits: number = DIGITS[unit]): string {
  if (!Number.isFinite(value)) return '?';
  // Never "-0.0".
  return (Math.abs(value) < 0.5 * 10 ** -digits ? 0 : value).toFixed(digits);
}

/** A number as it is shown, with its unit: "0.8 dE", "12 µm", "€4.20", "0.9" parts. `digits` where a place needs other
 *  than the usual digits after the point; a value that is no number is shown as "?". */
export function figure(value: number, unit: Unit, digits: number = DIGITS[unit]): string {
  if (unit === 'euro') return `€${bare(value / 100, unit, digits)}`;
  const shown = bare(value, unit, digits);
  if (shown === '?' || unit === 'L') return shown;
  if (unit === 'parts') return String(Number(shown));
  return unit === 'times' ? `×${shown}` : `${shown} ${unit}`;
}
