import type { FamilyId } from './families.ts';
import type { Conditions } from './stack.ts';

/** Dew point in C from air temperature (C) and relative humidity (per cent).
 *  Source: Magnus formula with the constants of Sonntag (1990), good to 0.1 C between 0 and 50 C. */
export function dewPoint(temperatureC: number, humidity: number): number {
  const [b, c] = [17.62, 243.12];
  const gamma = Math.log(Math.max(humidity, 0.1) / 100) + (b * temperatureC) / (c + temperatureC);
  return (c * gamma) / (b - gamma);
}

/** Below this distance from the dew point (C) a surface may carry water and must not be sprayed. */
export const DEW_POINT_MARGIN_C = 3;
/** Above this humidity (per cent) lacquer blushes and water acrylic dries slowly. */
export const BLUSH_HUMIDITY = 75;

/** What drying and curing times are multiplied by: twofold slower for every 10 C below 20 C, twofold faster
 *  above, and for water-borne paint slower again in damp air. A working model for planning. */
export function cureFactor(family: FamilyId, { temperatureC, humidity, dryerC }: Conditions): number {
  const warmth = 2 ** ((20 - (dryerC ?? temperatureC)) / 10);
  const waterBorne = family === 'water-acrylic' || family === 'alcohol-acrylic';
  // Warm air in a dehydrator is dry, whatever the room is.
  const damp = waterBorne && dryerC === undefined ? 1 + Math.max(0, humidity - 50) / 50 : 1;
  return warmth * damp;
}

/** Above this, styrene begins to give, C. */
export const STYRENE_LIMIT_C = 50;
/** Below this air temperature (C) water-borne film does not close and two-part clear hardly cures. */
export const COLD_C = 10;

/** Throws RangeError, in a builder's words, for air that no bench has. */
export function requireConditions({ temperatureC, humidity, dryerC }: Conditions): void {
  if (!(temperatureC >= -10 && temperatureC <= 50)) {
    throw new RangeError(`The bench temperature must lie between -10 and 50 C; it is ${temperatureC}.`);
  }
  if (dryerC !== undefined && !(dryerC >= 25 && dryerC <= 80)) {
    throw new RangeError(`A dehydrator runs between 25 and 80 C; it is set to ${dryerC}.`);
  }
  if (!(humidity >= 0 && humidity <= 100)) {
    throw new RangeError(`Humidity must lie between 0 and 100 %; it is ${humidity}.`);
  }
}
