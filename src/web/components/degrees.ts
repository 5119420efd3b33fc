/** Temperatures as the builder likes them. */
export type DegreeUnit = 'C' | 'F';

/** Degrees Celsius in the builder's unit, to a tenth. */
export const degreesOf = (celsius: number, unit: DegreeUnit): number =>
  Number((unit === 'F' ? (celsius * 9) / 5 + 32 : celsius).toFixed(1));

/** The other way round. */
export const celsiusOf = (degrees: number, unit: DegreeUnit): number =>
  Number((unit === 'F' ? ((degrees - 32) * 5) / 9 : degrees).toFixed(2));
