/** An id made of words: lower case, hyphens, unique by what follows. */
export function idFrom(...words: string[]): string {
  return words
    .join('-')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 80);
}

export const isSameWord = (one: string, two: string): boolean =>
  one.trim().toLocaleLowerCase() === two.trim().toLocaleLowerCase();
