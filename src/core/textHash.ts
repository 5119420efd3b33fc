/** A short text that changes whenever another does (FNV-1a, 53 bits in two halves). */
export function textHash(text: string): string {
  let [low, high] = [0x811c9dc5, 0x1000193];
  for (let i = 0; i < text.length; i++) {
    low = Math.imul(low ^ text.charCodeAt(i), 0x01000193) >>> 0;
    high = Math.imul(high ^ text.charCodeAt(text.length - 1 - i), 0x01000193) >>> 0;
  }
  return `${low.toString(36)}-${high.toString(36)}-${text.length.toString(36)}`;
}
