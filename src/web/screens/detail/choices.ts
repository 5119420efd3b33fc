/** Choices of a record with the words that they are shown by. */
export const choices = <T extends string>(values: readonly T[], words: Readonly<Record<T, string>>) =>
  values.map((value) => ({ value, label: words[value] }));
