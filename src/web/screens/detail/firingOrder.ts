/** Cylinder numbers as they are typed, with anything between them: "1-5-3-6-2-4", "1 5 3 6 2 4". Gives what could not be
 *  read, too. */
export function readNumbers(text: string): { numbers: number[]; strange: string[] } {
  const words = text.split(/[\s,;:/–—-]+/u).filter((word) => word !== '');
  const isNumber = (word: string) => /^\d{1,2}$/.test(word) && Number(word) >= 1;
  return {
    numbers: words.filter(isNumber).map(Number),
    strange: words.filter((word) => !isNumber(word)),
  };
}
