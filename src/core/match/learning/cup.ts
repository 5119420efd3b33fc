/** Drops by paint id. */
export type Drops = Readonly<Record<string, number>>;

/** Drops in a cup with all that was added to it. */
export function dropsInCup({
  drops,
  additions,
}: {
  drops: Drops;
  additions: readonly { add: Drops }[];
}): Record<string, number> {
  const sum: Record<string, number> = { ...drops };
  for (const { add } of additions) {
    for (const [id, count] of Object.entries(add)) sum[id] = (sum[id] ?? 0) + count;
  }
  return sum;
}
