/** Every way to share up to maxDrops whole drops among n paints, each at least one drop, in lowest terms. */
export function dropRatios(n: number, maxDrops: number): number[][] {
  const found: number[][] = [];
  const grow = (drops: number[], left: number) => {
    if (drops.length === n) {
      if (n === 1 ? drops[0] === 1 : drops.reduce(greatestCommonDivisor) === 1) found.push(drops);
      return;
    }
    const reserved = n - drops.length - 1;
    for (let count = 1; count <= left - reserved; count++) grow([...drops, count], left - count);
  };
  grow([], maxDrops);
  return found;
}

function greatestCommonDivisor(a: number, b: number): number {
  return b === 0 ? a : greatestCommonDivisor(b, a % b);
}
