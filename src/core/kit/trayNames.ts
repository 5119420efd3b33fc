import { areaOf, type Part } from './kit.ts';

/** A part's name without the side or half it is: "Block, left half" is a "Block". */
export function baseName(name: string): string {
  return name
    .replace(/,?\s*\b(left|right|upper|lower|inner|outer|front and rear|half|halves)\b/gi, '')
    .replace(/\s+/g, ' ')
    .replace(/[\s,]+$/, '')
    .trim();
}

/** A name for parts that are handled as one: the largest thing in it, and what stands out beside it. */
export function trayName(parts: readonly Part[]): string {
  const sizes = new Map<string, number>();
  for (const part of parts) {
    const name = baseName(part.name) || part.name;
    sizes.set(name, (sizes.get(name) ?? 0) + areaOf(part) * part.count);
  }
  const names = [...sizes].sort((p, q) => q[1] - p[1] || (p[0] < q[0] ? -1 : 1));
  const [first, second] = names;
  if (!first) return 'Nothing yet';
  if (!second) return first[0];
  if (names.length === 2) return `${first[0]} and ${lowerFirst(second[0])}`;
  if (second[1] > 0.5 * first[1]) return `${first[0]}, ${lowerFirst(second[0])} and ${names.length - 2} more`;
  return `${first[0]} with ${names.length - 1} parts`;
}

const lowerFirst = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);
