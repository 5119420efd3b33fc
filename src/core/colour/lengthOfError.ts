/** 90th percentile of the standard normal distribution. */
const NORMAL_90 = 1.2816;

/** Length within which nine in ten draws of a Gaussian error in three dimensions lie, from its covariance: the sum of
 *  squares is taken for a scaled chi-square of the same mean and variance (Satterthwaite 1946), and that for the cube
 *  of a normal number (Wilson and Hilferty 1931). */
export function lengthAt90(covariance: readonly (readonly number[])[]): number {
  const mean = covariance.reduce((sum, row, at) => sum + row[at]!, 0);
  if (!(mean > 0)) return 0;
  const variance = covariance.reduce(
    (sum, row, at) => sum + row.reduce((part, value, other) => part + value * covariance[other]![at]!, 0),
    0,
  );
  const spread = (2 * variance) / (9 * mean ** 2);
  return Math.sqrt(mean * Math.max(0, 1 - spread + NORMAL_90 * Math.sqrt(spread)) ** 3);
}
